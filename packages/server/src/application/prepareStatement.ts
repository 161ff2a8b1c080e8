import {
  type BalanceVector,
  balanceAt,
  beginCashFlow,
  beginChangesInEquity,
  type CaptionLanguage,
  type ColumnPlan,
  type Comparison,
  type CompiledLayout,
  type Currency,
  closingRateOn,
  columnsAgainst,
  columnsFor,
  columnsOver,
  comparisonSpan,
  compileLayout,
  type Day,
  type Element,
  equityCategories,
  equityColumns,
  expandPlan,
  type FacetFilter,
  fail,
  filterText,
  findCurrency,
  type GeneratedKind,
  generateBalanceSheet,
  generateIncomeStatement,
  isIncomeOrExpense,
  type Layout,
  layers,
  measureOf,
  type Outcome,
  type PartialLines,
  type PlainColumn,
  type PlanDefinition,
  type PresentationChoice,
  type PresentedAccount,
  type RunColumn,
  resultOf,
  runColumn,
  type SelectedSets,
  type Span,
  type StatementColumn,
  scopeOf,
  succeed,
  totalEquity,
  type UsualColumns,
} from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import { categoryTreeIn } from './categoryTreeIn.ts';
import { findPlan } from './columnPlans.ts';
import { compileOwn, composedLayout } from './composedLayouts.ts';
import type { Failure } from './failure.ts';
import { inClassification } from './inClassification.ts';
import { mainLanguage } from './mainLanguage.ts';
import { openBooksOf } from './openBooks.ts';
import { placementDays, withStandIns } from './placedThen.ts';
import type { Books, Ports } from './ports/index.ts';
import { runColumns } from './runColumns.ts';
import { asFlows, missingRates, translatedBooks } from './translatedBooks.ts';

export interface SpanChoice {
  readonly from: Day;
  readonly to: Day;
  readonly compare: Comparison['kind'];
  readonly compareFrom?: Day | undefined;
  readonly compareTo?: Day | undefined;
  /** Only lines with these facet values. */
  readonly facets?: FacetFilter | undefined;
  /** Whose categories; the main one's where none is named. */
  readonly classification?: number | undefined;
}

/** Columns, and of what language captions are; the company's main one where none is named. */
export interface ColumnChoice extends SpanChoice {
  /** That of the layout, or the comparison, where none is asked for. */
  readonly plan?: ColumnPlan | 'composed' | undefined;
  /** Of the plan `budget`. */
  readonly budget?: number | undefined;
  /** Of the plan `composed`: one that is kept, or as it is drafted. */
  readonly planId?: number | undefined;
  readonly definition?: PlanDefinition | undefined;
  readonly language?: string | undefined;
  /** The company's own currency where none is asked for. */
  readonly presentation?: PresentationChoice | undefined;
}

/** More do not fit on any page, nor in a reader's head. */
const mostColumns = 60;

/** A generated statement, or the id of a composed layout. */
export type StatementName = GeneratedKind | number;

export interface PreparedStatement {
  readonly books: Books;
  readonly layoutId: number | null;
  /** Elements whose accounts have to stand in it. */
  readonly scope: readonly Element[];
  /** That was asked for. */
  readonly span: Span;
  /** What the figures are a part of the ledger by, in words; empty where all lines count. */
  readonly part: string;
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
  /** One for each column of amounts. */
  readonly runs: readonly RunColumn[];
  /** Of each run: the facet sets whose lines are in it; `null`: all. */
  readonly selected: readonly (SelectedSets | null)[];
  readonly accounts: readonly PresentedAccount[];
  readonly planned: PlannedColumns;
  /** Where it is in another currency than the company's. */
  readonly presentation: Presentation | null;
}

/** `rate`: of the last day, where all amounts are shown by it; the books are in the company's currency then. */
export interface Presentation {
  readonly from: Currency;
  readonly to: Currency;
  readonly rate: { readonly text: string; readonly day: Day } | null;
}

