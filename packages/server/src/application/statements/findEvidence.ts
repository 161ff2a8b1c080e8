import {
  type Currency,
  type Explained,
  explain,
  fail,
  type Outcome,
  planCell,
  type StatementPlan,
  succeed,
  translationAccountId,
  vectorsNeeded,
  yearOf,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { differenceOver } from './differenceOver.ts';
import { type ColumnChoice, planOf, type StatementName } from './prepareStatement.ts';
import { provideVectors } from './provideVectors.ts';
import { translatedBooks } from './translatedBooks.ts';

export interface EvidenceChoice extends ColumnChoice {
  readonly column: number;
  readonly line: string;
  readonly account?: number | undefined;
}

export interface Evidence extends Explained {
  readonly entryCount: number;
  /** Of its amounts. */
  readonly currency: Currency;
}

/** What one cell is made of: the climb above it, the accounts in it, and for one account the entries behind it. */
export function findEvidence(ports: Ports, { companyId }: Access, name: StatementName, choice: EvidenceChoice): Promise<Outcome<Evidence, Failure>> {
  return withFreshBooks(async () => {
    const planned = await planOf(ports, companyId, name, choice);
    if (!planned.ok) return planned;
    const { desk, plan } = planned.value;
    const cell = planCell(plan, choice);
    if (!cell.ok) return cell;
    const vectors = await provideVectors(ports, desk.books, vectorsNeeded([cell.value]), plan.ratesNeeded);
    if (!vectors.ok) return vectors;
    const explained = explain(cell.value, vectors.value, choice);
    if (!explained.ok) return explained;
    const { entries, column, facets, layer } = explained.value;
    const { currency } = plan.ground;
    const own = choice.account === translationAccountId ? await differenceIn(ports, desk.books, plan, explained.value) : succeed(null);
    if (!own.ok) return own;
    const found = own.value ? { ...explained.value, carried: own.value } : explained.value;
    if (!entries || column.budgetId !== undefined) return succeed({ ...found, currency, entryCount: 0 });
    const narrowed = Object.keys(facets).length === 0 ? desk.books : await ports.ledger.narrow(desk.books, facets);
    if (!narrowed) return fail({ code: 'ledger_moved_on' });
    const asked = { ...entries, sort: 'date', selected: narrowed.selected, layer, after: null, limit: 1 } as const;
    return succeed({ ...found, currency, entryCount: (await ports.ledger.accountLines(companyId, asked)).total });
  });
}

/** What the difference of translation is: of a balance what there was when its fiscal year began, and what the rates did since. */
async function differenceIn(
  ports: Ports,
  whole: Books,
  { ground, facets }: StatementPlan,
  { column: { measure, span }, accounts }: Explained,
): Promise<Outcome<Explained['carried'], Failure>> {
  const narrowed = Object.keys(facets).length === 0 ? whole : await ports.ledger.narrow(whole, facets);
  if (!narrowed) return fail({ code: 'ledger_moved_on' });
  const books = await translatedBooks(ports, narrowed, ground.currency.code);
  if (!books.ok) return books;
  const firstDay = measure === 'movement' ? span.firstDay : (yearOf(ground.calendar, span.lastDay)?.firstDay ?? span.firstDay);
  const found = measure === 'opening' ? null : await differenceOver(ports, books.value, { firstDay, lastDay: span.lastDay });
  if (!found) return succeed([]);
  const net = accounts[0]?.net ?? 0n;
  const { ofNetAssets, ofProfit, ofEquity, total } = found.explained;
  const earlier = measure === 'closing' ? -net - found.moved : 0n;
  const told = [
    { caption: 'At the beginning of the fiscal year', net: -earlier },
    { caption: 'Net assets at the beginning × change of the closing rate', net: -ofNetAssets },
    { caption: 'Profit × (closing rate − its average rates)', net: -ofProfit },
    { caption: 'Entries on equity × (closing rate − their rates)', net: -ofEquity },
    { caption: 'Rounding', net: total - found.moved },
  ];
  return succeed(told.filter((one) => one.net !== 0n));
}
