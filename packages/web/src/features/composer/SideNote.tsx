import { type AccountsOwnLine, childrenOf, formatAmount, type Line, selectPortions } from '@ivory-ladder/core';
import { useCompany } from '../../app/useCompany.ts';
import styles from './LinePanel.module.css';
import type { Composer } from './useComposer.ts';

/** Where balances on the other side go, and which accounts are there now. */
export function SideNote({ composer, line }: { readonly composer: Composer; readonly line: AccountsOwnLine }) {
  const { currency, exponent } = useCompany();
  const { facts, view, expanded } = composer;
  const otherBit = line.takes === 'debit' ? 2 : 1;
  const { accounts } = selectPortions(line.sources, line.except, 'any', facts);
  const takers = new Map<string, string>();
  const missing: string[] = [];
  const others: { readonly label: string; readonly net: bigint }[] = [];
  for (const at of accounts) {
    const account = view.accounts[at];
    if (!account) continue;
    const taker = lineTaking(expanded.layout.lines, at, otherBit, composer, line.key);
    if (taker) takers.set(taker.key, taker.caption);
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
          {side} balances go to <strong>{[...takers.values()].join(', ')}</strong>.
        </>
      )}{' '}
      {others.slice(0, 2).map(({ label, net }) => `${label} is there now with ${formatAmount(net < 0n ? -net : net, { code: currency, exponent })}. `)}
    </p>
  );
}

function lineTaking(lines: readonly Line[], account: number, bit: number, composer: Composer, own: string): Line | null {
  for (const line of lines) {
    const inside = lineTaking(childrenOf(line), account, bit, composer, own);
    if (inside) return inside;
    if (line.kind !== 'accounts' || line.isMemo || line.key === own) continue;
    if (line.categoryId !== null) {
      const id = composer.view.accounts[account]?.id ?? 0;
      const portions = composer.facts.portions.get(id);
      if ((bit === 1 ? portions?.debit : portions?.credit) === line.categoryId) return line;
      continue;
    }
    const at = line.selection ? line.selection.accounts.indexOf(account) : -1;
    if (at >= 0 && ((line.selection?.sides[at] ?? 0) & bit) !== 0) return line;
  }
  return null;
}
