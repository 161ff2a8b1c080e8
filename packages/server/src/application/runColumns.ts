import {
  type AmountColumn,
  addDays,
  type BalanceVector,
  balanceAt,
  beganWithin,
  type ColumnInput,
  type CompiledLayout,
  equityColumnOf,
  type FacetFilter,
  facetKey,
  fail,
  isSplitBySide,
  type Layer,
  layers,
  maskColumn,
  movementOver,
  type Outcome,
  type PartialLines,
  type RunColumn,
  resultOf,
  runColumn,
  type SelectedSets,
  type Span,
  type StatementColumn,
  succeed,
  yearOf,
} from '@ivory-ladder/core';
import { booksOfAdjusting } from './adjustingBooks.ts';
import { splitByDaysOfCash } from './besideCash.ts';
import { type BudgetedColumn, budgetOver } from './budgetOver.ts';
import { findBudget } from './budgets.ts';
import { commonFilter } from './commonFilter.ts';
import type { Failure } from './failure.ts';
import { partialsFor } from './partialLines.ts';
import { onStandIns, withSameAccounts } from './placedThen.ts';
import type { Books, Ports } from './ports/index.ts';
import { atAverageOf, booksOfReadings, narrowFurther, vectorsOfReadings } from './readingVectors.ts';
import { movingBooks } from './translatedBooks.ts';

/** What a column is run over: the lines that its filter and that of the statement want. */
interface Ground {
  readonly books: Books;
  readonly partial: PartialLines;
  /** What movements are taken from, where that is something else. */
  readonly moving: { readonly books: Books; readonly partial: PartialLines };
  readonly parts: ReadonlyMap<string, Books>;
}

export interface RanColumns {
  /** As they were, with the names of their budgets. */
  readonly columns: readonly StatementColumn[];
  /** One for each column of amounts. */
  readonly runs: readonly RunColumn[];
  /** Of each run: the facet sets whose lines are in it; `null`: all. */
  readonly selected: readonly (SelectedSets | null)[];
}

/** Runs a layout over columns. `asked`: the filter of the statement, which the books are narrowed by already. */
export async function runColumns(
  ports: Ports,
  books: Books,
  compiled: CompiledLayout,
  columns: readonly StatementColumn[],
  asked: FacetFilter,
): Promise<Outcome<RanColumns, Failure>> {
  const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  const grounds = new Map<string, Ground>();
  for (const column of amounts) {
    const { facets = {}, adjusting, span } = column;
    const key = groundKey(column);
    if (grounds.has(key)) continue;
    const found = Object.keys(facets).length === 0 ? succeed(books) : await narrowFurther(ports, books, asked, facets);
    if (!found.ok) return found;
    const whole = withSameAccounts(books, found.value);
    const spans = amounts.flatMap((other) => (groundKey(other) === key ? [other.span] : []));
    const read = await booksOfReadings(ports, whole, commonFilter(books.lists, asked, facets), compiled.readings);
    if (!read.ok) return read;
    const narrowed = booksOfAdjusting(whole, span.lastDay, adjusting);
    const parts = succeed(new Map([...read.value].map(([of, one]) => [of, booksOfAdjusting(withSameAccounts(whole, one), span.lastDay, adjusting)])));
    const partial = await partialsFor(ports, narrowed, spans);
    const moving = movingBooks(narrowed);
    const ofMoving = moving === narrowed ? partial : await partialsFor(ports, moving, spans);
    grounds.set(key, { books: narrowed, partial, moving: { books: moving, partial: ofMoving }, parts: parts.value });
  }
  const runs: RunColumn[] = [];
  const read = new Map<string, Promise<readonly BigInt64Array[]>>();
  const named: StatementColumn[] = [];
  const selected: (SelectedSets | null)[] = [];
  for (const column of columns) {
    if (column.kind !== 'amount') {
      named.push(column);
      continue;
    }
    const ground = grounds.get(groundKey(column)) as Ground;
    const ran =
      column.budgetId === undefined
        ? succeed({ run: await runPosted(ports, compiled, withBeginning(books, column), ground, read), column: withBeginning(books, column) })
        : await runBudget(ports, books, compiled, column, asked);
    if (!ran.ok) return ran;
    runs.push(ran.value.run);
    selected.push(ground.books.selected);
    named.push(ran.value.column);
  }
  return succeed({ columns: named, runs, selected });
}