/** The plan that stands across the page. */
interface PlannedColumns {
  readonly plan: ColumnPlan | 'composed';
  readonly planId?: number | undefined;
}

/** Layouts follow the placement: they are made from it, once for each structure, which every state of the ledger over it shares. */
const compiledOf = new WeakMap<Books['portions'], Map<CaptionLanguage, Record<GeneratedKind, CompiledLayout>>>();

/** In a language of the company, its main one where none is asked for. */
export function layoutsOf(books: Books, language: CaptionLanguage = mainLanguage(books.company)): Record<GeneratedKind, CompiledLayout> {
  const known = compiledOf.get(books.portions) ?? new Map<CaptionLanguage, Record<GeneratedKind, CompiledLayout>>();
  compiledOf.set(books.portions, known);
  const made = known.get(language);
  if (made) return made;
  const facts = {
    tree: categoryTreeIn(books, language),
    language,
    portions: books.portions,
    options: books.options,
    retainedEarningsId: books.retainedEarningsId,
  };
  const compiled = {
    balance_sheet: compileLayout(generateBalanceSheet(facts), books.cube.accountIds, books.portions),
    income_statement: compileLayout(generateIncomeStatement(facts), books.cube.accountIds, books.portions),
    cash_flow: compileOwn(books, beginCashFlow(books.options.cashFlow, language), language),
    changes_in_equity: compileOwn(books, beginChangesInEquity(language), language),
  };
  known.set(language, compiled);
  return compiled;
}

/** The language asked for, if it is one of the company's; else its main one. */
function languageFor(books: Books, asked: string | undefined): CaptionLanguage {
  return books.company.languages.find((language) => language === asked) ?? mainLanguage(books.company);
}

export function comparisonOf(choice: SpanChoice): Outcome<Comparison, Failure> {
  if (choice.from > choice.to) return fail({ code: 'span_reversed', from: choice.from, to: choice.to });
  if (choice.compare !== 'fixed') return succeed({ kind: choice.compare });
  const { compareFrom, compareTo } = choice;
  if (compareFrom === undefined || compareTo === undefined) return fail({ code: 'comparison_incomplete' });
  if (compareFrom > compareTo) return fail({ code: 'span_reversed', from: compareFrom, to: compareTo });
  return succeed({ kind: 'fixed', firstDay: compareFrom, lastDay: compareTo });
}

export function balancesFor(books: Books, day: Day, partial: PartialLines): BalanceVector {
  return balanceAt(books.cube, books.traits, layers, day, partial);
}

function inputOf(books: Books, { net, notAllotted }: BalanceVector) {
  return { net, result: resultOf(net, books.traits.resets), notAllotted };
}

/** Of a layout without formulas. */
export function runBalances(compiled: CompiledLayout, books: Books, balances: BalanceVector): RunColumn {
  return runColumn(compiled, inputOf(books, balances));
}

/** What a rung of a climb is called. */
export function captionOfTotal(line: CompiledLayout['lines'][number] | undefined): string {
  return line === undefined ? '' : line.kind === 'group' && line.rung === 0 ? line.totalCaption : line.caption;
}

/** Of another classification than the main one, a statement says so wherever it goes. */
function titled(compiled: CompiledLayout, { classifications, classificationId, company }: Books): CompiledLayout {
  if (classificationId === company.mainClassification) return compiled;
  const name = classifications.find(({ id }) => id === classificationId)?.name ?? '';
  return { ...compiled, layout: { ...compiled.layout, title: `${compiled.layout.title} (${name})` } };
}

/** The layout of a statement over the books, in a language; the books are of the classification that it follows. */
interface OpenedLayout {
  readonly books: Books;
  readonly compiled: CompiledLayout;
  readonly measure: 'closing' | 'movement';
  readonly layoutId: number | null;
  readonly scope: readonly Element[];
  readonly usual: UsualColumns | undefined;
}

