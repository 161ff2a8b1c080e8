import type {
  ChartView,
  ClosingBody,
  CodeListBody,
  CodeLists,
  EntryBody,
  EntryList,
  JournalImport,
  JournalLook,
  LayoutDetail,
  PlacementRehearsal,
  PostedEntryBody,
} from '@ivory-ladder/contract';
import { usualPlans } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient, testAdministrator } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { race } from '../support/races.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { handIn } from '../support/trialBalance.ts';

// Each rule of docs/decisions/058-at-most-once.md, with eight at once.
let server: TestServer;
let second: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
  second = await TestServer.start({ databaseUrl: server.databaseUrl });
});
afterAll(async () => {
  await second.stop();
  await server.stop();
});

/** Every other one goes to another server on the same database. */
const by = (at: number): TestServer => (at % 2 === 0 ? server : second);

async function open() {
  const shop = await openShop(server);
  const [bank, insurance, travel] = [await shop.find('1000'), await shop.find('6200'), await shop.find('6300')];
  const entry = (amount: string, more: object = {}) => ({
    date: '2026-09-15',
    description: 'Premium',
    lines: [
      { accountId: insurance.id, debit: amount },
      { accountId: bank.id, credit: amount },
    ],
    ...more,
  });
  const entries = async () => (await server.ok<EntryList>('GET', `${shop.path}/entries`)).entries;
  return { ...shop, bank, insurance, travel, entry, entries };
}

describe('of what is posted', () => {
  it('an entry is reversed once', async () => {
    const books = await open();
    const { entryId } = await server.ok<PostedEntryBody>('POST', `${books.path}/entries`, books.entry('700'));
    const before = (await books.entries()).length;
    const { won, lost } = await race((at) => by(at).call<PostedEntryBody>('POST', `${books.path}/entries/${entryId}/reversal`, { date: '2026-09-30' }));
    expect([won.length, new Set(lost)]).toEqual([1, new Set(['entry_not_reversible'])]);
    expect((await books.entries()).length).toBe(before + 1);
    const reversed = await server.ok<EntryBody>('GET', `${books.path}/entries/${entryId}`);
    expect(reversed.reversedBy?.documentNumber).toBe(won[0]?.documentNumber);
  });

  it('a document of a file is posted once, whichever of its imports is first', async () => {
    const books = await open();
    const content = new TextEncoder().encode(
      [
        'Date;Document;Account;Debit;Credit',
        '30.09.2026;17;1000;1.250,00;',
        '30.09.2026;17;4000;;1.250,00',
        '29.09.2026;18;6200;70,00;',
        '29.09.2026;18;1000;;70,00',
      ].join('\r\n'),
    );
    const imports = `${books.path}/journal-imports`;
    const { reading, separator, encoding } = await server.ok<JournalLook>('POST', `${books.path}/journal-looks`, content);
    const begun: number[] = [];
    for (let at = 0; at < 8; at++) {
      const { id } = await server.ok<{ id: number }>('POST', imports, { name: 'journal.csv', bytes: content.length, separator, encoding, reading });
      expect((await server.ok<JournalImport>('POST', `${imports}/${id}/content`, content)).state).toBe('ready');
      begun.push(id);
    }
    const before = (await books.entries()).length;
    const { won, lost } = await race((at) => by(at).call('POST', `${imports}/${begun[at]}/posting`));
    expect([won.length, new Set(lost)]).toEqual([1, new Set(['ledger_moved_on'])]);
    expect((await books.entries()).length).toBe(before + 2);
  });

  it('a year is closed once, and posted to in the same moment it is closed with what is there', async () => {
    const books = await open();
    const year = `${books.path}/years/2026/closing`;
    const { won } = await race((at) => by(at).call<ClosingBody>('POST', year));
    expect(won.length).toBe(1);
    expect((await books.entries()).filter(({ source }) => source === 'closing')).toHaveLength(1);
    expect(await server.refused('GET', year)).toMatchObject({ code: 'nothing_to_close' });
    const again = await open();
    const mixed = await race<unknown>((at) =>
      at % 2 === 0 ? by(at / 2).call('POST', `${again.path}/years/2026/closing`) : server.call('POST', `${again.path}/entries`, again.entry(`${at}00`)),
    );
    expect(mixed.won.length).toBeGreaterThanOrEqual(5);
    // Whatever came after the closing is left to close, and not a cent of it twice.
    const left = await server.call<ClosingBody>('GET', `${again.path}/years/2026/closing`);
    if (left.status === 200) expect((await server.call('POST', `${again.path}/years/2026/closing`)).status).toBe(201);
    expect(await server.refused('GET', `${again.path}/years/2026/closing`)).toMatchObject({ code: 'nothing_to_close' });
  });

  it('the amounts of a trial balance are posted once, however many post its file', async () => {
    const books = await open();
    const file = await handIn(
      server,
      books.id,
      ['Number,Name,Balance', '1000,Bank,950', '3000,Capital,-550', '3100,Earnings,-200', '4000,Sales,-600', '6200,Insurance,300', '6300,Travel,100'].join(
        '\n',
      ),
    );
    const { won } = await race((at) => by(at).call('POST', `${books.path}/trial-balance-files/${file}/posting`, { confirmElements: true, date: '2026-10-31' }));
    expect(won.length).toBeGreaterThanOrEqual(1);
    const { accounts } = await server.ok<ChartView>('GET', `${books.path}/chart?from=2026-01-01&to=2026-10-31`);
    expect(accounts.filter(({ number }) => /^[13]000$/.test(number)).map(({ amount }) => amount)).toEqual(['95000', '-55000']);
  });
});

