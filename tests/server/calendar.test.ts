import type { Company, History } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { bringIn } from '../support/trialBalance.ts';

/** What locking answers: the books, or the code of the failure. */
type Locked = { code: string } & Company;

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const [bank, sales] = [(await shop.find('1000')).id, (await shop.find('4000')).id];
  const post = (date: string) =>
    server.call<{ code: string; facts: object }>('POST', `${shop.path}/entries`, {
      date,
      description: 'Sale',
      lines: [
        { accountId: bank, debit: '1000' },
        { accountId: sales, credit: '1000' },
      ],
    });
  const lock = (number: number, reason = '') => server.call<Locked>('POST', `${shop.path}/period-locks`, { year: 2026, number, reason });
  const unlock = (number: number, reason: string) => server.call<Locked>('POST', `${shop.path}/period-unlocking`, { year: 2026, number, reason });
  const locked = async () =>
    (await server.ok<Company>('GET', shop.path)).years.flatMap(({ year, periods }) =>
      year === 2026 ? periods.flatMap(({ number, lock: held }) => (held ? [number] : [])) : [],
    );
  return { ...shop, post, lock, unlock, locked };
}

describe('a locked period', () => {
  it('takes no entry; every open one before it is locked with it, those behind it stay open', async () => {
    const books = await open();
    expect((await books.lock(3, 'Quarter closed')).status).toBe(200);
    expect(await books.locked()).toEqual([1, 2, 3]);
    expect((await books.post('2026-03-31')).body).toMatchObject({ code: 'period_locked', facts: { day: '2026-03-31' } });
    expect((await books.post('2026-04-01')).status).toBe(201);
  });

  it('takes no trial balance either, and figures are as they were', async () => {
    const books = await open();
    const totals = await books.totals();
    await books.lock(9);
    const csv =
      'Number,Name,Element,Balance\n1000,Bank,asset,950\n3000,Share capital,equity,-500\n3100,Retained earnings,equity,-200\n4000,Sales,income,-650\n6200,Insurance,expense,300\n6300,Travel,expense,100';
    await expect(bringIn(server, books.id, csv, { date: '2026-09-30' })).rejects.toThrow(/posting_blocked.*period_locked/);
    expect(await books.totals()).toEqual(totals);
  });

  it('is opened again with a reason; the one who did it, when and why stand in the history', async () => {
    const books = await open();
    await books.lock(2, 'Closed');
    expect((await books.unlock(2, ' ')).body.code).toBe('request_invalid');
    expect((await books.unlock(2, 'A late invoice')).body).toMatchObject({ name: expect.any(String) });
    expect(await books.locked()).toEqual([1]);
    expect((await books.post('2026-02-10')).status).toBe(201);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=period`);
    expect(events.map(({ label, after }) => [label, after])).toEqual([
      ['Period 2 of 2026', { locked: false, reason: 'A late invoice' }],
      ['Period 2 of 2026', { locked: true, reason: 'Closed' }],
      ['Period 1 of 2026', { locked: true, reason: 'Closed' }],
    ]);
  });

  it('is not locked or opened twice, and one that is not there is not found', async () => {
    const books = await open();
    await books.lock(2);
    expect((await books.lock(2)).body.code).toBe('period_locked');
    expect((await books.unlock(5, 'Why not')).body.code).toBe('period_not_locked');
    expect((await books.lock(13)).body.code).toBe('not_found');
  });

  it('waits for a posting under way, and none slips in behind it', async () => {
    const books = await open();
    const [locking, ...postings] = await Promise.all([books.lock(6), ...Array.from({ length: 6 }, () => books.post('2026-06-15'))]);
    expect([200, 409]).toContain(locking?.status);
    const accepted = postings.filter(({ status }) => status === 201).length;
    const refused = postings.filter(({ body }) => body.code === 'period_locked').length;
    expect(accepted + refused).toBe(6);
    if (locking?.status === 200) expect((await books.post('2026-06-15')).body.code).toBe('period_locked');
  });
});

describe('fiscal years', () => {
  it('are made ahead of need, one after the other without a gap', async () => {
    const books = await open();
    const made = await server.ok<Company>('POST', `${books.path}/years`, { day: '2028-05-01' });
    expect(made.years.map(({ year }) => year)).toEqual(expect.arrayContaining([2026, 2027, 2028]));
  });
});
