import { type Day, type ProposedEntry, proposeNormalSide, type TrialBalanceRow } from '@ivory-ladder/core';
import { type AccountField, namedLines } from '../books/index.ts';
import { yearsToMake } from '../companies/index.ts';
import type { Books, TrialBalancePlan } from '../ports/index.ts';
import type { WorkedOut } from './workOutPosting.ts';

/** Everything that posting a file would change, for one transaction. */
export function planPosting(
  books: Books,
  field: AccountField,
  rows: readonly TrialBalanceRow[],
  fileId: number,
  date: Day,
  worked: WorkedOut,
  places: TrialBalancePlan['places'],
  retainedEarnings: string | null,
  withdraw: readonly number[],
  fileName: string,
): TrialBalancePlan {
  const charted = new Set(books.accounts.map((account) => account.number));
  return {
    expectedRevision: books.cube.revision,
    expectedStructure: books.company.structureVersion,
    fileId,
    day: date,
    figures: worked.figures,
    newYears: yearsToMake(books, date),
    newAccounts: rows.flatMap(({ number, name, element, parentNumber, amount }) =>
      element === null || charted.has(number) ? [] : [{ number, name, element, normalSide: proposeNormalSide(element, name, amount), parentNumber }],
    ),
    retainedEarnings,
    places,
    entries: worked.entries.map((entry) => ({
      date: entry.day,
      closesYear: entry.closesYear,
      description: describe(entry, date, fileName),
      lines: namedLines(field, entry.lines).map(({ number, amount }) => ({ number, net: amount })),
    })),
    withdraw,
    remember: !worked.earlier.some((file) => file.day === date && JSON.stringify(file.figures) === JSON.stringify(worked.figures)),
  };
}

function describe(entry: ProposedEntry, date: Day, fileName: string): string {
  switch (entry.purpose) {
    case 'differences':
      return `Trial balance at ${date}: ${fileName}`;
    case 'closing':
      return `Closing of the year, from the trial balance at ${date}: ${fileName}`;
    case 'keeps_later_balance':
      return `Keeps the balances of this day after the trial balance at ${date}: ${fileName}`;
    case 'keeps_later_closing':
      return `Keeps the closing of the year after the trial balance at ${date}: ${fileName}`;
  }
}
