import type { EntryBody, EntryList, PostedEntryBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const idOf = async (number: string) => (await shop.find(number)).id;
  const post = async (date: string, description: string, cents: number, layer = 'ledger', key: string = crypto.randomUUID()) =>
    server.ok<PostedEntryBody>(
      'POST',
      `${shop.path}/entries`,
      {
        date,
        description,
        layer,
        lines: [
          { accountId: await idOf('6200'), debit: String(cents) },
          { accountId: await idOf('1000'), credit: String(cents) },
        ],
      },
      { 'Idempotency-Key': key },
    );
  const list = (query = '') => server.ok<EntryList>('GET', `${shop.path}/entries?${query}`);
  const reverse = (entryId: number, date: string, key: string = crypto.randomUUID()) =>
    server.call<PostedEntryBody & { code: string; facts: object }>('POST', `${shop.path}/entries/${entryId}/reversal`, { date }, { 'Idempotency-Key': key });
  return { ...shop, idOf, post, list, reverse };
}

describe('the list of entries', () => {
  it('is latest first, by span, text, document number, layer and account, page by page', async () => {
    const books = await open();
    const rent = await books.post('2026-04-30', 'Rent of April', 1200);
    await books.post('2026-05-31', 'Rent of May', 1300);
    await books.post('2026-05-31', 'Accrued rent', 700, 'adjustment');
    const texts = async (query: string) => (await books.list(query)).entries.map(({ description }) => description);
    expect(await texts('from=2026-04-01&to=2026-05-31')).toEqual(['Accrued rent', 'Rent of May', 'Rent of April']);
    expect(await texts('text=rent of')).toEqual(['Rent of May', 'Rent of April']);
    expect(await texts(`text=${rent.documentNumber}&to=2026-05-31`)).toEqual(['Rent of April']);
    expect(await texts('layer=adjustment')).toEqual(['Accrued rent']);
    expect(await texts(`account=${await books.idOf('4000')}`)).toHaveLength(1);
    expect(await texts('text=100%25')).toEqual([]);
    expect(await texts('amount=1300')).toEqual(['Rent of May']);
    // A text that is an amount too: either is enough.
    expect(await texts('text=accrued&amount=1200')).toEqual(['Accrued rent', 'Rent of April']);
    expect(await texts('source=trial_balance')).toHaveLength(1);
    expect(await texts('by=nobody at all')).toEqual([]);
    await server.ok('POST', `${books.path}/entries`, {
      date: '2026-06-01',
      description: 'Sundry',
      lines: [
        { accountId: await books.idOf('6200'), debit: '5', text: 'Ropes & fenders' },
        { accountId: await books.idOf('1000'), credit: '5' },
      ],
    });
    expect(await texts('text=fenders')).toEqual(['Sundry']);
    const first = await books.list('limit=2&to=2026-05-31');
    expect(first.entries.map(({ amount, lines, isReversed }) => [amount, lines, isReversed])).toEqual([
      ['700', 2, false],
      ['1300', 2, false],
    ]);
    expect((await books.list(`limit=2&to=2026-05-31&after=${first.next}`)).entries.map(({ description }) => description)).toEqual(['Rent of April']);
  });

  it('says of an entry without a text what its lines are about', async () => {
    const books = await open();
    const [insurance, bank] = [await books.idOf('6200'), await books.idOf('1000')];
    const write = (description: string, texts: readonly string[]) =>
      server.ok('POST', `${books.path}/entries`, {
        date: '2026-06-01',
        description,
        lines: [
          { accountId: insurance, debit: '5', text: texts[0] ?? '' },
          { accountId: insurance, debit: '5', text: texts[1] ?? '' },
          { accountId: bank, credit: '10' },
        ],
      });
    await write('Hull', ['of the Tern']);
    await write('', ['', 'of the Gull']);
    await write('', []);
    const { entries } = await books.list('from=2026-06-01&to=2026-06-01');
    expect(entries.map(({ description, about }) => [description, about])).toEqual([
      ['', 'Insurance'],
      ['', 'of the Gull'],
      ['Hull', ''],
    ]);
  });
});

describe('a reversal', () => {
  it('changes the sides of all lines, names what it reverses, and brings every total back', async () => {
    const books = await open();
    const totals = await books.totals();
    const { entryId, documentNumber } = await books.post('2026-05-31', 'Rent of May', 1300, 'adjustment');
    expect(await books.totals()).not.toEqual(totals);
    const reversed = await books.reverse(entryId, '2026-06-01');
    expect(reversed.status).toBe(201);
    const reversal = await server.ok<EntryBody>('GET', `${books.path}/entries/${reversed.body.entryId}`);
    expect(reversal).toMatchObject({ date: '2026-06-01', layer: 'adjustment', source: 'reversal', reversesEntryId: entryId });
    expect(reversal.description).toBe(`Reverses document ${documentNumber}: Rent of May`);
    expect(reversal.lines.map(({ debit, credit }) => [debit, credit])).toEqual([
      ['0', '1300'],
      ['1300', '0'],
    ]);
    expect(await server.ok<EntryBody>('GET', `${books.path}/entries/${entryId}`)).toMatchObject({ reversedBy: { id: reversal.id } });
    expect(await books.totals()).toEqual(totals);
  });

  it('happens once, also where it is asked for twice with one key', async () => {
    const books = await open();
    const { entryId } = await books.post('2026-05-31', 'Rent', 1300);
    const [first, again] = [await books.reverse(entryId, '2026-05-31', 'once'), await books.reverse(entryId, '2026-05-31', 'once')];
    expect(again.body.entryId).toBe(first.body.entryId);
    expect((await books.reverse(entryId, '2026-05-31')).body).toMatchObject({ code: 'entry_not_reversible', facts: { reason: 'reversed' } });
  });

  it('is refused before the entry’s day, in a locked period, and of what came with a trial balance', async () => {
    const books = await open();
    const { entryId } = await books.post('2026-05-31', 'Rent', 1300);
    expect((await books.reverse(entryId, '2026-05-30')).body).toMatchObject({ code: 'entry_not_reversible', facts: { reason: 'earlier' } });
    await server.ok('POST', `${books.path}/period-locks`, { year: 2026, number: 5, reason: '' });
    expect((await books.reverse(entryId, '2026-05-31')).body.code).toBe('period_locked');
    expect((await books.reverse(entryId, '2026-06-01')).status).toBe(201);
    const brought = (await books.list()).entries.find(({ source }) => source === 'trial_balance');
    expect((await books.reverse(brought?.id ?? 0, '2026-09-30')).body).toMatchObject({ code: 'entry_not_reversible', facts: { reason: 'trial_balance' } });
  });

  it('of another company’s entry is not found', async () => {
    const [books, others] = [await open(), await open()];
    const { entryId } = await others.post('2026-05-31', 'Rent', 1300);
    expect((await books.reverse(entryId, '2026-05-31')).body.code).toBe('not_found');
  });
});