async function openLayout(
  ports: Ports,
  opened: Books,
  name: StatementName,
  choice: ColumnChoice,
  days: readonly Day[] = [],
): Promise<Outcome<OpenedLayout, Failure>> {
  const { language, classification } = choice;
  if (typeof name !== 'number') {
    const books = await presented(ports, inClassification(opened, classification), name, choice, days);
    if (!books.ok) return books;
    const compiled = titled(layoutsOf(books.value, languageFor(books.value, language))[name], books.value);
    const measure = name === 'balance_sheet' ? 'closing' : 'movement';
    return succeed({ books: books.value, compiled, measure, layoutId: null, scope: scopeOf({ kind: name, scope: [] }), usual: undefined });
  }
  const record = await ports.layouts.record(opened.company.id, name);
  if (!record) return fail({ code: 'not_found', thing: 'layout', id: name });
  const books = await presented(ports, inClassification(opened, record.classificationId), record.kind, choice, days);
  if (!books.ok) return books;
  const composed = await composedLayout(ports, books.value, record, languageFor(books.value, language));
  if (!composed) return fail({ code: 'layout_not_in_use', name: record.name });
  const { compiled, own } = composed;
  return succeed({ books: books.value, compiled, measure: measureOf(own), layoutId: name, scope: scopeOf(own), usual: own.columns });
}

/**
 * In the currency asked for, where amounts come into it by themselves and not by one rate for all; with stand-ins for accounts that stood elsewhere
 * on days whose placement columns ask for.
 */
async function presented(
  ports: Ports,
  books: Outcome<Books, Failure>,
  kind: Layout['kind'],
  { presentation }: ColumnChoice,
  days: readonly Day[],
): Promise<Outcome<Books, Failure>> {
  if (!books.ok) return books;
  const translated = presentation?.method === 'own_rates' ? await translatedBooks(ports, books.value, presentation.currency) : books;
  if (!translated.ok) return translated;
  return kind === 'cash_flow' ? succeed(asFlows(translated.value)) : withStandIns(ports, translated.value, days);
}

async function presentationOf(
  { rates }: Pick<Ports, 'rates'>,
  { company, translation }: Books,
  { presentation, to: day }: ColumnChoice,
): Promise<Outcome<Presentation | null, Failure>> {
  if (!presentation) return succeed(null);
  if (translation) return succeed({ from: translation.of.company.currency, to: company.currency, rate: null });
  const to = findCurrency(presentation.currency);
  if (!to || to.code === company.currency.code) return fail({ code: 'currency_unknown', currency: presentation.currency });
  const closing = closingRateOn(await rates.list(company.id), to.code, day);
  if (!closing) return fail({ code: 'rates_missing', currency: to.code, rates: [{ kind: 'closing', day }], more: 0 });
  return succeed({ from: company.currency, to, rate: { text: closing.rate, day: closing.day } });
}

/** How many of the rates that are missing are named. */
const mostNamed = 6;

/** What a run in another currency lacks. */
function refusedBy({ books, compiled, scope }: OpenedLayout, columns: readonly StatementColumn[]): Failure | null {
  if (!books.translation) return null;
  const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  const isOfParts = amounts.some(({ facets }) => facets !== undefined) || compiled.readings.some(({ facets }) => Object.keys(facets).length > 0);
  if (isOfParts) return { code: 'translation_of_all_lines' };
  const spans = amounts.flatMap(({ budgetId, span }) => (budgetId === undefined ? [span] : []));
  const ofBalances = scope.length === 0 || scope.some((element) => !isIncomeOrExpense(element));
  const missing = missingRates(books, { spans, ofBalances });
  if (missing.length === 0) return null;
  return { code: 'rates_missing', currency: books.company.currency.code, rates: missing.slice(0, mostNamed), more: Math.max(0, missing.length - mostNamed) };
}

