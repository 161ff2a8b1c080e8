import type { AccountLedgerBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
let demo: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
  demo = await TestServer.start({ demo: true });
});
afterAll(async () => {
  await server.stop();
  await demo.stop();
});

describe('the account ledger', () => {
  it('has each line with the balance after it, its counter accounts, and the sums of its periods', async () => {
    const shop = await openShop(server);
    const id = async (number: string) => (await shop.find(number)).id;
    const post = async (date: string, lines: object[]) => server.ok('POST', `${shop.path}/entries`, { date, description: 'Posted', lines });
    await post('2026-10-02', [
      { accountId: await id('6200'), debit: '100', text: 'Hull' },
      { accountId: await id('6300'), debit: '50' },
      { accountId: await id('1000'), credit: '150' },
    ]);
    await post('2026-11-05', [
      { accountId: await id('1000'), debit: '40' },
      { accountId: await id('6200'), credit: '40' },
    ]);
    const ledger = async (query: string) => server.ok<AccountLedgerBody>('GET', `${shop.path}/account-ledger?from=2026-10-01&to=2026-12-31&${query}`);
    const [account] = (await ledger(`account=${await id('6200')}`)).accounts;
    expect([account?.label, account?.opening, account?.closing]).toEqual(['6200 Insurance', '30000', '30060']);
    expect(account?.lines.map(({ date, text, debit, credit, balance, counterparts }) => [date, text, debit, credit, balance, counterparts])).toEqual([
      ['2026-10-02', 'Hull', '100', '0', '30100', ['1000 Bank']],
      ['2026-11-05', 'Posted', '0', '40', '30060', ['1000 Bank']],
    ]);
    expect(account?.periods.map(({ number, debit, credit, closing }) => [number, debit, credit, closing])).toEqual([
      [10, '100', '0', '30100'],
      [11, '0', '40', '30060'],
    ]);
    // Accounts by their numbers; those with a balance and no line stand there too, the others do not.
    expect((await ledger('accounts=1000 to 3200')).accounts.map(({ label, lines }) => [label, lines.length])).toEqual([
      ['1000 Bank', 2],
      ['3000 Share capital', 0],
      ['3100 Retained earnings', 0],
    ]);
    expect((await ledger(`account=${await id('1000')}`)).accounts[0]?.lines[0]?.counterparts).toEqual(['6200 Insurance', '6300 Travel']);
    expect(await server.refused('GET', `${shop.path}/account-ledger?from=2026-01-01&to=2026-02-01&accounts=9999 to`)).toMatchObject({
      code: 'facet_range_malformed',
    });
    const csv = new TextDecoder().decode(await server.bytes(`${shop.path}/account-ledger/csv?from=2026-10-01&to=2026-12-31&account=${await id('6200')}`));
    expect(csv.split('\r\n').slice(4, 8)).toEqual([
      'Account,Name,Date,Document,Text,Counter accounts,Debit,Credit,Balance',
      '6200,Insurance,2026-10-01,,Before,,,,300.00',
      '6200,Insurance,2026-10-02,2,Hull,1000 Bank,1.00,,301.00',
      '6200,Insurance,2026-11-05,3,Posted,1000 Bank,,0.40,300.60',
    ]);
  });

  it('of the demo: every account begins and ends as the trial balance says, and its lines lead from one to the other (common practice)', async () => {
    const path = `/companies/${await demo.companyId()}`;
    const span = 'from=2026-03-01&to=2026-04-30';
    const { accounts: trial } = await demo.ok<TrialBalanceViewBody>('GET', `${path}/trial-balance?${span}`);
    const { accounts, leftOut } = await demo.ok<AccountLedgerBody>('GET', `${path}/account-ledger?${span}`);
    expect([leftOut, accounts.length]).toEqual([
      0,
      trial.filter(({ opening, debit, credit, closing }) => [opening, debit, credit, closing].some((one) => one !== '0')).length,
    ]);
    for (const account of accounts) {
      const own = trial.find(({ id }) => id === account.id);
      expect([account.label, account.opening, account.closing]).toEqual([account.label, own?.opening, own?.closing]);
      const moved = account.lines.filter(({ closesYear }) => closesYear === null).reduce((sum, { debit, credit }) => sum + BigInt(debit) - BigInt(credit), 0n);
      expect(BigInt(account.opening) + moved).toBe(BigInt(account.closing));
      expect(account.lines.at(-1)?.balance ?? account.opening).toBe(account.closing);
      expect(account.periods.reduce((sum, { debit, credit }) => sum + BigInt(debit) - BigInt(credit), 0n)).toBe(moved);
    }
    // More lines than one page holds are said, never dropped in silence.
    const whole = await demo.ok<AccountLedgerBody>('GET', `${path}/account-ledger?from=2024-01-01&to=2026-12-31`);
    expect(whole.leftOut).toBeGreaterThan(0);
    expect(whole.accounts.reduce((sum, { lines }) => sum + lines.length, 0)).toBeLessThanOrEqual(3000);
  });
});
