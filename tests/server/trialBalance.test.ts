import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { BroughtInList, EntryBody, TrialBalanceCheckBody } from '@ivory-ladder/contract';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, handIn, rehearse, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const shapes = join(dirname(fileURLToPath(import.meta.url)), '..', 'files');
const shape = (name: string) => new Uint8Array(readFileSync(join(shapes, name)));
/** Every file of tests/files holds the same trial balance of a small ferry company at 30 September 2026. */
const expected = [
  ['1000', 1250025],
  ['1200', 800000],
  ['1500', 10000000],
  ['1510', -2000000],
  ['2000', -550025],
  ['3000', -5000000],
  ['3100', -3000000],
  ['4000', -6000000],
  ['5000', 3500000],
  ['6000', 1000000],
];

const summary = ({ rows }: TrialBalanceCheckBody) => rows.filter(({ amount }) => amount !== '0').map(({ number, amount }) => [number, Number(amount)]);

describe('differently shaped files of one trial balance', () => {
  it.each([
    ['semicolons-windows-1252.csv', { separator: ';', encoding: 'windows-1252', decimalSign: ',', amounts: 'debit_and_credit' }],
    ['tabs-marks.tsv', { separator: '\t', encoding: 'utf-8', decimalSign: '.', amounts: 'marked' }],
    ['quotes-parentheses.csv', { separator: ',', encoding: 'utf-8', decimalSign: '.', amounts: 'signed' }],
    ['saldi-2026-09-30.txt', { separator: ';', encoding: 'utf-8', decimalSign: ',', amounts: 'signed' }],
    ['swiss-turnover.csv', { separator: ';', encoding: 'utf-8', decimalSign: '.', amounts: 'debit_and_credit' }],
  ] as const)('%s is understood without a correction', async (name, reading) => {
    const { id } = await createCompany(server);
    const rehearsal = await rehearse(server, id, await handIn(server, id, shape(name), name));
    expect({ ...rehearsal.format, decimalSign: rehearsal.decimalSign, amounts: rehearsal.amounts }).toMatchObject(reading);
    expect(summary(rehearsal)).toEqual(expected);
    expect([rehearsal.difference, rehearsal.problems, rehearsal.date]).toEqual(['0', [], '2026-09-30']);
    expect(rehearsal.leftOut.filter(({ reason }) => reason === 'total').length).toBe(name.startsWith('saldi') ? 0 : 1);
    const posted = await server.ok<{ posted: boolean }>('POST', `/companies/${id}/trial-balance-files/${rehearsal.fileId}/posting`, { confirmElements: true });
    expect(posted.posted).toBe(true);
  });

  it('a workbook is understood, its numbers taken as they are', async () => {
    const { id } = await createCompany(server);
    const workbook = new ExcelJS.Workbook();
    workbook.addWorksheet('Cover').addRow([]);
    const sheet = workbook.addWorksheet('Trial balance');
    sheet.addRow(['Small Ferries', null, 'at 30 September 2026']);
    sheet.addRow([]);
    sheet.addRow(['Account no.', 'Account name', 'Debit', 'Credit']);
    for (const [number, amount] of expected as [string, number][])
      sheet.addRow([Number(number), `Account ${number}`, amount > 0 ? amount / 100 : null, amount < 0 ? -amount / 100 : null]);
    sheet.addRow([null, 'Total', { formula: 'SUM(C4:C13)', result: 165500.25 }, { formula: 'SUM(D4:D13)', result: 165500.25 }]);
    const rehearsal = await rehearse(server, id, await handIn(server, id, new Uint8Array(await workbook.xlsx.writeBuffer()), 'tb.xlsx'));
    expect(rehearsal.format).toMatchObject({ kind: 'workbook', sheet: 'Trial balance', sheets: ['Cover', 'Trial balance'] });
    expect(summary(rehearsal)).toEqual(expected);
  });

  it('a correction of what the file was taken for is followed at once', async () => {
    const { id } = await createCompany(server);
    const fileId = await handIn(server, id, 'a;b;c\n1000;Bank;1,500.00\n3000;Capital;-1,500.00');
    expect((await rehearse(server, id, fileId)).blockers.map(({ code }) => code)).toContain('columns_missing');
    const columns = { number: 0, name: 1, amount: 2 };
    expect(summary(await rehearse(server, id, fileId, { headingRow: 1, columns, decimalSign: '.' }))).toEqual([
      ['1000', 150000],
      ['3000', -150000],
    ]);
    expect((await rehearse(server, id, fileId, { headingRow: 1, columns, decimalSign: ',' })).problems[0]).toMatchObject({
      code: 'amount_unreadable',
      row: 2,
    });
  });
});