export async function prepareStatement(
  ports: Ports,
  companyId: number,
  name: StatementName,
  choice: ColumnChoice,
): Promise<Outcome<PreparedStatement, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets ?? {});
  if (!opened.ok) return opened;
  const asToday = await openLayout(ports, opened.value, name, choice);
  if (!asToday.ok) return asToday;
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const asked: PlannedColumns = choice.plan ? { plan: choice.plan, planId: choice.planId } : await usualColumns(ports, asToday.value);
  const columns = await plannedColumns(ports, asToday.value, { ...choice, ...asked }, comparison.value, span);
  if (!columns.ok) return columns;
  const days = placementDays(columns.value);
  const layout = days.length === 0 ? asToday : await openLayout(ports, opened.value, name, choice, days);
  if (!layout.ok) return layout;
  const { books, compiled, layoutId, scope } = layout.value;
  const refused = refusedBy(layout.value, columns.value);
  if (refused) return fail(refused);
  const presentation = await presentationOf(ports, books, choice);
  if (!presentation.ok) return presentation;
  const ran = await runColumns(ports, books, compiled, columns.value, choice.facets ?? {});
  if (!ran.ok) return ran;
  const part = filterText(choice.facets ?? {}, books.lists);
  return succeed({
    books,
    layoutId,
    scope,
    span,
    part,
    compiled,
    ...ran.value,
    planned: asked,
    accounts: accountsInOrder(books),
    presentation: presentation.value,
  });
}

/** A version that is returned to may name a plan that has gone since: then it is run with the comparison. */
async function usualColumns({ columnPlans }: Ports, { books, usual }: OpenedLayout): Promise<PlannedColumns> {
  const isGone = usual?.plan === 'composed' && (await columnPlans.find(books.company.id, usual.planId)) === null;
  return usual && !isGone ? usual : { plan: 'comparison' };
}

async function plannedColumns(
  ports: Ports,
  { books, measure, compiled }: OpenedLayout,
  { plan, budget, planId, definition }: ColumnChoice & PlannedColumns,
  comparison: Comparison,
  span: Span,
): Promise<Outcome<readonly StatementColumn[], Failure>> {
  if (plan === 'budget') return succeed(columnsAgainst(budget ?? 0, measure, span));
  const { kind, language } = compiled.layout;
  const equity = kind === 'changes_in_equity' ? equityCategories({ ...books, tree: categoryTreeIn(books, language) }, language) : undefined;
  if (equity && plan === 'comparison') {
    const comparative = comparisonSpan(comparison, 'income_statement', span, books.calendar);
    return succeed(equityColumns(comparative ? [span, comparative] : [span], equity, language));
  }
  if (plan !== 'composed') return columnsOf(books, measure, comparison, plan, span);
  const composed = definition ? succeed(definition) : await findPlan(ports, books.company.id, planId ?? 0);
  if (!composed.ok) return composed;
  const facts = {
    span,
    calendar: books.calendar,
    measure,
    isOfMovements: kind === 'cash_flow' || equity !== undefined,
    lists: books.lists,
    ...(equity ? { equity: { categories: equity, total: totalEquity(language) } } : {}),
  };
  const { columns, faults } = expandPlan(composed.value, facts);
  const [fault] = faults;
  if (fault) return fail({ code: 'plan_unfit', fault });
  return columns.length > mostColumns ? fail({ code: 'columns_too_many', columns: columns.length, most: mostColumns }) : succeed(columns);
}

/** The columns of a plan over a span, as many as a page can hold. */
export function columnsOf(
  books: Books,
  measure: 'closing' | 'movement',
  comparison: Comparison,
  plan: Exclude<ColumnPlan, 'budget'>,
  span: Span,
): Outcome<PlainColumn[], Failure> {
  const kind = measure === 'closing' ? 'balance_sheet' : 'income_statement';
  const comparative = comparisonSpan(comparison, kind, span, books.calendar);
  const columns = plan === 'comparison' ? columnsFor(kind, span, comparative) : columnsOver(plan, kind, span, books.calendar);
  return columns.length > mostColumns ? fail({ code: 'columns_too_many', columns: columns.length, most: mostColumns }) : succeed(columns);
}
