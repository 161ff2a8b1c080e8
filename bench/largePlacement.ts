import type { Company } from '@ivory-ladder/contract';
import type { ApiClient } from '../tests/support/apiClient.ts';

const accounts = 5000;
const categories = 290;
/** For as many rounds of moves as are made anew where another machine of the host disturbs. */
const unplaced = 520;
export const placementSize = `${accounts.toLocaleString('en')} accounts, ${categories} categories`;

/** A company with balances at the end of each month of a year on all its accounts. */
export async function loadPlacement(client: ApiClient): Promise<Company> {
  const send = <Body>(path: string, body: unknown): Promise<Body> => client.ok<Body>('POST', path, body);
  const company = await send<Company>('/companies', { name: 'Large placement', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const rows = Array.from({ length: accounts }, (_, at) => {
    const isExpense = at % 2 === 0;
    const category = `${isExpense ? 'Costs' : 'Stores'} ${at % (categories / 5)} > Part ${at % categories}`;
    return `${10_000 + at},Account ${at},${isExpense ? 'expense' : 'asset'},${at >= accounts - 2 * unplaced && isExpense ? '' : category},${(at % 97) + 1}`;
  });
  const sum = rows.reduce((total, row) => total + Number(row.split(',').at(-1)), 0);
  const { fileId } = await send<{ fileId: number }>(
    `/companies/${company.id}/trial-balance-files?name=placement.csv`,
    Buffer.from(`Number,Name,Element,Category,Balance\n${rows.join('\n')}\n90000,Capital,equity,Capital,${-sum}`),
  );
  await send(`/companies/${company.id}/trial-balance-files/${fileId}/posting`, { date: '2026-09-30', confirmElements: true });
  return company;
}
