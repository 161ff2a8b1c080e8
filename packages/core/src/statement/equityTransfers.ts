import { allocate } from '../money/allocate.ts';

/** A line of an entry on an account of equity; either debit or credit is nil, neither is negative. */
interface LineOfEquity {
  readonly entryId: number;
  readonly debit: bigint;
  readonly credit: bigint;
}

/**
 * What each line moved within equity: of an entry the smaller of its debits and its credits on accounts of equity went from one to
 * another, and is allotted on each side by amount; the rest came from outside, or went there. `lines`: all of each entry on such
 * accounts, in their order. Lines of which nothing stayed within are left out. Cost: lines × log lines of an entry.
 */
export function transfersWithin<Line extends LineOfEquity>(lines: readonly Line[]): Line[] {
  const entries = new Map<number, Line[]>();
  for (const line of lines) {
    const there = entries.get(line.entryId);
    if (there) there.push(line);
    else entries.set(line.entryId, [line]);
  }
  return [...entries.values()].flatMap((entry) => {
    const [debits, credits] = (['debit', 'credit'] as const).map((side) => entry.reduce((sum, line) => sum + line[side], 0n)) as [bigint, bigint];
    const [within] = debits < credits ? [debits] : [credits];
    if (within === 0n) return [];
    const [ofDebits, ofCredits] = (['debit', 'credit'] as const).map((side) =>
      allocate(
        within,
        entry.map((line) => line[side]),
      ),
    ) as [bigint[], bigint[]];
    return entry.flatMap((line, at) => {
      const [debit, credit] = [ofDebits[at] as bigint, ofCredits[at] as bigint];
      return debit === 0n && credit === 0n ? [] : [{ ...line, debit, credit }];
    });
  });
}
