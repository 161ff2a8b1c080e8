import type { AccountBody, AccountChange, AccountInputBody, ChartView, StatementBody } from '@ivory-ladder/contract';
import type { TestServer } from './server.ts';
import { bringIn, createCompany, statement } from './trialBalance.ts';

const span = 'from=2026-01-01&to=2026-09-30';

/** A company with a bank, capital, retained earnings, sales and two costs, balances at 30 September 2026. */
export async function openShop(server: TestServer) {
  const { id } = await createCompany(server);
  await bringIn(
    server,
    id,
    [
      'Number,Name,Element,Category,Balance',
      '1000,Bank,asset,Cash and cash equivalents,900',
      '3000,Share capital,equity,Share capital,-500',
      '3100,Retained earnings,equity,Retained earnings,-200',
      '3200,Reserve,equity,Reserves,0',
      '4000,Sales,income,Revenue,-600',
      '6200,Insurance,expense,Other operating expenses,300',
      '6300,Travel,expense,Other operating expenses,100',
    ].join('\n'),
    { date: '2026-09-30', retainedEarnings: '3100' },
  );
  const path = `/companies/${id}`;
  const chart = () => server.ok<ChartView>('GET', `${path}/chart?${span}`);
  const find = async (number: string) => {
    const found = (await chart()).accounts.find((account) => account.number === number);
    if (!found) throw new Error(`no account ${number}`);
    return found;
  };
  return {
    id,
    path,
    chart,
    find,
    numbers: async () => (await chart()).accounts.map(({ number, depth }) => `${'. '.repeat(depth)}${number}`),
    add: (fields: Partial<AccountInputBody> & { number: string }) =>
      server.ok<AccountBody>('POST', `${path}/accounts`, { name: `Account ${fields.number}`, element: 'expense', ...fields }),
    addRefused: (fields: Partial<AccountInputBody> & { number: string }) =>
      server.refused('POST', `${path}/accounts`, { name: 'Refused', element: 'expense', ...fields }),
    change: async (number: string, fields: Partial<AccountChange>) => {
      const { id: accountId, version } = await find(number);
      return server.ok<AccountBody>('PATCH', `${path}/accounts/${accountId}`, { version, ...fields });
    },
    changeRefused: async (number: string, fields: Partial<AccountChange>) => {
      const { id: accountId, version } = await find(number);
      return server.refused('PATCH', `${path}/accounts/${accountId}`, { version, ...fields });
    },
    totals: async () => {
      const totalsOf = ({ rows }: StatementBody) =>
        rows.filter(({ role }) => role === 'total' || role === 'final').map(({ caption, values }) => [caption, ...values]);
      return [
        totalsOf(await statement(server, id, 'balance-sheet', '2026-01-01', '2026-09-30')),
        totalsOf(await statement(server, id, 'income-statement', '2026-01-01', '2026-09-30')),
      ];
    },
  };
}
