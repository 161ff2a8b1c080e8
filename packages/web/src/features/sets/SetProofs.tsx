import type { RanSet, SetProofBody } from '@ivory-ladder/contract';
import { accountLabel, type Currency, formatAmount, longDay } from '@ivory-ladder/core';
import { Link, useLocation } from 'react-router';
import { useCompany } from '../../shared/state/useCompany.ts';
import { reasonText } from '../proofs/index.ts';
import styles from './SetsScreen.module.css';
import { setFigureNames, setProofText, titleOfPart, unprovableText } from './setProofText.ts';

const marks: Readonly<Record<SetProofBody['state'], string>> = { holds: '✓', fails: '✗', to_look_at: '▲', not_provable: '–' };
const mostAccounts = 12;

/** What the statements prove together; each opens to its figures by column, and to the accounts at fault. */
export function SetProofs({ ran }: { readonly ran: RanSet }) {
  const company = useCompany();
  const { search } = useLocation();
  const currency: Currency = { code: ran.currency, exponent: ran.exponent };
  return (
    <section className={styles.proofs} aria-labelledby="set-proofs">
      <h2 id="set-proofs">Proven together</h2>
      {ran.proofs.map((proof) => (
        <details key={proof.name}>
          <summary className={styles[proof.state]}>
            <span aria-hidden>{marks[proof.state]}</span> {setProofText(proof, (net) => formatAmount(net, currency))}
          </summary>
          {proof.ties.map(({ part, day, figures, unprovable }, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: ties have no other identity than their place
            <dl key={at}>
              <dt>
                {longDay(day)}
                {unprovable && <small> {unprovableText[unprovable]}</small>}
              </dt>
              {figures.map(({ name, part: standsIn, net }) => (
                <dd key={`${name} ${standsIn}`}>
                  <span title={standsIn === null ? undefined : titleOfPart(ran, standsIn)}>{setFigureNames[name]}</span>
                  <span>{formatAmount(BigInt(net), currency)}</span>
                </dd>
              ))}
              {figures.length === 0 && <dd>{titleOfPart(ran, part)}</dd>}
            </dl>
          ))}
          {proof.faults.map(({ part, accounts }) => (
            <dl key={part}>
              <dt>{titleOfPart(ran, part)}</dt>
              {accounts.slice(0, mostAccounts).map((account) => (
                <dd key={account.accountId}>
                  <Link to={{ pathname: `/companies/${company.id}/placement`, search }} title={reasonText(account.reason)}>
                    {accountLabel(account)}
                  </Link>
                  <span>{formatAmount(BigInt(account.net), currency)}</span>
                </dd>
              ))}
              {accounts.length > mostAccounts && <dd>and {accounts.length - mostAccounts} more</dd>}
            </dl>
          ))}
        </details>
      ))}
    </section>
  );
}
