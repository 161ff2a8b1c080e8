import type { ProofBody } from '@ivory-ladder/contract';
import { formatAmount } from '@ivory-ladder/core';
import { Link, useLocation } from 'react-router';
import { proofStateMark, proofText } from '../features/proofs/index.ts';
import { useGetProofsQuery } from '../shared/api/statementApi.ts';
import { currencyOfCompany, useCompany } from '../shared/state/useCompany.ts';
import { useSpan } from '../shared/state/useSpan.ts';
import { CashAsked } from './CashAsked.tsx';
import styles from './ProofStrip.module.css';

const alwaysShown: readonly ProofBody['name'][] = ['trial_balance', 'assets_equal_claims', 'profit_in_equity', 'coverage', 'balances_from_lines'];
/** On a cash flow and on changes in equity their own proof comes before those that hold for the ledger as a whole. */
const shownOnCashFlow: readonly ProofBody['name'][] = ['trial_balance', 'cash_ties', 'coverage'];
const shownOnEquity: readonly ProofBody['name'][] = ['trial_balance', 'equity_ties', 'profit_in_equity', 'coverage'];

const shownOnOwn: readonly ProofBody['name'][] = ['own_totals', 'trial_balance', 'coverage', 'balances_from_lines'];

/**
 * The proofs of what is on the screen; each opens to its figures. Findings appear only when there are some, stand first and are never cut:
 * they take a further line where they need one.
 */
export function ProofStrip() {
  const company = useCompany();
  const { span } = useSpan();
  const { search, pathname } = useLocation();
  const isEmpty = company.lastEntryDay === null;
  const [, layout] = /\/statements\/layout-(\d+)$/.exec(pathname) ?? [];
  const { data, error } = useGetProofsQuery({ companyId: company.id, ...span, ...(layout === undefined ? {} : { layout: Number(layout) }) }, { skip: isEmpty });
  const currency = currencyOfCompany(company);
  const isCashFlow = pathname.endsWith('/statements/cash-flow');
  // Of a composed statement its own totals come first, and not those of the generated ones.
  const isOwn = data?.proofs.some(({ name }) => name === 'own_totals') === true;
  const always = isOwn ? shownOnOwn : isCashFlow ? shownOnCashFlow : pathname.endsWith('/statements/changes-in-equity') ? shownOnEquity : alwaysShown;
  const isWithoutCash = isCashFlow && data !== undefined && !data.proofs.some(({ name }) => name === 'cash_ties');
  const proofs =
    data?.proofs.filter((proof) => always.includes(proof.name) || (proof.state !== 'holds' && (proof.name !== 'natures_said' || isCashFlow))) ?? [];
  return (
    <section className={styles.strip} aria-label="Proofs">
      {isEmpty && <span className={styles.quiet}>No entries yet: nothing to prove</span>}
      {error !== undefined && <span className={styles.fails}>▲ The proofs cannot be read at the moment</span>}
      {isWithoutCash && <CashAsked />}
      {(['attention', 'holding'] as const).map((group) => (
        <span key={group} className={styles[group]}>
          {proofs
            .filter(({ state }) => (group === 'attention') === (state === 'fails' || state === 'to_look_at'))
            .map((proof) => (
              <Link
                key={proof.name}
                to={{ pathname: `/companies/${company.id}/proofs`, search: withLayout(search, layout), hash: `#${proof.name}` }}
                className={styles[proof.state]}
                title="Show the figures of this proof"
              >
                <span aria-hidden>{proofStateMark(proof.state)} </span>
                {proofText(proof, (net) => formatAmount(net, currency))}
              </Link>
            ))}
        </span>
      ))}
      <span className={styles.revision}>{isEmpty ? '' : `Posting ${company.revision}`}</span>
    </section>
  );
}

/** So that the page of proofs tells of the same statement. */
function withLayout(search: string, layout: string | undefined): string {
  const params = new URLSearchParams(search);
  if (layout !== undefined) params.set('layout', layout);
  return params.toString();
}