function groundKey({ facets = {}, adjusting, span }: AmountColumn): string {
  return `${facetKey(facets)} ${adjusting === undefined ? '' : `${adjusting} ${span.lastDay}`}`;
}

/** The column, with the day on which balances began where that is within it. */
export function withBeginning({ calendar, firstBalances }: Books, column: AmountColumn): AmountColumn {
  const began = beganWithin(calendar, firstBalances, column.span);
  return began === null ? column : { ...column, began };
}

/** `read`: what lines take instead of the column's own amounts, which columns over the same lines and days share. */
async function runPosted(
  ports: Ports,
  compiled: CompiledLayout,
  column: AmountColumn,
  { books, partial, moving, parts }: Ground,
  read: Map<string, Promise<readonly BigInt64Array[]>>,
): Promise<RunColumn> {
  const { measure, span, facets = {} } = column;
  const chosen: readonly Layer[] = column.withoutAdjustments ? ['ledger'] : layers;
  const key = [facetKey(facets), column.adjusting ?? '', measure, span.firstDay, span.lastDay, chosen.length].join(' ');
  const readings = read.get(key) ?? vectorsOfReadings(ports, compiled.readings, parts, measure, span, chosen);
  read.set(key, readings);
  return runOver(books, compiled, column, partial, await readings, chosen, moving);
}

/** A column of what was posted. `readings`: one vector for each reading of the layout. */
export function runOver(
  books: Books,
  compiled: CompiledLayout,
  { measure, span, equity, placedOn, began }: Pick<AmountColumn, 'measure' | 'span' | 'equity' | 'placedOn' | 'began'>,
  partial: PartialLines,
  readings: readonly BigInt64Array[],
  chosen: readonly Layer[] = layers,
  moving: Ground['moving'] = { books, partial },
): RunColumn {
  const { cube, traits, company } = books;
  const atBeginning = (): BalanceVector => balanceAt(cube, traits, chosen, span.firstDay, partial, { atBeginning: true });
  const balances: BalanceVector =
    measure === 'movement'
      ? { net: movementOver(moving.books.cube, chosen, span, moving.partial), notAllotted: 0n }
      : measure === 'opening'
        ? atBeginning()
        : balanceAt(cube, traits, chosen, span.lastDay, partial);
  const isSplit = measure === 'movement' && isSplitBySide(compiled, traits.resets);
  const isOfDays = measure === 'movement' && books.standIns?.besideCash !== undefined;
  const amounts = isOfDays
    ? splitByDaysOfCash(books, span, {
        opening: atBeginning().net,
        movement: balances.net,
        closing: balanceAt(cube, traits, chosen, span.lastDay, partial).net,
        notAllotted: balances.notAllotted,
      })
    : null;
  const net = amounts?.movement ?? balances.net;
  const input: ColumnInput = {
    net,
    result: resultOf(net, traits.resets),
    notAllotted: balances.notAllotted,
    ...(isSplit ? { sides: { opening: amounts?.opening ?? atBeginning().net, resets: traits.resets } } : {}),
    readings,
    exponent: company.currency.exponent,
    span,
    ...(books.translation ? { presented: atAverageOf(books) } : {}),
    ...(began === undefined ? {} : { began: { day: began, own: measure, resets: traits.resets } }),
  };
  return runColumn(compiled, equity === undefined ? onStandIns(books, placedOn, input) : borneBy(books, equity, input));
}

const equityColumnsOf = new WeakMap<Books['portions'], Int32Array>();

