import type { CodeListBody, EntryBody, EntryList, JournalImport, JournalLook, JournalPosting } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const heading = 'Date;Document;Account;Debit;Credit;Text;Vessel;Layer';
const sale = ['30.09.2026;17;1000;1.250,00;;;;', '30.09.2026;17;4000;;1.250,00;Tickets;gull;'];
const insurance = ['15.09.2026;18;6200;70,00;;Hull;;', '15.09.2026;18;1000;;70,00;;;'];

async function open() {
  const shop = await openShop(server);
  const imports = `${shop.path}/journal-imports`;
  const vessel = await server.ok<CodeListBody>('POST', `${shop.path}/code-lists`, {
    kind: 'facet',
    name: 'Vessel',
    codes: [
      { code: 'TERN', caption: '' },
      { code: 'GULL', caption: '' },
    ],
  });
  await shop.change('6200', { codes: { [vessel.key]: 'TERN' } });
  const look = (content: string) => server.ok<JournalLook>('POST', `${shop.path}/journal-looks`, new TextEncoder().encode(content));
  const begin = async (content: string, name = 'journal.csv') => {
    const { reading, separator, encoding } = await look(content);
    return server.ok<{ id: number }>('POST', imports, { name, bytes: new TextEncoder().encode(content).length, separator, encoding, reading });
  };
  const read = async (lines: readonly string[]) => {
    const content = [heading, ...lines].join('\r\n');
    const { id } = await begin(content);
    return server.ok<JournalImport>('POST', `${imports}/${id}/content`, new TextEncoder().encode(content));
  };
  const post = (id: number, key = String(id)) =>
    server.call<JournalPosting & { code: string }>('POST', `${imports}/${id}/posting`, undefined, { 'Idempotency-Key': key });
  return { ...shop, vessel, imports, look, begin, read, post };
}

