import {
  accountLabel,
  type BalanceVector,
  balanceAt,
  buildCategoryTree,
  type CaptionLanguage,
  type ColumnPlan,
  type Comparison,
  type CompiledLayout,
  captionsIn,
  columnsAgainst,
  columnsFor,
  columnsOver,
  comparisonSpan,
  compileLayout,
  type Day,
  type FacetFilter,
  fail,
  filterText,
  generateBalanceSheet,
  generateIncomeStatement,
  type LayoutKind,
  layers,
  movementOver,
  type Outcome,
  type PartialLines,
  type PresentedAccount,
  positionAt,
  positionBefore,
  type RunColumn,
  resultOf,
  runColumn,
  type Span,
  type StatementColumn,
  succeed,
} from '@ivory-ladder/core';
import { budgetOver } from './budgetOver.ts';
import type { Failure } from './failure.ts';
import { inClassification } from './inClassification.ts';
import { openBooksOf } from './openBooks.ts';
import type { Books, Ports } from './ports/index.ts';

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
  readonly plan: ColumnPlan;
  /** Of the plan `budget`. */
  readonly budget?: number | undefined;
  readonly language?: string | undefined;
}

/** More do not fit on any page, nor in a reader's head. */
const mostColumns = 60;

export interface PreparedStatement {
  readonly books: Books;
  readonly kind: LayoutKind;
  /** That was asked for. */
  readonly span: Span;
  /** What the figures are a part of the ledger by, in words; empty where all lines count. */
  readonly part: string;
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
  /** One for each column of amounts. */
  readonly runs: readonly RunColumn[];
  readonly accounts: readonly PresentedAccount[];
}

/** Layouts follow the placement: they are made from it, once for each structure, which every state of the ledger over it shares. */
const compiledOf = new WeakMap<Books['portions'], Map<CaptionLanguage, Record<LayoutKind, CompiledLayout>>>();

/** In a language of the company, its main one where none is asked for. */
export function layoutsOf(books: Books, language: CaptionLanguage = mainLanguage(books)): Record<LayoutKind, CompiledLayout> {
  const known = compiledOf.get(books.portions) ?? new Map<CaptionLanguage, Record<LayoutKind, CompiledLayout>>();
  compiledOf.set(books.portions, known);
  const made = known.get(language);
  if (made) return made;
  const tree = language === mainLanguage(books) ? books.categoryTree : buildCategoryTree(captionsIn(books.categories, language));
  const facts = { tree, language, portions: books.portions, options: books.options, retainedEarningsId: books.retainedEarningsId };
  const compiled = {
    balance_sheet: compileLayout(generateBalanceSheet(facts), books.cube.accountIds, books.portions),
    income_statement: compileLayout(generateIncomeStatement(facts), books.cube.accountIds, books.portions),
  };
  known.set(language, compiled);
  return compiled;
}

function mainLanguage({ company }: Books): CaptionLanguage {
  return company.languages[0] ?? 'en';
}

/** The language asked for, if it is one of the company's; else its main one. */
function languageFor(books: Books, asked: string | undefined): CaptionLanguage {
  return books.company.languages.find((language) => language === asked) ?? mainLanguage(books);
}

export function comparisonOf(choice: SpanChoice): Outcome<Comparison, Failure> {
  if (choice.from > choice.to) return fail({ code: 'span_reversed', from: choice.from, to: choice.to });
  if (choice.compare !== 'fixed') return succeed({ kind: choice.compare });
  const { compareFrom, compareTo } = choice;
  if (compareFrom === undefined || compareTo === undefined) return fail({ code: 'comparison_incomplete' });
  if (compareFrom > compareTo) return fail({ code: 'span_reversed', from: compareFrom, to: compareTo });
  return succeed({ kind: 'fixed', firstDay: compareFrom, lastDay: compareTo });
}

/** Lines inside periods for every day that a run needs; nothing is asked where all days end a period. */
export async function partialsFor({ ledger }: Pick<Ports, 'ledger'>, books: Books, spans: readonly Span[]): Promise<PartialLines> {
  const positions = spans.flatMap((span) => [positionAt(books.cube.calendar, span.lastDay), positionBefore(books.cube.calendar, span.firstDay)]);
  return ledger.linesWithin(
    books,
    positions.filter((position) => position.partialFrom !== null),
  );
}

