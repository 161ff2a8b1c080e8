import { captionOfTotal, climb, generatedOn, type LayoutKind, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { balancesFor, openBooks, partialsFor } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';
import { groundOf } from '../statements/index.ts';
import { viewEntry } from './viewLines.ts';

export interface AccountClimb {
  readonly accountId: number;
  /** The statement that it climbs in; `null` for an account that stands nowhere. */
  readonly kind: LayoutKind | null;
  /** From the line that takes it up to the totals. */
  readonly rungs: readonly { readonly key: string; readonly caption: string }[];
}

const kinds: readonly LayoutKind[] = ['balance_sheet', 'income_statement'];

/** Where each account of an entry climbs, by the side of its balance at the entry's day. */
export async function viewEntryClimb(ports: Ports, access: Access, entryId: number): Promise<Outcome<readonly AccountClimb[], Failure>> {
  const entry = await viewEntry(ports, access, entryId);
  if (!entry.ok) return entry;
  const opened = await openBooks(ports, access.companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const { date, lines } = entry.value;
  const { net } = balancesFor(books, date, await partialsFor(ports, books, [{ firstDay: date, lastDay: date }]));
  const layouts = generatedOn(groundOf(books));
  const climbOf = (accountId: number): AccountClimb => {
    const at = books.cube.indexOf.get(accountId);
    for (const kind of at === undefined ? [] : kinds) {
      const compiled = layouts[kind];
      const taker = ((net[at as number] as bigint) < 0n ? compiled.lineOfCredit : compiled.lineOfDebit)[at as number] as number;
      if (taker < 0) continue;
      const rungs = climb(compiled, compiled.lines[taker]?.key ?? '').map((index) => ({
        key: compiled.lines[index]?.key ?? '',
        caption: captionOfTotal(compiled.lines[index]),
      }));
      return { accountId, kind, rungs };
    }
    return { accountId, kind: null, rungs: [] };
  };
  return succeed([...new Set(lines.map(({ accountId }) => accountId))].map(climbOf));
}
