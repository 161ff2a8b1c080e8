import { equityCategories, equityColumns, type Outcome, type Proof, proveEquity, type Span, succeed } from '@ivory-ladder/core';
import { equityChanges } from './equityChanges.ts';
import type { Failure } from './failure.ts';
import type { Books, Ports } from './ports/index.ts';
import { layoutsOf } from './prepareStatement.ts';
import { runColumns } from './runColumns.ts';

/** The generated changes in equity lead from the equity of one balance sheet to that of the next, in each span; `null` where there is no equity. */
export async function proveEquityChanges(ports: Ports, books: Books, spans: readonly Span[]): Promise<Outcome<Proof | null, Failure>> {
  if (!books.accounts.some(({ element }) => element === 'equity')) return succeed(null);
  const { balance_sheet: balanceSheet, changes_in_equity: compiled } = layoutsOf(books);
  const columns = equityColumns(spans, equityCategories({ ...books, tree: books.categoryTree }, 'en'), 'en');
  const ran = await runColumns(ports, books, compiled, columns, {});
  if (!ran.ok) return ran;
  return succeed(proveEquity(await equityChanges(ports, books, balanceSheet, compiled, ran.value)));
}
