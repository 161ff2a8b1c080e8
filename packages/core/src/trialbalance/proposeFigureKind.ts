import type { AccountTraits } from '../cube/vector.ts';
import type { LedgerBefore } from './deriveEntries.ts';
import type { FigureKind } from './figures.ts';

/**
 * The kind of figures that needs no unexplained movement of retained earnings. After closing where the file's income
 * and expense are nil and the ledger's are not; else the first candidate, in the order given, with which retained
 * earnings stay as they are; else the year to date.
 */
export function proposeFigureKind(
  figures: BigInt64Array,
  traits: AccountTraits,
  candidates: readonly { readonly kind: FigureKind; readonly before: LedgerBefore }[],
): FigureKind {
  const isIncomeNil = figures.every((amount, account) => traits.resets[account] !== 1 || amount === 0n);
  const retained = traits.retainedEarnings;
  for (const { kind, before } of candidates) {
    if (isIncomeNil) {
      const hasIncome = before.balance.some((amount, account) => traits.resets[account] === 1 && amount !== 0n);
      if (kind.kind === 'after_closing' && hasIncome) return kind;
      continue;
    }
    if (kind.kind === 'after_closing' || retained < 0) continue;
    const earlier = before.earlierIncome.reduce((total, amount, account) => (traits.resets[account] === 1 ? total + amount : total), 0n);
    // Without earlier income all kinds say the same; the year to date is the plainest of them.
    if (kind.kind !== 'year_to_date' && earlier === 0n) continue;
    const moved = kind.kind === 'period' ? -earlier : kind.kind === 'cumulative' ? earlier : 0n;
    if ((figures[retained] as bigint) + moved === before.balance[retained]) return kind;
  }
  return { kind: 'year_to_date' };
}