describe('of the structure', () => {
  it('an account is placed first by one', async () => {
    const books = await open();
    const { id } = await books.add({ number: '6900', name: 'Sundries' });
    const { categories } = await server.ok<{ categories: { id: number; element: string; name: string }[] }>(
      'GET',
      `${books.path}/placement?from=2026-01-01&to=2026-09-30`,
    );
    const [one, other] = categories.filter(({ element }) => element === 'expense').map((category) => category.id) as [number, number];
    const { won } = await race((at) =>
      by(at).call('PUT', `${books.path}/places`, { changes: [{ accountId: id, before: [], after: [{ side: 'any', categoryId: at < 4 ? one : other }] }] }),
    );
    expect(won.length).toBe(1);
    expect((await books.find('6900')).places).toHaveLength(1);
  });

  it('an account is left out of the count once', async () => {
    const books = await open();
    const body = { scope: 'classification:1', accountIds: [books.travel.id], reason: 'Looked at' };
    const { won } = await race((at) => by(at).call('PUT', `${books.path}/coverage-exclusions`, body));
    expect(won.length).toBeGreaterThanOrEqual(1);
  });

  it('a year, and a period for adjustments in it, are made once', async () => {
    const books = await open();
    expect((await race((at) => by(at).call('POST', `${books.path}/years`, { day: '2027-05-01' }))).won.length).toBeGreaterThanOrEqual(1);
    const adjusting = await race((at) => by(at).call('POST', `${books.path}/years/2027/adjusting-period`, {}));
    expect([adjusting.won.length, new Set(adjusting.lost)]).toEqual([1, new Set(['adjusting_period_there'])]);
    const { years } = await server.ok<{ years: { year: number; periods: unknown[] }[] }>('GET', `${books.path}`);
    expect(years.map(({ year, periods }) => [year, periods.length])).toEqual([
      [2026, 12],
      [2027, 13],
    ]);
  });

  it('a period is locked once', async () => {
    const books = await open();
    expect(
      (await race((at) => by(at).call('POST', `${books.path}/period-locks`, { year: 2026, number: 1, reason: 'Done' }))).won.length,
    ).toBeGreaterThanOrEqual(1);
  });

  it('a facet value goes once, or stays with the lines that somebody posts to it in that moment', async () => {
    const books = await open();
    const lists = `${books.path}/code-lists`;
    const { id, key, version } = await server.ok<CodeListBody>('POST', lists, {
      kind: 'facet',
      name: 'Vessel',
      codes: ['TERN', 'GULL'].map((code) => ({ code, caption: code })),
    });
    const taken = await race((at) => by(at).call('PATCH', `${lists}/${id}`, { version, remove: ['GULL'] }));
    expect(taken.won.length).toBe(1);
    for (let round = 0; round < 5; round++) {
      const now = (await server.ok<CodeLists>('GET', lists)).lists.find((list) => list.id === id) as CodeListBody;
      if (!now.codes.some(({ code }) => code === 'TERN')) {
        await server.ok('PATCH', `${lists}/${id}`, { version: now.version, set: [{ was: null, code: 'TERN', caption: 'TERN' }] });
        now.version++;
      }
      const entry = books.entry('10');
      const lines = entry.lines.map((line) => ({ ...line, facets: { [key]: 'TERN' } }));
      const answers = await Promise.all(
        Array.from({ length: 8 }, (_, at) =>
          at % 2 === 0
            ? by(at / 2).call<{ code: string }>('PATCH', `${lists}/${id}`, { version: now.version, remove: ['TERN'] })
            : by(at).call<{ code: string }>('POST', `${books.path}/entries`, { ...entry, lines }),
        ),
      );
      // A value that has gone is unknown (422); no line names one that is not there, and nothing broke.
      expect(answers.filter(({ status }) => status >= 300 && ![409, 422].includes(status)).map(({ status, body }) => [status, body])).toEqual([]);
      const posted = answers.filter(({ status }, at) => at % 2 === 1 && status < 300).length;
      const after = (await server.ok<CodeLists>('GET', lists)).lists.find((list) => list.id === id);
      if (posted > 0) expect(after?.codes.map(({ code }) => code)).toEqual(['TERN']);
    }
  });

  it('a number is given, and a role taken, by one account', async () => {
    const books = await open();
    const added = await race((at) => by(at).call('POST', `${books.path}/accounts`, { number: '6950', name: `Sundries ${at}`, element: 'expense' }));
    expect([added.won.length, new Set(added.lost)]).toEqual([1, new Set(['account_number_taken'])]);
    const { accounts } = await books.chart();
    const equity = accounts.filter(({ element }) => element === 'equity');
    await race((at) => {
      const { id, version } = equity[at % equity.length] as (typeof equity)[number];
      return by(at).call('PATCH', `${books.path}/accounts/${id}`, { version, role: 'retained_earnings' });
    });
    expect((await books.chart()).accounts.filter(({ role }) => role === 'retained_earnings')).toHaveLength(1);
  });

  it('an applied change of the placement is taken back once', async () => {
    const books = await open();
    await server.ok('PUT', `${books.path}/places`, { changes: [{ accountId: books.travel.id, before: books.travel.places, after: [] }] });
    const { records } = await server.ok<{ records: { id: number }[] }>('GET', `${books.path}/placement-records`);
    const undone = await race((at) => by(at).call('POST', `${books.path}/placement-records/${records[0]?.id}/undoing?from=2026-01-01&to=2026-09-30`));
    expect([undone.won.length, new Set(undone.lost)]).toEqual([1, new Set(['placement_undone_already'])]);
  });
});