/** What the column of a category of equity bears. */
function borneBy(books: Books, category: number, input: ColumnInput): ColumnInput {
  const { portions, traits } = books;
  const columnOf = equityColumnsOf.get(portions) ?? equityColumnOf({ ...books, tree: books.categoryTree }, books.cube.accountIds, traits.resets);
  equityColumnsOf.set(portions, columnOf);
  const ofResult = traits.resets.findIndex((resets, account) => resets === 1 && columnOf[account] === category) >= 0;
  return maskColumn(input, (account) => columnOf[account] === category, ofResult);
}

/** The days of the year that a balance of a budget takes its movements of; `null` where the balance is that of the year's beginning. */
function budgetedUpTo({ calendar }: Books, { measure, span }: AmountColumn): Span | null {
  const last = measure === 'opening' ? addDays(span.firstDay, -1) : span.lastDay;
  const first = yearOf(calendar, measure === 'opening' ? span.firstDay : last)?.firstDay ?? last;
  return last < first ? null : { firstDay: first, lastDay: last };
}

/** What was posted before the fiscal year that a balance of a budget is in. */
async function balancesBefore(ports: Ports, books: Books, { measure, span }: AmountColumn): Promise<BalanceVector> {
  const day = measure === 'opening' ? span.firstDay : span.lastDay;
  const firstDay = yearOf(books.calendar, day)?.firstDay ?? day;
  const partial = await partialsFor(ports, books, [{ firstDay, lastDay: firstDay }]);
  return balanceAt(books.cube, books.traits, layers, firstDay, partial, { atBeginning: true });
}

/** Before its first period a budget has moved nothing. */
async function emptyBudget(ports: Ports, { company, cube }: Books, budgetId: number): Promise<Outcome<BudgetedColumn, Failure>> {
  const found = await findBudget(ports, company.id, budgetId);
  return found.ok ? succeed({ name: found.value.name, net: new BigInt64Array(cube.accountIds.length) }) : found;
}

/**
 * A budget is by account and period: it stands beside movements of whole periods and all lines, and beside balances as what was posted
 * before its year and its own movements up to the day.
 */
async function runBudget(
  ports: Ports,
  books: Books,
  compiled: CompiledLayout,
  column: AmountColumn,
  asked: FacetFilter,
): Promise<Outcome<{ readonly run: RunColumn; readonly column: AmountColumn }, Failure>> {
  // A budget moves nothing within equity.
  const readings = compiled.readings.filter((_, at) => at !== compiled.transfersAt);
  if (readings.some((reading) => reading.measure !== 'column' || reading.direction !== undefined)) return fail({ code: 'budget_without_flows' });
  if (Object.keys(asked).length > 0 || column.facets !== undefined || readings.length > 0) return fail({ code: 'budget_of_all_lines' });
  // Balances of a budget would need closing rates of days to come.
  if (books.translation && column.measure !== 'movement') return fail({ code: 'budget_not_translated' });
  const budgeted = await budgetedAmounts(ports, books, column);
  if (!budgeted.ok) return budgeted;
  const { name, net, notAllotted } = budgeted.value;
  const run = runColumn(compiled, {
    net,
    result: resultOf(net, books.traits.resets),
    notAllotted,
    exponent: books.company.currency.exponent,
    span: column.span,
  });
  return succeed({ run, column: { ...column, budget: name } });
}

/** What a column of a budget has of each account: movements, or what was posted before its year and its own movements up to the day. */
export async function budgetedAmounts(
  ports: Ports,
  books: Books,
  column: AmountColumn,
): Promise<Outcome<BudgetedColumn & { readonly notAllotted: bigint }, Failure>> {
  const { measure, span } = column;
  const balances = measure === 'movement' ? null : await balancesBefore(ports, books, column);
  const over = measure === 'movement' ? span : budgetedUpTo(books, column);
  const budgeted = over ? await budgetOver(ports, books, column.budgetId ?? 0, over) : await emptyBudget(ports, books, column.budgetId ?? 0);
  if (!budgeted.ok) return budgeted;
  const { name, net: moved } = budgeted.value;
  const net = balances ? moved.map((amount, at) => amount + (balances.net[at] as bigint)) : moved;
  return succeed({ name, net, notAllotted: balances?.notAllotted ?? 0n });
}