export function balancesFor(books: Books, day: Day, partial: PartialLines): BalanceVector {
  return balanceAt(books.cube, books.traits, layers, day, partial);
}

export function runBalances(compiled: CompiledLayout, books: Books, balances: BalanceVector): RunColumn {
  const input = { net: balances.net, result: resultOf(balances.net, books.traits.resets), notAllotted: balances.notAllotted };
  return { net: balances.net, amounts: runColumn(compiled, input) };
}

/** What a rung of a climb is called. */
export function captionOfTotal(line: CompiledLayout['lines'][number] | undefined): string {
  return line === undefined ? '' : line.kind === 'group' && line.rung === 0 ? line.totalCaption : line.caption;
}

/** The same for every state of the ledger over one structure. */
const inOrderOf = new WeakMap<Books['tree'], readonly PresentedAccount[]>();

export function accountsInOrder(books: Books): readonly PresentedAccount[] {
  const known = inOrderOf.get(books.tree);
  if (known) return known;
  const made = books.tree.order.map((account, at) => ({
    account,
    label: books.labels.get(account.id) ?? accountLabel(account),
    index: books.cube.indexOf.get(account.id) as number,
    isParent: books.tree.isParent[at] as boolean,
  }));
  inOrderOf.set(books.tree, made);
  return made;
}

/** Of another classification than the main one, a statement says so wherever it goes. */
function titled(compiled: CompiledLayout, { classifications, classificationId, company }: Books): CompiledLayout {
  if (classificationId === company.mainClassification) return compiled;
  const name = classifications.find(({ id }) => id === classificationId)?.name ?? '';
  return { ...compiled, layout: { ...compiled.layout, title: `${compiled.layout.title} (${name})` } };
}

export async function prepareStatement(ports: Ports, companyId: number, kind: LayoutKind, choice: ColumnChoice): Promise<Outcome<PreparedStatement, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets ?? {});
  if (!opened.ok) return opened;
  const classified = inClassification(opened.value, choice.classification);
  if (!classified.ok) return classified;
  const books = classified.value;
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const comparative = comparisonSpan(comparison.value, kind, span, books.calendar);
  if (choice.plan === 'budget') return besideBudget(ports, books, kind, choice, span);
  const columns = choice.plan === 'comparison' ? columnsFor(kind, span, comparative) : columnsOver(choice.plan, kind, span, books.calendar);
  if (columns.length > mostColumns) return fail({ code: 'columns_too_many', columns: columns.length, most: mostColumns });
  const spans = columns.flatMap((column) => (column.kind === 'amount' ? [column.span] : []));
  const partial = await partialsFor(ports, books, spans);
  const compiled = titled(layoutsOf(books, languageFor(books, choice.language))[kind], books);
  const runs = spans.map((columnSpan) =>
    kind === 'balance_sheet'
      ? runBalances(compiled, books, balancesFor(books, columnSpan.lastDay, partial))
      : runBalances(compiled, books, { net: movementOver(books.cube, layers, columnSpan, partial), notAllotted: 0n }),
  );
  const part = filterText(choice.facets ?? {}, books.lists);
  return succeed({ books, kind, span, part, compiled, columns, runs, accounts: accountsInOrder(books) });
}

/** A budget has movements only, by account and period: it stands beside an income statement of whole periods and all lines. */
async function besideBudget(
  ports: Ports,
  books: Books,
  kind: LayoutKind,
  { budget, facets, language }: ColumnChoice,
  span: Span,
): Promise<Outcome<PreparedStatement, Failure>> {
  if (kind === 'balance_sheet') return fail({ code: 'budget_without_balances' });
  if (Object.keys(facets ?? {}).length > 0) return fail({ code: 'budget_of_all_lines' });
  const budgeted = await budgetOver(ports, books, budget ?? 0, span);
  if (!budgeted.ok) return budgeted;
  const { name, net } = budgeted.value;
  const compiled = titled(layoutsOf(books, languageFor(books, language)).income_statement, books);
  const posted = movementOver(books.cube, layers, span, await partialsFor(ports, books, [span]));
  const runs = [posted, net].map((column) => runBalances(compiled, books, { net: column, notAllotted: 0n }));
  return succeed({ books, kind, span, part: '', compiled, columns: columnsAgainst(name, span), runs, accounts: accountsInOrder(books) });
}