describe('of what has a name', () => {
  it('one has it', async () => {
    const books = await open();
    const layout = await server.ok<LayoutDetail>('POST', `${books.path}/layouts`, { name: 'First', from: 'nothing' });
    const part = { key: 'sheet', statement: 'balance-sheet', title: '', columns: null, detail: 2, zeroLines: false };
    const named: [string, Record<string, unknown>][] = [
      ['layouts', { name: 'Board', from: 'nothing' }],
      ['classifications', { name: 'Tax', copyOf: null }],
      ['code-lists', { kind: 'report', name: 'Group', codes: [] }],
      ['series', { code: 'ADJ', name: 'Adjustments', nextNumber: 1 }],
      ['budgets', { year: 2026, name: 'Original' }],
      ['people', { name: 'Nils Berg', email: 'nils@example.org', role: 'reader' }],
      ['column-plans', { name: 'Months', definition: usualPlans[0]?.definition }],
      ['sets', { name: 'For the bank', definition: { parts: [part], scale: { unit: 'exact', rounding: 'footed' }, language: null } }],
    ];
    for (const [thing, body] of named) {
      const { won } = await race((at) => by(at).call('POST', `${books.path}/${thing}`, body));
      expect([thing, won.length]).toEqual([thing, 1]);
    }
    expect((await race((at) => by(at).call('PATCH', `${books.path}/layouts/${layout.id}`, { version: layout.version, name: `Named ${at}` }))).won.length).toBe(
      1,
    );
  });

  it('a person has one rehearsal without a name', async () => {
    const books = await open();
    await race((at) => by(at).call('POST', `${books.path}/rehearsals`, { draft: { places: [], categories: [] } }));
    expect((await server.ok<{ rehearsals: PlacementRehearsal[] }>('GET', `${books.path}/rehearsals`)).rehearsals).toHaveLength(1);
  });
});

describe('of people', () => {
  it('a one-time link is used once', async () => {
    const books = await open();
    const { token } = await server.ok<{ token: string }>('POST', `${books.path}/people`, { name: 'Rut Dal', email: 'rut@example.org', role: 'reader' });
    const answers = await Promise.all(
      Array.from({ length: 4 }, (_, at) =>
        new ApiClient(by(at).url).call<{ code?: string }>('POST', '/links/use', { token, password: `${testAdministrator.password} ${at}` }),
      ),
    );
    // The others hear that it is gone, or that its owner has an account by now.
    expect(answers.filter(({ status }) => status < 300)).toHaveLength(1);
    expect(answers.filter(({ status }) => ![200, 409, 422].includes(status))).toEqual([]);
  });

  it('an administrator stays, whoever gives the role up', async () => {
    const books = await open();
    const { personId } = await joinCompany(server, books.id, {
      name: 'Per Lind',
      email: 'per@example.org',
      role: 'administrator',
    });
    const { people } = await server.ok<{ people: { personId: number; version: number }[] }>('GET', `${books.path}/people`);
    const lowered = await race((at) => {
      const one = people[at % 2] as (typeof people)[number];
      return by(at).call('PUT', `${books.path}/people/${one.personId}`, { role: 'reader', version: one.version });
    });
    expect([people.length, lowered.won.length, personId > 0]).toEqual([2, 1, true]);
  });
});
