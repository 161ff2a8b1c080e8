import type { TrialBalanceViewBody } from '@ivory-ladder/contract';
import { accountLabel, formatAmount, shortDay, spanText } from '@ivory-ladder/core';
import Close from '@mui/icons-material/Close';
import IconButton from '@mui/material/IconButton';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { useClimb } from '../../shared/state/useClimb.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useFacetFilter } from '../../shared/state/useFacetFilter.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { AccountLines, EntryView } from '../evidence/index.ts';
import own from './AccountPanel.module.css';
import styles from './BroughtInPanel.module.css';

interface AccountPanelProps {
  readonly accountId: number;
  readonly accounts: TrialBalanceViewBody['accounts'];
  readonly onOpen: (accountId: number | null) => void;
}

/** One account in the chosen span: its balance and the entries that moved it. */
export function AccountPanel({ accountId, accounts, onOpen }: AccountPanelProps) {
  const company = useCompany();
  const { span } = useSpan();
  const { facets } = useFacetFilter();
  const currency = currencyOfCompany(company);
  const { search } = useLocation();
  const climb = useClimb();
  const [entryId, setEntryId] = useState<number | null>(null);
  const account = accounts.find(({ id }) => id === accountId);
  if (!account) return <aside className={styles.panel} />;
  const format = (amount: string) => formatAmount(BigInt(amount), currency);
  return (
    <aside className={styles.panel} aria-label="Account">
      <header className={own.head}>
        <h2>{accountLabel(account)}</h2>
        <IconButton size="small" aria-label="Close the account" onClick={() => onOpen(null)}>
          <Close fontSize="inherit" />
        </IconButton>
      </header>
      {entryId !== null ? (
        <EntryView entryId={entryId} currency={currency} onBack={() => setEntryId(null)} />
      ) : (
        <>
          <p className={styles.quiet}>
            {account.element} · {spanText(span.from, span.to)}
          </p>
          <dl className={own.balance}>
            <dt>Before {shortDay(span.from)}</dt>
            <dd>{format(account.opening)}</dd>
            <dt>Debits less credits</dt>
            <dd>{formatAmount(BigInt(account.debit) - BigInt(account.credit), currency)}</dd>
            {account.carried !== '0' && (
              <>
                <dt>Carried over</dt>
                <dd>{format(account.carried)}</dd>
              </>
            )}
            <dt>At {shortDay(span.to)}</dt>
            <dd className={own.closing}>
              <BalanceAmount net={BigInt(account.closing)} currency={currency} isAgainst={account.isAgainst} />
            </dd>
          </dl>
          <Link className={own.whole} to={{ pathname: `/companies/${company.id}/ledger/accounts`, search: wholeSearch(search, accountId) }}>
            The whole account ledger
          </Link>
          <button type="button" className={own.climb} onClick={() => climb(accountId)}>
            Where it climbs on the statements
          </button>
          <AccountLines
            key={accountId}
            accountId={accountId}
            currency={currency}
            runs={account.element === 'income' || account.element === 'expense'}
            from={span.from}
            to={span.to}
            facets={facets}
            onOpenEntry={setEntryId}
          />
        </>
      )}
    </aside>
  );
}

function wholeSearch(search: string, accountId: number): string {
  const params = new URLSearchParams(search);
  params.set('account', String(accountId));
  return params.toString();
}
