import type { ToldEvent, WrittenFile } from '../application/ports/index.ts';
import { csvFile } from './csvFile.ts';
import { fileName } from './fileName.ts';

/** One line an event, newest first; times in UTC, states before and after as JSON. */
export function writeHistoryCsv(company: string, events: readonly ToldEvent[]): WrittenFile {
  const state = (value: unknown) => (value === null || value === undefined ? '' : JSON.stringify(value));
  const lines = [
    ['Time (UTC)', 'Who', 'What', 'Which', 'Action', 'Before', 'After'],
    ...events.map(({ happenedAt, who, thing, label, action, before, after }) => [
      happenedAt,
      who,
      thing.replaceAll('_', ' '),
      label,
      action,
      state(before),
      state(after),
    ]),
  ];
  return csvFile(fileName(company, 'History.csv'), lines);
}