describe('journal lines from a file', () => {
  it('are looked at, read, and posted as one entry for each document, with the facet values of their accounts', async () => {
    const shop = await open();
    const { reading, separator } = await shop.look([heading, ...sale].join('\n'));
    expect([separator, reading]).toEqual([
      ';',
      {
        headingRow: 0,
        columns: { date: 0, document: 1, account: 2, debit: 3, credit: 4, text: 5, layer: 7 },
        facets: { [shop.vessel.key]: 6 },
        decimalSign: ',',
        dateOrder: 'dmy',
      },
    ]);
    // Lines of a document need not stand together.
    const found = await shop.read([sale[0] as string, ...insurance, '', sale[1] as string]);
    expect(found).toMatchObject({
      state: 'ready',
      rows: 6,
      summary: { entries: 2, lines: 4, known: 0, debit: '132000', firstDay: '2026-09-15', lastDay: '2026-09-30', adjustments: 0, faultCount: 0 },
    });
    const before = await shop.totals();
    const { body } = await shop.post(found.id);
    expect(body).toMatchObject({ entries: 2, lines: 4 });
    expect(Number(body.lastDocument)).toBe(Number(body.firstDocument) + 1);
    expect(await shop.totals()).not.toEqual(before);
    const { entries } = await server.ok<EntryList>('GET', `${shop.path}/entries?from=2026-09-01`);
    const entry = await server.ok<EntryBody>('GET', `${shop.path}/entries/${entries.find(({ documentNumber }) => documentNumber === body.firstDocument)?.id}`);
    expect([
      entry.date,
      entry.source,
      entry.originDocument,
      entry.lines.map(({ number, debit, credit, text, facets }) => [number, debit, credit, text, facets]),
    ]).toEqual([
      '2026-09-15',
      'import',
      '18',
      [
        ['6200', '7000', '0', 'Hull', { [shop.vessel.key]: 'TERN' }],
        ['1000', '0', '7000', '', {}],
      ],
    ]);
    // A repeated request posts nothing more.
    expect((await shop.post(found.id)).body).toEqual(body);
    expect((await shop.post(found.id, 'another')).body).toMatchObject({ code: 'journal_not_ready' });
  });

  it('keep balances equal to lines, also where balances stood before', async () => {
    const shop = await open();
    for (const lines of [insurance, sale]) await shop.post((await shop.read(lines)).id);
    const { proofs } = await server.ok<{ proofs: { name: string; state: string }[] }>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.find(({ name }) => name === 'balances_from_lines')?.state).toBe('holds');
    expect(proofs.find(({ name }) => name === 'trial_balance')?.state).toBe('holds');
    expect((await shop.find('6200')).amount).toBe('37000');
  });

  it('are refused whole where a row is wrong, each with its row and what is wrong; nothing stays', async () => {
    const shop = await open();
    const { state, summary, id } = await shop.read([
      ...sale,
      'soon;19;1000;1;;;;',
      '30.09.2026;19;9999;;1;;;',
      '30.09.2026;19;6200;;1;;swan;',
      '01.01.2019;20;1000;1;;;;',
    ]);
    expect([state, summary?.faultCount, summary?.faults]).toEqual([
      'wrong',
      5,
      [
        { row: 4, code: 'date_unreadable', facts: { found: 'soon' } },
        { row: 5, code: 'account_unknown', facts: { found: '9999' } },
        { row: 6, code: 'facet_value_unknown', facts: { facet: 'Vessel', value: 'swan' } },
        { row: 7, code: 'day_outside_calendar', facts: { found: '2019-01-01' } },
        // Of document 19 a row cannot be read, so that nothing is said of what it comes to.
        { row: 7, code: 'entry_of_one_line', facts: { document: '20', date: '2019-01-01', difference: '100' } },
      ],
    ]);
    expect((await shop.post(id)).body).toMatchObject({ code: 'journal_not_ready' });
    expect((await shop.read(sale)).state).toBe('ready');
  });

  it('tell all in one pass, by what mends it: a year that is missing, an account, documents that do not balance', async () => {
    const shop = await open();
    const lines = [
      ...[1, 2, 3].flatMap((month) => [`0${month}.01.2027;${month};1000;5;;;;`, `0${month}.01.2027;${month};4000;;${month === 3 ? 4 : 5};;;`]),
      // Of a year that is missing, and on an account that is.
      '04.01.2027;4;8888;3;;;;',
      '04.01.2027;4;1000;;3;;;',
      '30.09.2026;50;9999;7;;;;',
      '30.09.2026;50;4000;;7;;;',
      '30.09.2026;51;9999;2;;;;',
      '30.09.2026;51;4000;;1;;;',
    ];
    const { state, summary } = await shop.read(lines);
    expect([state, summary?.faultCount]).toEqual(['wrong', 13]);
    expect(summary?.groups).toEqual([
      { row: 2, code: 'day_outside_calendar', facts: { found: '2027-01-01', year: '2027', mayMake: true }, count: 8 },
      { row: 6, code: 'entry_out_of_balance', facts: { document: '3', date: '2027-01-03', difference: '100' }, count: 2 },
      { row: 8, code: 'account_unknown', facts: { found: '8888' }, count: 1 },
      { row: 10, code: 'account_unknown', facts: { found: '9999' }, count: 2 },
    ]);
    // Mended one by one, the same file is good.
    await server.ok('POST', `${shop.path}/years`, { day: '2027-01-01' });
    for (const number of ['8888', '9999']) await shop.add({ number });
    const mended = lines.map((line) => line.replace(';;4;', ';;5;').replace('51;9999;2', '51;9999;1'));
    const again = await shop.read(mended);
    expect([again.state, again.summary?.entries, again.summary?.groups]).toEqual(['ready', 6, []]);
    expect((await shop.post(again.id)).body).toMatchObject({ entries: 6, lines: 12 });
  });

  it('count every row of a kind, also beyond those that are told one by one', async () => {
    const shop = await open();
    const rows = Array.from({ length: 450 }, (_, at) => `15.09.2026;${at};77${at % 3};1;;;;`);
    const { summary } = await shop.read(rows);
    // Each is a document of its own, of one line.
    expect(summary?.faultCount).toBe(900);
    expect(summary?.faults.length).toBe(200);
    expect(summary?.groups.map(({ code, count, facts }) => [code, facts.found ?? null, count])).toEqual([
      ['account_unknown', '770', 150],
      ['entry_of_one_line', null, 450],
      ['account_unknown', '771', 150],
      ['account_unknown', '772', 150],
    ]);
  });

  it('are refused where an entry is out of balance, of one line, or stands on two layers', async () => {
    const shop = await open();
    const { state, summary } = await shop.read([
      '30.09.2026;17;1000;10;;;;',
      '30.09.2026;17;4000;;9;;;',
      '30.09.2026;18;1000;5;;;;adjustment',
      '30.09.2026;18;4000;;5;;;ledger',
    ]);
    expect(state).toBe('wrong');
    expect(summary?.faults.map(({ row, code, facts }) => [row, code, facts.document, facts.difference])).toEqual([
      [2, 'entry_out_of_balance', '17', '100'],
      [4, 'entry_of_one_line', '18', '500'],
      [5, 'entry_of_one_line', '18', '-500'],
    ]);
  });

  it('of documents that came before are left out; the same document with other amounts is pointed out', async () => {
    const shop = await open();
    await shop.post((await shop.read(sale)).id);
    const again = await shop.read([...sale, ...insurance]);
    expect(again).toMatchObject({ state: 'ready', summary: { entries: 1, lines: 2, known: 1, debit: '7000' } });
    expect(await shop.read(sale)).toMatchObject({ state: 'wrong', summary: { entries: 0, known: 1, faultCount: 0 } });
    const other = await shop.read(['30.09.2026;17;1000;3;;;;', '30.09.2026;17;4000;;3;;;']);
    expect([other.state, other.summary?.faults.map(({ code, facts }) => [code, facts.document])]).toEqual(['wrong', [['entry_known_otherwise', '17']]]);
    // What was reversed may come again, mended.
    const { entries } = await server.ok<EntryList>('GET', `${shop.path}/entries?text=17`);
    await server.ok('POST', `${shop.path}/entries/${entries.find(({ source }) => source === 'import')?.id}/reversal`, { date: '2026-09-30' });
    expect(await shop.read(['30.09.2026;17;1000;3;;;;', '30.09.2026;17;4000;;3;;;'])).toMatchObject({ state: 'ready', summary: { entries: 1, known: 0 } });
    // Two imports of one document, both read before either was posted.
    const second = await shop.read(insurance);
    await shop.post(again.id);
    expect((await shop.post(second.id)).body).toMatchObject({ code: 'ledger_moved_on' });
  });

  it('are refused by a period that was locked after they were read', async () => {
    const shop = await open();
    const { id } = await shop.read(sale);
    await server.ok('POST', `${shop.path}/period-locks`, { year: 2026, number: 9, reason: 'closed' });
    expect((await shop.post(id)).body).toMatchObject({ code: 'period_locked' });
    expect((await shop.read(sale)).summary?.faults[0]).toMatchObject({ row: 2, code: 'period_locked' });
  });

  it('are discarded, read once only, and an unreadable file says so', async () => {
    const shop = await open();
    const { id } = await shop.read(sale);
    expect((await server.call('DELETE', `${shop.imports}/${id}`)).status).toBe(204);
    expect((await shop.post(id)).body).toMatchObject({ code: 'journal_not_ready' });
    expect(await server.refused('POST', `${shop.imports}/${id}/content`, new TextEncoder().encode('x'))).toMatchObject({ code: 'journal_not_ready' });
    expect(await shop.read(['30.09.2026;17;1000;"1'])).toMatchObject({ state: 'wrong', summary: { faults: [{ code: 'quote_not_closed' }] } });
    expect(await server.refused('POST', `${shop.path}/journal-looks`, new TextEncoder().encode('%PDF-1.7'))).toMatchObject({ code: 'file_not_a_table' });
    const empty = new TextDecoder().decode(await server.bytes(`${shop.path}/empty-lines-file`));
    expect(empty.split('\r\n')[0]).toBe('Date,Document,Description,Account,Debit,Credit,Amount,Text,Layer,Vessel');
  });

  it('stop being read once somebody discards them, or whoever sends them goes away; nothing stays', async () => {
    const shop = await open();
    const rows = Array.from({ length: 400 }, (_, at) => `30.09.2026;C${at >> 1};${at % 2 === 0 ? '1000;1;' : '4000;;1'};;;`);
    const part = new TextEncoder().encode(`${[heading, ...rows].join('\n')}\n`);
    const send = (id: number, between: () => Promise<unknown>, signal?: AbortSignal) => {
      let parts = 0;
      const body = new ReadableStream({
        async pull(controller) {
          if (parts++ > 0) await between();
          if (parts > 3) controller.close();
          else controller.enqueue(part);
        },
      });
      const headers = { 'X-Ivory-Ladder': '1', Origin: server.url, Cookie: server.cookie, 'Content-Type': 'application/octet-stream' };
      return fetch(`${server.url}/api${shop.imports}/${id}/content`, {
        method: 'POST',
        headers,
        body,
        duplex: 'half',
        ...(signal ? { signal } : {}),
      } as RequestInit);
    };
    const pause = () => new Promise((resolve) => setTimeout(resolve, 700));
    const whole = new TextDecoder().decode(part).repeat(3);
    const discarded = await shop.begin(whole);
    let isDiscarded = false;
    const answer = await send(discarded.id, async () => {
      await pause();
      if (!isDiscarded) await server.call('DELETE', `${shop.imports}/${discarded.id}`);
      isDiscarded = true;
    });
    expect([answer.status, await answer.json()]).toMatchObject([409, { code: 'journal_not_ready', facts: { state: 'cancelled' } }]);

    const left = await shop.begin(whole);
    const leaving = new AbortController();
    await send(
      left.id,
      async () => {
        await pause();
        leaving.abort();
      },
      leaving.signal,
    ).catch(() => undefined);
    await expect.poll(async () => (await server.ok<JournalImport>('GET', `${shop.imports}/${left.id}`)).state).toBe('cancelled');
    for (const { id } of [discarded, left]) expect((await shop.post(id)).body).toMatchObject({ code: 'journal_not_ready' });
    expect((await shop.read(sale)).state).toBe('ready');
  });

  it('come in tens of thousands with texts of every kind, and each amount once', async () => {
    const shop = await open();
    const lines: string[] = [];
    for (let at = 1; at <= 10_000; at++) {
      const day = `2026-0${1 + (at % 9)}-${String(1 + (at % 28)).padStart(2, '0')}`;
      lines.push(`${day};D${at};1000;${at}.01;;"a\\tb ""q"" ; \\";;`, `${day};D${at};4000;;${at}.01;"naïve → ✓";tern;`);
    }
    const found = await shop.read(lines);
    expect(found).toMatchObject({ state: 'ready', summary: { entries: 10_000, lines: 20_000 } });
    expect(await shop.post(found.id)).toMatchObject({ status: 200, body: { entries: 10_000, lines: 20_000 } });
    const expected = BigInt(found.summary?.debit ?? 0);
    expect(expected).toBe(((10_000n * 10_001n) / 2n) * 100n + 10_000n);
    expect(BigInt((await shop.find('4000')).amount)).toBe(-60_000n - expected);
    const { entries } = await server.ok<EntryList>('GET', `${shop.path}/entries?limit=5`);
    const entry = await server.ok<EntryBody>('GET', `${shop.path}/entries/${entries.find(({ source }) => source === 'import')?.id}`);
    expect(entry.lines.map(({ text }) => text)).toEqual(['a\\tb "q" ; \\', 'naïve → ✓']);
  });
});
