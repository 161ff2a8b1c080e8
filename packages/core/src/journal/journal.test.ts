import { describe, expect, it } from 'vitest';
import { detectJournal, type JournalReading } from './journalColumns.ts';
import { type JournalContext, journalRowReader, readDay } from './readJournalRow.ts';

const vessel = { key: 'facet:1' as const, name: 'Vessel', codes: [] };
const euro = { code: 'EUR', exponent: 2 };
const context: JournalContext = {
  currency: euro,
  accountOf: (reference) =>
    ({
      '1000': { id: 1, takesNone: null, defaults: {} },
      '6200': { id: 2, takesNone: null, defaults: { 'facet:1': 'SHORE' } },
      '6000': { id: 3, takesNone: 'parent' as const, defaults: {} },
    })[reference],
  dayFault: (day) => (day < '2026-01-01' ? 'day_outside_calendar' : day < '2026-02-01' ? 'period_locked' : null),
  valueOf: (_, typed) => typed.toUpperCase(),
  facetFault: (_, facets) => (facets['facet:1'] === 'SWAN' ? { code: 'facet_value_unknown', facet: 'Vessel', value: 'SWAN' } : null),
};
const reading: JournalReading = {
  headingRow: 0,
  columns: { date: 0, document: 1, account: 2, debit: 3, credit: 4, text: 5, layer: 7 },
  facets: { 'facet:1': 6 },
  decimalSign: '.',
  dateOrder: 'dmy',
};
const read = (row: string) => journalRowReader(reading, context)(row.split('|'));

describe('a file of journal lines', () => {
  it('is known by its headings, below titles too, with facets by their names', () => {
    const rows = [
      ['Journal of September'],
      [],
      ['Buchungsdatum', 'Belegnummer', 'Konto', 'Soll', 'Haben', 'Buchungstext', 'vessel'],
      ['30.09.2026', '7', '1000', '1.250,00', '', '', ''],
    ];
    expect(detectJournal(rows, [vessel])).toEqual({
      headingRow: 2,
      columns: { date: 0, document: 1, account: 2, debit: 3, credit: 4, text: 5 },
      facets: { 'facet:1': 6 },
      decimalSign: ',',
      dateOrder: 'dmy',
    });
    expect(
      detectJournal(
        [
          ['Date', 'Account'],
          ['2026-09-30', '1000'],
        ],
        [],
      ),
    ).toBeNull();
  });

  it('has days in one order: the year first, the month first where a second part passes 12, else the day first', () => {
    const orderOf = (day: string) =>
      detectJournal(
        [
          ['Date', 'Account', 'Amount'],
          [day, '1', '1'],
        ],
        [],
      )?.dateOrder;
    expect([orderOf('2026-09-30'), orderOf('09/30/2026'), orderOf('03/09/2026')]).toEqual(['ymd', 'mdy', 'dmy']);
    expect([
      readDay('20260930', 'dmy'),
      readDay('3.9.2026', 'dmy'),
      readDay('03/09/2026', 'mdy'),
      readDay('2026-09-30T00:00:00', 'ymd'),
      readDay('31.02.2026', 'dmy'),
    ]).toEqual(['2026-09-30', '2026-09-03', '2026-03-09', '2026-09-30', null]);
  });

  it('gives lines with the facet values of the account where a cell is empty', () => {
    expect(read('30.9.2026|17|6200|12.50||Hull|tern|')).toEqual({
      line: {
        document: '17',
        date: '2026-09-30',
        layer: 'ledger',
        description: '',
        accountId: 2,
        debit: 1250n,
        credit: 0n,
        text: 'Hull',
        facets: { 'facet:1': 'TERN' },
      },
    });
    expect(read('30.9.2026|17|6200||12.50|||Adjustment')).toMatchObject({
      line: { debit: 0n, credit: 1250n, layer: 'adjustment', facets: { 'facet:1': 'SHORE' } },
    });
    // A debit below nothing is a credit.
    expect(read('30.9.2026|17|1000|-3||||')).toMatchObject({ line: { debit: 0n, credit: 300n } });
    expect(read('|||||||')).toBeNull();
  });

  it.each([
    ['soon|1|1000|1||||', { code: 'date_unreadable', found: 'soon' }],
    ['1.1.2020|1|1000|1||||', { code: 'day_outside_calendar', found: '2020-01-01' }],
    ['1.1.2026|1|1000|1||||', { code: 'period_locked', found: '2026-01-01' }],
    ['1.9.2026|1||1||||', { code: 'account_missing', found: '' }],
    ['1.9.2026|1|9999|1||||', { code: 'account_unknown', found: '9999' }],
    ['1.9.2026|1|6000|1||||', { code: 'account_takes_none', reason: 'parent', found: '6000' }],
    ['1.9.2026|1|1000|x||||', { code: 'amount_unreadable', found: 'x' }],
    ['1.9.2026|1|1000|||||', { code: 'amount_missing' }],
    ['1.9.2026|1|1000|1|1|||', { code: 'amount_on_both_sides' }],
    ['1.9.2026|1|1000|1||||budget', { code: 'layer_unreadable', found: 'budget' }],
    ['1.9.2026|1|1000|1|||swan|', { code: 'facet_value_unknown', facet: 'Vessel', value: 'SWAN' }],
    [`1.9.2026|${'9'.repeat(61)}|1000|1||||`, { code: 'too_long', found: '9'.repeat(60) }],
  ])('%s is refused with what is wrong', (row, fault) => {
    expect(read(row)).toMatchObject({ faults: [fault] });
  });

  it('say everything that is wrong with them at once', () => {
    const found = read('1.1.2020|1|9999|x||||budget');
    expect(found && 'faults' in found ? found.faults.map(({ code }) => code) : null).toEqual([
      'day_outside_calendar',
      'account_unknown',
      'amount_unreadable',
      'layer_unreadable',
    ]);
  });

  it('with a fault still say what their document is judged by, and nothing where its amount or its day cannot be read', () => {
    const partOf = (row: string) => {
      const found = read(row);
      return found && 'part' in found ? found.part : null;
    };
    expect(partOf('1.1.2020|7|9999||12.50|||')).toEqual({ document: '7', date: '2020-01-01', layer: 'ledger', amounts: { debit: 0n, credit: 1250n } });
    expect(partOf('soon|7|1000|1||||')).toMatchObject({ document: '7', date: null });
    expect(partOf('1.9.2026|7|1000|x||||')).toMatchObject({ amounts: null });
    expect(partOf('1.9.2026|7|1000|1||||budget')).toMatchObject({ layer: null });
    // Two long documents may begin alike: neither is judged by what stands of it.
    expect(partOf(`1.9.2026|${'9'.repeat(61)}|1000|1||||`)).toMatchObject({ amounts: null });
  });
});
