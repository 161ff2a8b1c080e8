import type { StatementBody } from '@ivory-ladder/contract';
import type { StatementDocument } from '@ivory-ladder/core';
import { canonicalJson, contentDigest, printSet, readDocument, writeDocument, writeStatementCsv, writeStatementWorkbook } from '@ivory-ladder/server';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { notAddingIn } from '../support/printedSums.ts';
import { readPdf } from '../support/readPdf.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let path: string;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  path = `/companies/${await server.companyId()}`;
});
afterAll(() => server.stop());

async function file(asked: string): Promise<Uint8Array> {
  const response = await fetch(`${server.url}/api${path}/statements/${asked}`, { headers: { Cookie: server.cookie } });
  expect(response.status, asked).toBe(200);
  return new Uint8Array(await response.arrayBuffer());
}

async function kept(asked: string): Promise<StatementDocument> {
  const read = readDocument(await file(asked));
  if (!read.ok) throw new Error(JSON.stringify(read.failure));
  return read.value;
}

const year = 'from=2026-01-01&to=2026-12-31';
const kinds = ['balance-sheet', 'income-statement', 'cash-flow', 'changes-in-equity', 'trial-balance'] as const;

/** Values of cells and their formulas, sheet by sheet. */
async function cellsOf(content: Uint8Array): Promise<unknown> {
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(Buffer.from(content) as unknown as ArrayBuffer);
  return book.worksheets.map((sheet) => {
    const cells: unknown[] = [];
    sheet.eachRow((row, number) => row.eachCell((cell, column) => cells.push([number, column, cell.formula ?? null, cell.value, cell.numFmt])));
    return [sheet.name, cells];
  });
}

