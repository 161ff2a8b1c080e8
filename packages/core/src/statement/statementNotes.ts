import type { Day } from '../calendar/day.ts';
import { longDay } from '../calendar/dayText.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import { noteWords } from './noteWords.ts';
import type { StatementRow } from './statement.ts';

/** What has to be said under the figures that are shown, wherever they go: on the page, in print and in files. */
export function statementNotes(rows: readonly Pick<StatementRow, 'faults'>[], language: CaptionLanguage): string[] {
  const words = noteWords[language];
  const days = new Set<Day>();
  for (const { faults } of rows) for (const fault of faults ?? []) if (fault?.code === 'no_balances_before') days.add(fault.day);
  return [...days].sort().map((day) => words.nothingBefore(longDay(day, language)));
}
