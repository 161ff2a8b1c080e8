import type { CategoryBody, PlacementView, StoredLayoutOptions } from '@ivory-ladder/contract';
import { exampleDays, exampleFile } from './exampleA.ts';
import type { TestServer } from './server.ts';
import { bringIn, createCompany } from './trialBalance.ts';

const steps: Readonly<Record<string, CategoryBody['step']>> = {
  Sales: 'revenue',
  'Investment income': 'investing',
  'Cost of sales': 'cost_of_sales',
  'Interest expense': 'financing',
  'Foreign exchange loss': 'financing',
  'Income tax': 'income_tax',
};

/** Brings both files of example A in through the API, in the given order, and describes the categories they made. */
export async function bringInExampleA(server: TestServer, order: readonly ('x1' | 'x2')[] = ['x1', 'x2']): Promise<number> {
  const { id } = await createCompany(server, { name: 'Example A' });
  for (const year of order) await bringIn(server, id, exampleFile(year), { date: exampleDays[year], retainedEarnings: '3100' });
  const view = await server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2022-01-01&to=2022-12-31`);
  for (const category of view.categories.filter(({ parentId }) => parentId === null)) {
    const change = {
      ...(steps[category.name] ? { step: steps[category.name] } : {}),
      ...(category.name === 'Long-term debt' || category.name === 'Portfolio investments' ? { term: 'non_current' } : {}),
    };
    if (Object.keys(change).length > 0) await server.ok('PATCH', `/companies/${id}/categories/${category.id}`, { version: category.version, ...change });
  }
  const options = await server.ok<StoredLayoutOptions>('GET', `/companies/${id}/layout-options`);
  await server.ok('PUT', `/companies/${id}/layout-options`, { ...options, result: 'within_retained_earnings' });
  return id;
}