describe('a statement as a value', () => {
  it('is what the screen shows, and all rows down to accounts', async () => {
    const shown = await server.ok<StatementBody>('GET', `${path}/statements/income-statement?${year}&scale=thousands&plan=quarters`);
    const { content, view } = await kept(`income-statement/document?${year}&scale=thousands&plan=quarters`);
    expect(view.rows.map(({ caption }) => caption)).toEqual(shown.rows.map(({ caption }) => caption));
    const byKey = new Map(content.rows.flatMap((row) => (row.exact ? [[row.key, row] as const] : [])));
    for (const { key, role, values } of shown.rows)
      if (role !== 'heading') expect([key, byKey.get(key)?.printed ?? byKey.get(key)?.exact], key).toEqual([key, values]);
    expect(content.rows.filter(({ role }) => role === 'account').length).toBeGreaterThan(20);
    expect(shown.rows.some(({ role }) => role === 'account')).toBe(false);
  });

  it('has one digest for what it says, whatever is open, and another for another figure or word', async () => {
    const ofDetail = async (more: string) => contentDigest(await kept(`balance-sheet/document?${year}${more}`));
    const whole = await ofDetail('&detail=2');
    expect(await ofDetail('&detail=1')).toBe(whole);
    expect(await ofDetail('&detail=accounts')).toBe(whole);
    expect(await ofDetail('&detail=2&scale=thousands')).not.toBe(whole);
    expect(await ofDetail('&detail=2&language=nb')).not.toBe(whole);
  });

  it('is printed so that no comment stands on a page without lines of the statement, wherever its last line comes to stand', async () => {
    const document = await kept(`income-statement/document?${year}&detail=accounts`);
    const { view } = document;
    const at = view.rows.findIndex(({ role }) => role === 'line');
    const text = 'Fuel was dear. '.repeat(20);
    const comments = [{ partKey: 'print', lineKey: view.rows[at]?.key ?? '', day: '2026-12-31', text, version: 1, by: 'Asta Holm', at: '2026-12-31 10:00:00' }];
    let isTurned = false;
    for (let count = 37; count <= 46; count++) {
      const { content } = await printSet({
        name: 'Print',
        company: document.content.company,
        span: { firstDay: '2026-01-01', lastDay: '2026-12-31' },
        language: 'en',
        isUnfinished: false,
        statements: [{ document: { ...document, view: { ...view, rows: view.rows.slice(0, count) } }, comments }],
      });
      const pages = await readPdf(new Uint8Array(content as Buffer));
      const page = pages.find(({ lines }) => lines.includes('Comments'));
      const before = page?.lines.slice(0, page.lines.indexOf('Comments')) ?? [];
      expect(
        before.some((line) => / \(?[\d,]+\.\d\d\b/.test(line)),
        `${count} rows`,
      ).toBe(true);
      const rows = before.filter((line) => /\.\d\d\b/.test(line)).length;
      // Where the comments are the first that have no room, the last lines go along; later some lines are there by themselves.
      if (pages.length > 2 && !isTurned) expect(rows, `${count} rows`).toBeGreaterThanOrEqual(6);
      isTurned = pages.length > 2;
    }
    expect(isTurned).toBe(true);
  });

  it('is exported from its stored JSON alone, after chart, layout and ledger have changed', async () => {
    const { layouts } = await server.ok<{ layouts: { id: number; name: string; inUse: number | null }[] }>('GET', `${path}/layouts`);
    const indicators = layouts.find(({ name }) => name === 'Indicators');
    const plan = `&plan=composed&definition=${encodeURIComponent(JSON.stringify(ratios))}`;
    const asked = [
      ...kinds.map((kind) => [kind, '&scale=thousands&detail=accounts']),
      [`layout-${indicators?.id}`, '&detail=2'],
      ['income-statement', plan],
    ] as const;
    const before: { readonly json: Uint8Array; readonly csv: Uint8Array; readonly cells: unknown; readonly pdf: number }[] = [];
    for (const [kind, more] of asked) {
      const [json, csv, book] = [
        await file(`${kind}/document?${year}${more}`),
        await file(`${kind}/csv?${year}${more}`),
        await file(`${kind}/workbook?${year}${more}`),
      ];
      before.push({ json, csv, cells: await cellsOf(book), pdf: await pagesOf(documentIn(json)) });
    }
    const { accounts } = await server.ok<{ accounts: { id: number; number: string; name: string; version: number }[] }>('GET', `${path}/chart?${year}`);
    const named = accounts.find(({ number }) => number === '1000');
    await server.ok('PATCH', `${path}/accounts/${named?.id}`, { version: named?.version, name: 'Renamed since' });
    await server.ok('POST', `${path}/entries`, {
      date: '2026-09-30',
      lines: [
        { accountId: named?.id, debit: '123457' },
        { accountId: accounts.find(({ number }) => number === '4000')?.id ?? accounts.find(({ number }) => number.startsWith('4'))?.id, credit: '123457' },
      ],
    });
    await server.ok('DELETE', `${path}/layouts/${indicators?.id}`);
    for (const [at, { json, csv, cells, pdf }] of before.entries()) {
      const document = documentIn(json);
      expect(Buffer.from(writeStatementCsv(document).content as Buffer).equals(Buffer.from(csv)), asked[at]?.join()).toBe(true);
      expect(await cellsOf((await writeStatementWorkbook(document)).content)).toEqual(cells);
      expect(await pagesOf(document)).toBe(pdf);
      expect(Buffer.from(writeDocument(document).content as Buffer).equals(Buffer.from(json))).toBe(true);
    }
    // The same asked for today says something else.
    expect(contentDigest(await kept(`balance-sheet/document?${year}&scale=thousands&detail=accounts`))).not.toBe(
      contentDigest(documentIn(before[0]?.json as Uint8Array)),
    );
  });

  it('is refused where a digit of it was changed, where it is of a later version, and where it is no document', async () => {
    const text = new TextDecoder().decode(await file(`balance-sheet/document?${year}`));
    const refused = (changed: string) => {
      const read = readDocument(new TextEncoder().encode(changed));
      return read.ok ? null : read.failure;
    };
    expect(refused(text)).toBeNull();
    const figure = /"exact":\["(\d)/.exec(text)?.[1] as string;
    const other = text.replace(`"exact":["${figure}`, `"exact":["${figure === '9' ? '8' : '9'}`);
    expect(refused(other)).toMatchObject({ code: 'document_changed' });
    expect(refused(text.replace(/"version":1\b/, '"version":2'))).toEqual({ code: 'document_newer', version: 2, known: 1 });
    expect(refused(text.replace('"title":', '"titel":'))).toMatchObject({ code: 'document_unreadable', at: 'content.title' });
    expect(refused('{')).toEqual({ code: 'document_unreadable', at: '' });
    expect(refused('null')).toMatchObject({ code: 'document_unreadable' });
  });

  it('is written in canonical JSON (RFC 8785, 3.2.2 and 3.2.3; from memory)', () => {
    const sample = String.raw`{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],"string":"\u20ac$\u000F\u000aA'\u0042\u0022\u005c\\\"\/","literals":[null,true,false]}`;
    expect(canonicalJson(JSON.parse(sample))).toBe(
      String.raw`{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\u000f\nA'B\"\\\\\"/"}`,
    );
    const keys = { '\u20ac': 1, '\r': 2, '\ufb33': 3, '1': 4, '\ud83d\ude00': 5, '\u0080': 6, '\u00f6': 7 };
    expect(Object.values(JSON.parse(canonicalJson(keys)) as Record<string, number>).sort()).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(canonicalJson(keys)).toBe('{"\\r":2,"1":4,"\u0080":6,"\u00f6":7,"\u20ac":1,"\ud83d\ude00":5,"\ufb33":3}');
    expect(() => canonicalJson({ text: 'a\ud800' })).toThrow();
    expect(canonicalJson({ text: 'typed \\ud800' })).toBe('{"text":"typed \\\\ud800"}');
  });
});

describe('printed figures of the demo', () => {
  it.each(kinds.flatMap((kind) => ['units', 'thousands', 'millions'].map((scale) => [kind, scale] as const)))(
    'of the %s in %s add down and across; what does not is listed',
    async (kind, scale) => {
      const plans =
        kind === 'balance-sheet' || kind === 'trial-balance'
          ? ['']
          : ['', '&plan=periods', '&plan=quarters', `&plan=composed&definition=${encodeURIComponent(JSON.stringify(byVessel))}`];
      for (const plan of plans) {
        // Columns of changes in equity are its categories.
        if (kind === 'changes-in-equity' && plan.includes('composed')) continue;
        const document = await kept(`${kind}/document?${year}&scale=${scale}&detail=accounts${plan}`);
        expect(notAddingIn(document), `${kind} ${plan.slice(0, 20)}`).toEqual([]);
      }
    },
  );
});

const amounts = { kind: 'amounts', heading: '', group: '', budgetId: null, measure: 'own', facets: {}, withoutAdjustments: false, repeat: null };
const run = { base: 'run', periods: 1, moved: { by: 0, unit: 'years' }, firstDay: '', lastDay: '' };
const ratios = {
  columns: [
    { ...amounts, key: 'now', period: run },
    { ...amounts, key: 'before', period: { ...run, moved: { by: -1, unit: 'years' } } },
    { kind: 'change', key: 'change', heading: '', group: '', of: 'now', against: 'before' },
    { kind: 'share', key: 'share', heading: '', group: '', of: 'now', line: 'profit' },
    { kind: 'calculation', key: 'mean', heading: '', group: '', formula: '(now + before) / 2', result: 'amount' },
  ],
};
const byVessel = { columns: [{ ...amounts, key: 'all', period: run, repeat: 'facet:2' }] };

function documentIn(json: Uint8Array): StatementDocument {
  const read = readDocument(json);
  if (!read.ok) throw new Error(JSON.stringify(read.failure));
  return read.value;
}

/** Bytes of a print, which has its time of making and an id in it: how long it is tells whether the same is on it. */
async function pagesOf(document: StatementDocument): Promise<number> {
  const { company, language, firstDay, lastDay } = document.content;
  const printed = await printSet({
    name: 'Kept',
    company,
    span: { firstDay, lastDay },
    language,
    statements: [{ document, comments: [] }],
    isUnfinished: false,
  });
  return (
    Buffer.from(printed.content as Buffer)
      .toString('latin1')
      .match(/\/Type \/Page\b/g) ?? []
  ).length;
}
