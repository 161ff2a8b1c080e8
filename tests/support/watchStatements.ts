import { MysqlQueryRunner } from 'typeorm/driver/mysql/MysqlQueryRunner.js';
import { afterAll, expect } from 'vitest';
import { statementFaults } from './statementFaults.ts';

/** What statements of a file may leave out, and why. */
const allowed: Readonly<Record<string, string>> = {
  'chart/attachmentStore.ts: attachment without company_id': 'what a killed server left half-written goes in all companies at once',
  'chart/plantChart.ts: category without its version': 'a row that the same transaction makes',
  'database/diskShares.ts: attachment without company_id': 'what a person handed in, in whatever company',
  'database/diskShares.ts: imported_file without company_id': 'what a person handed in, in whatever company',
  'database/diskShares.ts: journal_import without company_id': 'what a person handed in, in whatever company',
  'database/idempotency.ts: idempotency without company_id': 'old keys are forgotten in all companies at once',
  'database/updateRows.ts: account without its version': 'order, parents and passing numbers, of rows that the same change raises where anybody sees it',
  'ledger/applyTrialBalance.ts: account without its version': 'a row that the same transaction makes',
  'ledger/journalStore.ts: journal_import without company_id': 'imports that were left alone are given up in all companies at once',
  'ledger/numberEntries.ts: document_series without its version': 'the version is of what people set; the next number goes on with every posting',
  'people/invitationStore.ts: invitation without company_id': 'found by the secret of its link, which alone says whose it is',
  'people/peopleStore.ts: membership without company_id': 'whether a person belongs to any company',
  'placement/applyPlacement.ts: category without its version': 'a row that the next statement deletes',
  'placement/rehearsalStore.ts: rehearsal without its version': 'raised by the statement before it, which holds the row',
};

const judged = new Map<string, readonly string[]>();
const watched = Symbol.for('statements are watched');

/** The file of the server that asked, and nobody's where a test did. */
function askedBy(stack: string): string {
  const frames = stack.split('\n').filter((frame) => !/node_modules|watchStatements|database\/(?:transaction|rows)\.ts/.test(frame));
  return /packages\/server\/src\/(?:persistence\/)?([\w/]+\.ts)/.exec(frames.find((frame) => /packages\/server\/src|\/tests\//.test(frame)) ?? '')?.[1] ?? '';
}

const prototype = MysqlQueryRunner.prototype as unknown as { query: (sql: string, ...rest: unknown[]) => unknown; [watched]?: Set<string> };
// This file is read anew for each file of tests; the connection is wrapped once.
const found = prototype[watched] ?? new Set<string>();
if (!prototype[watched]) {
  prototype[watched] = found;
  const { query } = prototype;
  prototype.query = function (this: unknown, sql, ...rest) {
    let faults = judged.get(sql);
    if (!faults) {
      faults = statementFaults(sql);
      judged.set(sql, faults);
    }
    if (faults.length > 0) {
      const file = askedBy(String(new Error().stack));
      if (file !== '')
        for (const fault of faults) if (!(`${file}: ${fault}` in allowed)) found.add(`${file}: ${fault}: ${sql.replaceAll(/\s+/g, ' ').slice(0, 300)}`);
    }
    return query.call(this, sql, ...rest);
  };
}

afterAll(() => {
  const faults = [...found];
  found.clear();
  expect(faults).toEqual([]);
});