describe('hopeless files', () => {
  it.each([
    ['a PDF renamed .csv', new TextEncoder().encode('%PDF-1.7\n%âãÏÓ\n1 0 obj'), { code: 'file_not_a_table', facts: { found: 'pdf' } }],
    ['a picture', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d), { code: 'file_not_a_table', facts: { found: 'picture' } }],
    ['binary', Uint8Array.from({ length: 300 }, (_, at) => at % 7), { code: 'file_not_a_table', facts: { found: 'binary' } }],
    ['spaces only', new TextEncoder().encode(' \n \n'), { code: 'file_not_a_table', facts: { found: 'empty' } }],
    [
      'a quote that is never closed',
      new TextEncoder().encode('Number,Name,Balance\n1,"Bank,5\n2,Cap,-5'),
      { code: 'file_unreadable', facts: { reason: 'quote_not_closed' } },
    ],
    ['a packed file that is no workbook', Uint8Array.of(0x50, 0x4b, 3, 4, 0, 0), { code: 'file_not_a_table', facts: { found: 'document' } }],
  ])('%s is refused with what it is', async (_name, content, problem) => {
    const { id } = await createCompany(server);
    const fileId = await handIn(server, id, content, 'tb.csv');
    expect(await server.refused('POST', `/companies/${id}/trial-balance-files/${fileId}/rehearsal`, {})).toMatchObject(problem);
  });

  it('a file with errors is refused whole and nothing is half-applied', async () => {
    const { id } = await createCompany(server);
    const fileId = await handIn(server, id, 'Number,Name,Element,Balance\n1,Bank,asset,1x\n3,Capital,equity,-5');
    const refused = await server.refused('POST', `/companies/${id}/trial-balance-files/${fileId}/posting`, { date: '2026-09-30', confirmElements: true });
    expect(refused).toMatchObject({ status: 422, code: 'posting_blocked' });
    expect(await server.ok('GET', `/companies/${id}`)).toMatchObject({ accounts: 0, revision: 0, years: [] });
  });

  it('a file out of balance is not posted', async () => {
    const { id } = await createCompany(server);
    const fileId = await handIn(server, id, 'Number,Name,Element,Balance\n1,Bank,asset,6\n3,Capital,equity,-5');
    expect((await rehearse(server, id, fileId, { date: '2026-09-30' })).difference).toBe('100');
    expect(await server.refused('POST', `/companies/${id}/trial-balance-files/${fileId}/posting`, { date: '2026-09-30' })).toMatchObject({
      facts: { blockers: [{ code: 'out_of_balance', count: 1 }] },
    });
  });
});

const file = (bank: number, retained: number, sales: number, wages: number) =>
  `Number,Name,Element,Category,Balance\n1,Bank,asset,Cash,${bank}\n3,Retained earnings,equity,Retained earnings,${retained}\n4,Sales,income,Sales,${sales}\n5,Wages,expense,Wages,${wages}`;
const files = [
  ['2025-06-30', file(40, 0, -60, 20)],
  ['2025-12-31', file(100, 0, -150, 50)],
  ['2026-03-31', file(130, -100, -60, 30)],
] as const;

async function statementsAfter(order: readonly number[]) {
  const { id } = await createCompany(server);
  for (const at of order) await bringIn(server, id, files[at]?.[1] ?? '', { date: files[at]?.[0] ?? '', retainedEarnings: '3' });
  const shown = [];
  for (const [from, to] of [
    ['2025-01-01', '2025-06-30'],
    ['2025-01-01', '2025-09-30'],
    ['2025-01-01', '2025-12-31'],
    ['2025-07-01', '2025-12-31'],
    ['2026-01-01', '2026-03-31'],
    ['2026-01-01', '2026-02-28'],
  ] as const)
    for (const kind of ['balance-sheet', 'income-statement'] as const)
      shown.push([to, kind, figures(await statement(server, id, kind, from, to, '&detail=accounts'))]);
  return shown;
}

