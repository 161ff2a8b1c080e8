import {
  type BalanceVector,
  balanceAt,
  beginCashFlow,
  beginChangesInEquity,
  beginLayout,
  type CaptionLanguage,
  type ColumnPlan,
  type Comparison,
  type CompiledLayout,
  compileLayout,
  type Day,
  type Element,
  elements,
  type FacetFilter,
  fail,
  filterText,
  type GeneratedName,
  generateBalanceSheet,
  generateIncomeStatement,
  layers,
  measureOf,
  type Outcome,
  type PartialLines,
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
  type UsualColumns,
} from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import { categoryTreeIn } from './categoryTreeIn.ts';
import { compileOwn, composedLayout } from './composedLayouts.ts';
import type { Failure } from './failure.ts';
import { inClassification } from './inClassification.ts';
import { mainLanguage } from './mainLanguage.ts';
import { openBooksOf, withFreshBooks } from './openBooks.ts';
import { placementDays } from './placedThen.ts';
import { type PlannedColumns, plannedColumns } from './plannedColumns.ts';
import type { Books, Ports } from './ports/index.ts';
import { type Presentation, presentationOf, presented, refusedInCurrency } from './presentation.ts';
import { runColumns } from './runColumns.ts';

export interface SpanChoice {
  readonly from: Day;
  readonly to: Day;
  readonly compare: Comparison['kind'];
  readonly compareFrom?: Day | undefined;
  readonly compareTo?: Day | undefined;
  /** What ends on the last day of a year with a period for adjustments is without the lines of that. */
  readonly adjusting?: 'before' | undefined;
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

/** A generated statement, or the id of a composed layout. */
export type StatementName = GeneratedName | number;

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

/** Layouts follow the placement: they are made from it, once for each structure, which every state of the ledger over it shares. */
const compiledOf = new WeakMap<Books['portions'], Map<CaptionLanguage, Record<GeneratedName, CompiledLayout>>>();

/** In a language of the company, its main one where none is asked for. */
export function layoutsOf(books: Books, language: CaptionLanguage = mainLanguage(books.company)): Record<GeneratedName, CompiledLayout> {
  const known = compiledOf.get(books.portions) ?? new Map<CaptionLanguage, Record<GeneratedName, CompiledLayout>>();
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
    trial_balance: compileOwn(books, beginLayout('trial_balance', facts), language),
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
    const kind = name === 'trial_balance' ? 'free' : name;
    const books = await presented(ports, inClassification(opened, classification), kind, choice.presentation, days);
    if (!books.ok) return books;
    const compiled = titled(layoutsOf(books.value, languageFor(books.value, language))[name], books.value);
    const measure = name === 'balance_sheet' || name === 'trial_balance' ? 'closing' : 'movement';
    return succeed({ books: books.value, compiled, measure, layoutId: null, scope: scopeOf({ kind, scope: elements }), usual: undefined });
  }
  const record = await ports.layouts.record(opened.company.id, name);
  if (!record) return fail({ code: 'not_found', thing: 'layout', id: name });
  const books = await presented(ports, inClassification(opened, record.classificationId), record.kind, choice.presentation, days);
  if (!books.ok) return books;
  const composed = await composedLayout(ports, books.value, record, languageFor(books.value, language));
  if (!composed) return fail({ code: 'layout_not_in_use', name: record.name });
  const { compiled, own } = composed;
  return succeed({ books: books.value, compiled, measure: measureOf(own), layoutId: name, scope: scopeOf(own), usual: own.columns });
}

/** Run anew where somebody posted while it was run over parts of the ledger. */
export function prepareStatement(ports: Ports, companyId: number, name: StatementName, choice: ColumnChoice): Promise<Outcome<PreparedStatement, Failure>> {
  return withFreshBooks(() => prepareOnce(ports, companyId, name, choice));
}

async function prepareOnce(ports: Ports, companyId: number, name: StatementName, choice: ColumnChoice): Promise<Outcome<PreparedStatement, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets ?? {});
  if (!opened.ok) return opened;
  const asToday = await openLayout(ports, opened.value, name, choice);
  if (!asToday.ok) return asToday;
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const asked: PlannedColumns = choice.plan ? { plan: choice.plan, planId: choice.planId } : await usualColumns(ports, asToday.value);
  const columns = await plannedColumns(ports, { ...asToday.value, ...asToday.value.compiled.layout }, { ...choice, ...asked }, comparison.value, span);
  if (!columns.ok) return columns;
  const days = placementDays(columns.value);
  const layout = days.length === 0 ? asToday : await openLayout(ports, opened.value, name, choice, days);
  if (!layout.ok) return layout;
  const { books, compiled, layoutId, scope } = layout.value;
  const refused = refusedInCurrency(layout.value, columns.value);
  if (refused) return fail(refused);
  const presentation = await presentationOf(ports, books, choice.presentation, choice.to);
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
