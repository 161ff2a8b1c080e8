import type { Side } from '../chart/element.ts';
import type { AccountsOwnLine } from './ownLayout.ts';
import type { Source } from './source.ts';

/**
 * Two lines of a layout after balances of an account (and of all below it) on one side were left by the first to the second, which takes them whatever
 * it takes else. What was left the other way before is taken back, so that going there and back leaves both lines as they were. `null`: the second takes
 * balances of the other side alone.
 */
export function leaveSide(
  from: AccountsOwnLine,
  to: AccountsOwnLine,
  accountId: number,
  side: Side,
): { readonly from: AccountsOwnLine; readonly to: AccountsOwnLine } | null {
  if (to.takes !== 'any' && to.takes !== side) return null;
  const isIt = (source: Source): boolean => source.kind === 'account' && source.accountId === accountId && source.side === side;
  const it: Source = { kind: 'account', accountId, side };
  const less = (line: AccountsOwnLine): AccountsOwnLine =>
    line.sources.some(isIt) ? { ...line, sources: line.sources.filter((source) => !isIt(source)) } : { ...line, except: [...line.except, it] };
  const more = (line: AccountsOwnLine): AccountsOwnLine =>
    line.except.some(isIt) ? { ...line, except: line.except.filter((source) => !isIt(source)) } : { ...line, sources: [...line.sources, it] };
  return { from: less(from), to: more(to) };
}