describe('several trial balances', () => {
  it('give the same statements in any order', async () => {
    const inOrder = await statementsAfter([0, 1, 2]);
    for (const order of [
      [2, 1, 0],
      [1, 2, 0],
      [2, 0, 1],
      [0, 2, 1],
      [1, 0, 2],
    ])
      expect(await statementsAfter(order), order.join()).toEqual(inOrder);
  });

  it('the same file twice posts nothing and says so', async () => {
    const { id } = await createCompany(server);
    expect((await bringIn(server, id, files[1][1], { date: files[1][0] })).posted).toBe(true);
    const fileId = await handIn(server, id, files[1][1]);
    expect(await rehearse(server, id, fileId, { date: files[1][0] })).toMatchObject({ nothingToPost: true, entries: [], blockers: [] });
    expect(await bringIn(server, id, files[1][1], { date: files[1][0] })).toMatchObject({ posted: false, entries: [], revision: 1 });
    expect((await server.ok<BroughtInList>('GET', `/companies/${id}/trial-balance-files`)).files.length).toBe(1);
  });

  it('a corrected file posts only its difference', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, files[1][1], { date: files[1][0] });
    const posted = await bringIn(server, id, file(110, 0, -160, 50), { date: files[1][0] });
    const entry = await server.ok<EntryBody>('GET', `/companies/${id}/entries/${posted.entries[0]?.entryId}`);
    expect(entry.lines.map(({ number, debit, credit }) => [number, debit, credit])).toEqual([
      ['1', '1000', '0'],
      ['4', '0', '1000'],
    ]);
  });

  it('the file that another takes the place of is named, with who posted it, until it is taken back', async () => {
    const { id } = await createCompany(server);
    const first = await rehearse(server, id, await handIn(server, id, files[1][1]), { date: files[1][0] });
    expect([first.begins, first.replaces]).toEqual([true, []]);
    await bringIn(server, id, files[1][1], { date: files[1][0] }, 'as-first-sent.csv');
    const corrected = await handIn(server, id, file(110, 0, -160, 50), 'corrected.csv');
    const sameDay = await rehearse(server, id, corrected, { date: files[1][0] });
    expect([sameDay.begins, sameDay.replaces.map(({ fileName }) => fileName)]).toEqual([false, ['as-first-sent.csv']]);
    expect(sameDay.replaces[0]?.postedBy).toBe((await server.ok<BroughtInList>('GET', `/companies/${id}/trial-balance-files`)).files[0]?.postedBy);
    // Of another day it takes no place, and before the first balances it begins them.
    expect((await rehearse(server, id, corrected, { date: '2026-03-31' })).replaces).toEqual([]);
    const before = await rehearse(server, id, corrected, { date: '2025-06-30' });
    expect([before.begins, before.replaces]).toEqual([true, []]);
    const { files: brought } = await server.ok<BroughtInList>('GET', `/companies/${id}/trial-balance-files`);
    await server.ok('POST', `/companies/${id}/trial-balances/${brought[0]?.id}/taking-back`, {});
    expect((await rehearse(server, id, corrected, { date: files[1][0] })).replaces).toEqual([]);
  });

  it('a day far from the one that the file names, or beyond the years in sight, is asked about before anything is posted', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, files[1][1], { date: files[1][0] });
    const named = await handIn(server, id, file(110, 0, -160, 50), 'balances at 2026-03-31.csv');
    const asked = async (date: string, confirmedDay?: string) => {
      const { unusualDay, blockers } = await rehearse(server, id, named, { date, confirmElements: true, ...(confirmedDay ? { confirmedDay } : {}) });
      return [unusualDay, blockers.map(({ code }) => code).includes('day_unusual')];
    };
    expect(await asked('2026-04-30')).toEqual([null, false]);
    expect(await asked('2027-03-31')).toEqual([{ fileDay: '2026-03-31', years: 0 }, true]);
    expect(await asked('2027-03-31', '2027-03-31')).toEqual([{ fileDay: '2026-03-31', years: 0 }, false]);
    // Confirmed for another day, it is asked anew.
    expect(await asked('2028-03-31', '2027-03-31')).toEqual([{ fileDay: '2026-03-31', years: 3 }, true]);
    const plain = await handIn(server, id, file(110, 0, -160, 50));
    const years = async (date: string) => (await rehearse(server, id, plain, { date })).unusualDay?.years ?? 0;
    expect([await years('2027-12-31'), await years('2028-12-31'), await years('2035-12-31'), await years('2023-12-31'), await years('2022-12-31')]).toEqual([
      0, 3, 10, 0, 3,
    ]);
    const refused = await server.call('POST', `/companies/${id}/trial-balance-files/${plain}/posting`, { date: '2036-12-31', confirmElements: true });
    expect(refused).toMatchObject({ status: 422, body: { code: 'posting_blocked', facts: { blockers: [{ code: 'day_unusual', count: 1 }] } } });
  });

  it('what will be posted is shown first, with the later balances that are kept', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, files[2][1], { date: files[2][0], retainedEarnings: '3' });
    const rehearsal = await rehearse(server, id, await handIn(server, id, files[1][1]), { date: files[1][0] });
    expect(rehearsal.entries.map(({ day, purpose, lines }) => [day, purpose, lines.length])).toEqual([
      ['2025-12-31', 'differences', 3],
      ['2026-03-31', 'keeps_later_balance', 2],
    ]);
    expect(rehearsal.newAccounts).toBe(0);
  });

  it('accounts that the file lacks count as nil, or are left alone only while they add to zero', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, `${files[1][1]}\n2,Loan,liability,Loans,-7\n12,Deposit,asset,Cash,7`, { date: files[1][0] });
    const fileId = await handIn(server, id, files[1][1]);
    const nil = await rehearse(server, id, fileId, { date: files[1][0] });
    expect([nil.missing.map(({ number, amount }) => [number, amount]), nil.missingSum]).toEqual([
      [
        ['2', '-700'],
        ['12', '700'],
      ],
      '0',
    ]);
    expect(nil.entries[0]?.lines.map(({ number, amount }) => [number, amount])).toEqual([
      ['2', '700'],
      ['12', '-700'],
    ]);
    expect(await rehearse(server, id, fileId, { date: files[1][0], missing: 'left_alone' })).toMatchObject({ nothingToPost: true, blockers: [] });
    const lacksOne = await handIn(server, id, `${files[1][1]}\n12,Deposit,asset,Cash,0`);
    expect((await rehearse(server, id, lacksOne, { date: files[1][0], missing: 'left_alone' })).blockers).toEqual([
      { code: 'left_alone_out_of_balance', count: 1 },
    ]);
  });

  it('adjustments stay on top, are listed, and can be withdrawn', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, files[1][1], { date: files[1][0] });
    const accounts = (await server.ok<{ accounts: { id: number; number: string }[] }>('GET', `/companies/${id}/placement?from=2025-01-01&to=2025-12-31`))
      .accounts;
    const idOf = (number: string) => accounts.find((account) => account.number === number)?.id ?? 0;
    const { entryId } = await server.ok<{ entryId: number }>('POST', `/companies/${id}/entries`, {
      date: '2025-12-31',
      description: 'Accrued wages',
      layer: 'adjustment',
      lines: [
        { accountId: idOf('5'), debit: '400' },
        { accountId: idOf('1'), credit: '400' },
      ],
    });
    const fileId = await handIn(server, id, files[1][1]);
    const rehearsal = await rehearse(server, id, fileId, { date: files[1][0] });
    expect(rehearsal.adjustments).toEqual([expect.objectContaining({ entryId, description: 'Accrued wages', amount: '400' })]);
    expect(rehearsal.nothingToPost).toBe(true);
    const profit = async () => figures(await statement(server, id, 'income-statement', '2025-01-01', '2025-12-31')).at(-1)?.[1];
    expect(await profit()).toBe(9600);
    await server.ok('POST', `/companies/${id}/trial-balance-files/${fileId}/posting`, { date: files[1][0], withdraw: [entryId] });
    expect(await profit()).toBe(10000);
    expect((await rehearse(server, id, fileId, { date: files[1][0] })).adjustments).toEqual([]);
  });

  it('a file taken after closing keeps the profit of its year and closes it beside', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, file(80, 0, -120, 40), { date: '2025-11-30', retainedEarnings: '3' });
    const posted = await bringIn(server, id, file(80, -80, 0, 0), { date: '2025-12-31' });
    expect(posted.entries.length).toBe(1);
    const entry = await server.ok<EntryBody>('GET', `/companies/${id}/entries/${posted.entries[0]?.entryId}`);
    expect(entry.closesYear).toBe(2025);
    expect(figures(await statement(server, id, 'income-statement', '2025-01-01', '2025-12-31')).at(-1)).toEqual(['Profit for the period', 8000, 0, 8000, null]);
  });
});

describe('a repeated request', () => {
  it('with the same key answers what the first one did and posts once', async () => {
    const { id } = await createCompany(server);
    const fileId = await handIn(server, id, files[1][1]);
    const post = (date: string) =>
      server.call<{ revision: number }>(
        'POST',
        `/companies/${id}/trial-balance-files/${fileId}/posting`,
        { date, confirmElements: true },
        { 'Idempotency-Key': 'one' },
      );
    const [first, second] = await Promise.all([post('2025-12-31'), post('2025-12-31')]);
    expect([first.status, second.status, second.body]).toEqual([200, 200, first.body]);
    expect((await post('2025-12-31')).body).toEqual(first.body);
    expect((await server.ok<{ revision: number }>('GET', `/companies/${id}`)).revision).toBe(1);
    expect((await post('2025-11-30')).body).toMatchObject({ code: 'idempotency_key_reused' });
  });
});
