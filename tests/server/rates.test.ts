import type { EntryBody, ExchangeRateBody, ExchangeRates, History, Problem, RateFileBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { race } from '../support/races.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const closing = (day: string, rate: string | null): Omit<ExchangeRateBody, 'rate'> & { rate: string | null } => ({
  currency: 'USD',
  kind: 'closing',
  day,
  accountId: null,
  rate,
});

describe('exchange rates', () => {
  it('are set, changed and taken away, latest first, each on record', async () => {
    const { path } = await openShop(server);
    const set = (...rates: object[]) => server.ok<ExchangeRates>('PUT', `${path}/rates`, { set: rates });
    await set(closing('2026-08-31', '1.1'), closing('2026-09-30', '1.0834'));
    const { rates } = await set({ ...closing('2026-09-30', '1.09'), before: '1.0834' }, { ...closing('2026-08-31', null), before: '1.1' });
    expect(rates).toEqual([closing('2026-09-30', '1.09')]);
    const { events } = await server.ok<History>('GET', `${path}/history?thing=rate`);
    expect(events.map(({ label, before, after }) => [label, before, after])[0]).toEqual([
      'Exchange rates',
      { rates: [closing('2026-09-30', '1.0834'), closing('2026-08-31', '1.1')] },
      { count: 2, rates: [closing('2026-09-30', '1.09'), closing('2026-08-31', null)] },
    ]);
  });

  it('are not written over by somebody who has not seen what stands there, nor in part', async () => {
    const { path } = await openShop(server);
    const set = (...rates: object[]) => server.call<ExchangeRates & Problem>('PUT', `${path}/rates`, { set: rates });
    await set(closing('2026-09-30', '1.0834'));
    const unseen = await set(closing('2026-08-31', '1.1'), closing('2026-09-30', '1.09'));
    const { rate: _, ...key } = closing('2026-09-30', '');
    expect([unseen.status, unseen.body]).toMatchObject([409, { code: 'rates_moved_on', facts: { rates: [{ ...key, current: '1.0834' }] } }]);
    expect((await set({ ...closing('2026-09-30', null), before: '1.07' })).status).toBe(409);
    // The same again is nothing that anybody would lose.
    expect((await set(closing('2026-09-30', '1.0834'))).body.rates).toEqual([closing('2026-09-30', '1.0834')]);
    const { won, lost } = await race((at) => set({ ...closing('2026-09-30', `1.1${at}`), before: '1.0834' }));
    expect([won.length, new Set(lost)]).toEqual([1, new Set(['rates_moved_on'])]);
    const { events } = await server.ok<History>('GET', `${path}/history?thing=rate`);
    expect(events).toHaveLength(3);
  });

  it('are of a currency of ISO 4217 other than the company’s, above zero, and historical ones of an account', async () => {
    const { path, find } = await openShop(server);
    const refused = (rate: object) => server.refused('PUT', `${path}/rates`, { set: [{ ...closing('2026-09-30', '1.1'), ...rate }] });
    expect(await refused({ currency: 'EUR' })).toMatchObject({ code: 'currency_unknown' });
    expect(await refused({ currency: 'XQX' })).toMatchObject({ code: 'currency_unknown' });
    expect(await refused({ rate: '0.000' })).toMatchObject({ code: 'rate_invalid' });
    expect(await refused({ kind: 'historical' })).toMatchObject({ code: 'account_unknown' });
    const { id } = await find('3000');
    const historical = { currency: 'USD', kind: 'historical', day: '2020-01-02', accountId: id, rate: '1.2' };
    expect((await server.ok<ExchangeRates>('PUT', `${path}/rates`, { set: [historical] })).rates).toEqual([historical]);
  });

  it('are read from a file, which changes nothing by itself', async () => {
    const { path, find } = await openShop(server);
    const file =
      'Date,Currency,Rate,Kind,Account\n2026-09-30,USD,1.0834,,\n2026-09-01,USD,1.091,average,\n2020-01-02,USD,1.2,historical,3000\n2026-09-30,USD,none,,\n';
    const read = await server.ok<RateFileBody>('POST', `${path}/rate-files?name=rates.csv`, new TextEncoder().encode(file));
    expect(read.rates).toEqual([
      closing('2026-09-30', '1.0834'),
      { ...closing('2026-09-01', '1.091'), kind: 'average' },
      { ...closing('2020-01-02', '1.2'), kind: 'historical', accountId: (await find('3000')).id },
    ]);
    expect(read.faults).toEqual([{ row: 5, code: 'rate_unreadable', found: 'none' }]);
    expect((await server.ok<ExchangeRates>('GET', `${path}/rates`)).rates).toEqual([]);
  });
});

describe('a line in another currency', () => {
  const open = async () => {
    const shop = await openShop(server);
    const [bank, travel] = [(await shop.find('1000')).id, (await shop.find('6300')).id];
    const entry = (amount: number, foreign: object | null) => ({
      date: '2026-09-30',
      lines: [
        { accountId: travel, debit: String(amount), foreign },
        { accountId: bank, credit: String(amount) },
      ],
    });
    return { ...shop, entry, entries: `${shop.path}/entries` };
  };

  it('bears both amounts and the rate, and its reversal too', async () => {
    const { entry, entries } = await open();
    const foreign = { currency: 'USD', amount: '10000', rate: '1.0834' };
    // 100.00 ÷ 1.0834 = 92.302…
    const { entryId } = await server.ok<{ entryId: number }>('POST', entries, entry(9230, foreign));
    expect((await server.ok<EntryBody>('GET', `${entries}/${entryId}`)).lines.map((line) => line.foreign)).toEqual([foreign, null]);
    const reversal = await server.ok<{ entryId: number }>('POST', `${entries}/${entryId}/reversal`, { date: '2026-09-30' });
    expect((await server.ok<EntryBody>('GET', `${entries}/${reversal.entryId}`)).lines.map(({ credit, foreign: there }) => [credit, there])).toEqual([
      ['9230', foreign],
      ['0', null],
    ]);
  });

  it('with a rate is worth what the rate says to the minor unit; without one both amounts stand as they are', async () => {
    const { entry, entries } = await open();
    expect(await server.refused('POST', entries, entry(9231, { currency: 'USD', amount: '10000', rate: '1.0834' }))).toMatchObject({
      code: 'line_rate_disagrees',
      facts: { line: 1, expected: '9230' },
    });
    const { entryId } = await server.ok<{ entryId: number }>('POST', entries, entry(9231, { currency: 'USD', amount: '10000', rate: null }));
    expect((await server.ok<EntryBody>('GET', `${entries}/${entryId}`)).lines[0]?.foreign).toEqual({ currency: 'USD', amount: '10000', rate: null });
    expect(await server.refused('POST', entries, entry(100, { currency: 'EUR', amount: '100', rate: null }))).toMatchObject({ code: 'currency_unknown' });
    expect(await server.refused('POST', entries, entry(100, { currency: 'USD', amount: '0', rate: null }))).toMatchObject({ code: 'line_amount_invalid' });
  });
});
