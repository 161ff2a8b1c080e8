import type { ClosingBody, Company, EntryBody, ProofList, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const weeks = { kind: 'weeks', weekday: 7, month: 12, end: 'nearest', pattern: '4 4 5' };

async function open() {
  const shop = await openShop(server);
  const years = `${shop.path}/years`;
  const make = (body: object) => server.ok<Company>('POST', years, body);
  const ids = Object.fromEntries((await shop.chart()).accounts.map(({ number, id }) => [number, id]));
  const post = async (date: string, debit: string, credit: string, amount: number, more: object = {}) =>
    server.ok<{ entryId: number; documentNumber: string }>('POST', `${shop.path}/entries`, {
      date,
      lines: [
        { accountId: ids[debit], debit: String(amount) },
        { accountId: ids[credit], credit: String(amount) },
      ],
      ...more,
    });
  const closing = async (to: string, from = `${to.slice(0, 4)}-01-01`) => {
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `${shop.path}/trial-balance?from=${from}&to=${to}`);
    return Object.fromEntries(accounts.map((account) => [account.number, account.closing]));
  };
  const proof = async (name: string) => {
    const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-12-31`);
    return proofs.find((one) => one.name === name)?.state;
  };
  return { ...shop, years, make, ids, post, closing, proof };
}

describe('fiscal years', () => {
  it('of weeks follow those of months, and later ones go on in weeks', async () => {
    const { make, path } = await open();
    const company = await make({ form: weeks, adjusting: false });
    const made = company.years.at(-1);
    expect([made?.firstDay, made?.lastDay, made?.periods.length]).toEqual(['2027-01-01', '2028-01-02', 12]);
    const { years } = await server.ok<Company>('POST', `${path}/years`, { day: '2028-06-01' });
    expect([years.at(-1)?.firstDay, years.at(-1)?.lastDay, years.at(-1)?.name]).toEqual(['2028-01-03', '2028-12-31', '2028']);
  });

  it('by the last days of their periods; what does not follow is refused', async () => {
    const { make, years } = await open();
    expect(await server.refused('POST', years, { lastDays: ['2027-03-31', '2027-02-28'] })).toMatchObject({ code: 'period_ends_unordered', facts: { at: 2 } });
    expect(await server.refused('POST', years, { lastDays: ['2029-03-31'] })).toMatchObject({ code: 'year_too_long' });
    const company = await make({ lastDays: ['2027-03-31', '2027-06-30'] });
    expect(company.years.at(-1)).toMatchObject({ firstDay: '2027-01-01', lastDay: '2027-06-30', periods: [{ number: 1 }, { number: 2 }] });
    // A second year that begins in the same calendar year has a number of its own.
    expect((await make({})).years.at(-1)).toMatchObject({ year: 2028, name: '2027/28', firstDay: '2027-07-01' });
  });
});

describe('a period for adjustments', () => {
  it('takes marked entries of the year’s last day: in balances of that day, open when the last period is locked', async () => {
    const { years, path, post, closing, proof } = await open();
    await server.ok('POST', `${years}/2026/adjusting-period`);
    expect(await server.refused('POST', `${years}/2026/adjusting-period`)).toMatchObject({ code: 'adjusting_period_there' });
    await server.ok('POST', `${path}/period-locks`, { year: 2026, number: 12 });
    expect(
      (
        await server.refused('POST', `${path}/entries`, {
          date: '2026-12-31',
          lines: [
            { accountId: 1, debit: '1' },
            { accountId: 2, credit: '1' },
          ],
        })
      ).code,
    ).toBe('period_locked');
    const { entryId } = await post('2026-12-31', '6200', '1000', 700, { adjusting: true });
    expect((await server.ok<EntryBody>('GET', `${path}/entries/${entryId}`)).isAdjusting).toBe(true);
    expect([(await closing('2026-12-31'))['6200'], (await closing('2026-12-30'))['6200']]).toEqual(['30700', '30000']);
    const { periods } = await server.ok<{ periods: { number: number; movement: string }[] }>(
      'GET',
      `${path}/accounts/${(await server.ok<EntryBody>('GET', `${path}/entries/${entryId}`)).lines[0]?.accountId}/periods`,
    );
    expect(periods.filter(({ movement }) => movement !== '0').map(({ number, movement }) => [number, movement])).toEqual([
      [9, '30000'],
      [13, '700'],
    ]);
    await server.ok('POST', `${path}/entries/${entryId}/reversal`, { date: '2026-12-31' });
    expect([(await closing('2026-12-31'))['6200'], await proof('balances_from_lines')]).toEqual(['30000', 'holds']);
    expect(
      (
        await server.refused('POST', `${path}/entries`, {
          date: '2026-11-30',
          adjusting: true,
          lines: [
            { accountId: 1, debit: '1' },
            { accountId: 2, credit: '1' },
          ],
        })
      ).code,
    ).toBe('adjusting_period_missing');
  });
});

describe('a closing entry that is offered', () => {
  it('brings income and expense to nil and changes no statement; what comes late is closed by a second one, and a reversal opens it again', async () => {
    const { years, path, post, closing, totals, proof } = await open();
    await server.ok('POST', years, { day: '2027-01-01' });
    const proposed = await server.ok<ClosingBody>('GET', `${years}/2026/closing`);
    expect(proposed.closings.map(({ layer, result, lines }) => [layer, result, lines.map(({ label, debit, credit }) => [label, debit, credit])])).toEqual([
      [
        'ledger',
        '-20000',
        [
          ['4000 Sales', '60000', '0'],
          ['6200 Insurance', '0', '30000'],
          ['6300 Travel', '0', '10000'],
          ['3100 Retained earnings', '0', '20000'],
        ],
      ],
    ]);
    const before = [await totals(), await closing('2026-12-31'), await closing('2027-06-30')];
    const close = () => server.ok<{ entries: { entryId: number }[] }>('POST', `${years}/2026/closing`, undefined, { 'Idempotency-Key': 'close' });
    const { entries } = await close();
    expect(await close()).toEqual({ entries });
    expect([await totals(), await closing('2026-12-31'), await closing('2027-06-30')]).toEqual(before);
    expect(await server.refused('GET', `${years}/2026/closing`)).toMatchObject({ code: 'nothing_to_close' });
    // A late entry is carried over all the same, and a second closing finds it alone.
    await post('2026-12-31', '6300', '1000', 500);
    expect((await closing('2027-06-30'))['3100']).toBe(String(-20_000 - 20_000 + 500));
    expect((await server.ok<ClosingBody>('GET', `${years}/2026/closing`)).closings[0]?.lines.map(({ debit, credit }) => [debit, credit])).toEqual([
      ['0', '500'],
      ['500', '0'],
    ]);
    await server.ok('POST', `${path}/entries/${entries[0]?.entryId}/reversal`, { date: '2027-02-01' });
    expect((await server.ok<ClosingBody>('GET', `${years}/2026/closing`)).closings[0]?.lines).toHaveLength(4);
    expect([(await closing('2027-06-30'))['3100'], await proof('balances_from_lines')]).toEqual(['-39500', 'holds']);
  });

  it('comes right when a period for adjustments is added behind it', async () => {
    const { years, path, closing, proof } = await open();
    await server.ok('POST', years, { day: '2027-01-01' });
    await server.ok('POST', `${years}/2026/closing`);
    const before = await closing('2027-06-30');
    await server.ok('POST', `${years}/2026/adjusting-period`);
    expect([await closing('2027-06-30'), await proof('balances_from_lines')]).toEqual([before, 'holds']);
    expect(await server.refused('GET', `${path}/years/2026/closing`)).toMatchObject({ code: 'nothing_to_close' });
  });
});
