import { type AccountsOwnLine, compileLayout, formatAmount, selectPortions } from '@ivory-ladder/core';
import { useDeferredValue, useMemo } from 'react';
import { useCompany } from '../../shared/state/useCompany.ts';
import styles from './LinePanel.module.css';
import type { Composer } from './useComposer.ts';

/** Where balances on the other side go, and which accounts are there now; a moment after the outline, which an edit is seen in first. */
export function SideNote(now: { readonly composer: Composer; readonly line: AccountsOwnLine }) {
  const { currency, exponent } = useCompany();
  const { composer, line } = useDeferredValue(now);
  const { facts, view, expanded } = composer;
  const compiled = useMemo(
    () =>
      compileLayout(
        expanded.layout,
        facts.accounts.map(({ id }) => id),
        facts.portions,
      ),
    [expanded, facts],
  );
  const takers = line.takes === 'debit' ? compiled.lineOfCredit : compiled.lineOfDebit;
  const { sources, except } = line;
  const { accounts } = useMemo(() => selectPortions(sources, except, 'any', facts), [sources, except, facts]);
  const captions = new Set<string>();
  const missing: string[] = [];
  const others: { readonly label: string; readonly net: bigint }[] = [];
  for (const at of accounts) {
    const account = view.accounts[at];
    if (!account) continue;
    const taker = compiled.lines[takers[at] as number];
    if (taker) captions.add(taker.caption);
    else missing.push(account.label);
    const net = BigInt(account.balance);
    if (line.takes === 'debit' ? net < 0n : net > 0n) others.push({ label: account.label, net });
  }
  const side = line.takes === 'debit' ? 'Credit' : 'Debit';
  return (
    <p className={styles.note} data-odd={missing.length > 0 || undefined}>
      {missing.length > 0 ? (
        <>
          ▲ {side} balances of {missing.length === 1 ? missing[0] : `${missing.length} accounts`} go to no line.
        </>
      ) : (
        <>
          {side} balances go to <strong>{[...captions].join(', ')}</strong>.
        </>
      )}{' '}
      {others.slice(0, 2).map(({ label, net }) => `${label} is there now with ${formatAmount(net < 0n ? -net : net, { code: currency, exponent })}. `)}
    </p>
  );
}
