import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { faultText, groupCount, groupText } from './faultText.ts';

const euro = { code: 'EUR', exponent: 2 };
const sources = [
  '../../../../core/src/journal/readJournalRow.ts',
  '../../../../core/src/facet/checkFacets.ts',
  '../../../../server/src/persistence/ledger/journalStore.ts',
];
const codes = sources.flatMap((path) =>
  [
    ...readFileSync(fileURLToPath(new URL(path, import.meta.url)), 'utf8').matchAll(/'((?:date|account|amount|layer|too|day|period|facets?|entry)_[a-z_]+)'/g),
  ].map((match) => match[1] as string),
);

describe('words for faults of journal lines', () => {
  it('there are some for every code that rows and entries can have', () => {
    expect(codes).toContain('entry_known_otherwise');
    for (const code of new Set(codes.filter((found) => !['facet_unknown', 'facet_set_id'].includes(found))))
      expect(faultText({ row: 1, code, facts: { difference: '5', date: '2026-09-30' } }, euro), code).not.toBe(code.replaceAll('_', ' '));
  });

  it('say which side of an entry has too little, and by how much', () => {
    const facts = { document: '17', date: '2026-09-30', difference: '-12550' };
    expect(faultText({ row: 2, code: 'entry_out_of_balance', facts }, euro)).toBe('Document 17 of 30 Sep 2026 is out of balance: 125.50 missing in debit');
  });

  it('of several rows say what mends them, and name the first where each is another', () => {
    const group = (code: string, facts: Record<string, unknown>, count: number) => {
      const of = { row: 12, code, facts, count };
      return `${groupCount(of)}: ${groupText(of, euro)}`;
    };
    expect(group('day_outside_calendar', { found: '2026-03-01', year: '2026', mayMake: true }, 318)).toBe('318 rows: no fiscal year 2026, as of 1 Mar 2026');
    expect(group('account_unknown', { found: '2015' }, 2)).toBe('2 rows: there is no account «2015»');
    expect(group('account_unknown', { found: '2015' }, 1)).toBe('Row 12: There is no account «2015»');
    expect(group('amount_unreadable', { found: 'x' }, 3)).toBe('3 rows: the first in row 12: «x» is no amount');
    expect(group('entry_out_of_balance', { document: '17', date: '2026-09-30', difference: '100' }, 2)).toBe(
      '2 documents: the first in row 12: Document 17 of 30 Sep 2026 is out of balance: 1.00 missing in credit',
    );
  });
});
