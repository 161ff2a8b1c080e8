import {
  beganWithin,
  type CodesOfList,
  categoriesWithoutNature,
  codeCoverage,
  comparisonSpan,
  coverageOf,
  findAgainstNormalSide,
  findPostingsOnParents,
  isDeclaredComplete,
  isInScope,
  layers,
  movementOver,
  notProvable,
  type Outcome,
  type Proof,
  type ProofAccount,
  proveAllotted,
  proveBalanceSheet,
  proveBalances,
  proveCodes,
  proveCoverage,
  proveLayouts,
  proveNatures,
  proveOwnTotals,
  proveProfit,
  proveTrialBalance,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import { accountsInOrder } from './accountsInOrder.ts';
import { booksOfAdjusting } from './adjustingBooks.ts';
import { coveredLayouts } from './composedLayouts.ts';
import { coveredAccounts } from './coveredAccounts.ts';
import type { Failure } from './failure.ts';
import { hasOtherPlace } from './hasOtherPlace.ts';
import { openClassified } from './inClassification.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, Ports } from './ports/index.ts';
import { balancesFor, comparisonOf, layoutsOf, prepareStatement, runBalances, type SpanChoice } from './prepareStatement.ts';
import { proveCashFlows } from './proveCashFlows.ts';
import { proveEquityChanges } from './proveEquityChanges.ts';
import { statementTies } from './statementTies.ts';

export interface Proofs {
  readonly books: Books;
  readonly proofs: readonly Proof[];
}

/** Every proof of the statements, for the chosen day or span and its comparative; of a composed one with its own totals first. */
export async function proveStatements(
  ports: Ports,
  { companyId }: Access,
  choice: SpanChoice & { readonly layout?: number | undefined },
): Promise<Outcome<Proofs, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openClassified(ports, companyId, choice.classification);
  if (!opened.ok) return opened;
  const books = booksOfAdjusting(opened.value, choice.to, choice.adjusting);
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const comparative = comparisonSpan(comparison.value, 'balance_sheet', span, books.calendar);
  const spans = comparative ? [span, comparative] : [span];
  const partial = await partialsFor(ports, books, spans);
  const layouts = layoutsOf(books);
  const columns = spans.map(({ lastDay }) => {
    const balances = balancesFor(books, lastDay, partial);
    const sheet = runBalances(layouts.balance_sheet, books, balances);
    const income = runBalances(layouts.income_statement, books, balances);
    const profit = income.amounts[layouts.income_statement.indexOf.get('profit') as number] as bigint;
    const result = sheet.amounts[layouts.balance_sheet.indexOf.get('result') as number] as bigint;
    return { day: lastDay, ...balances, amounts: sheet.amounts, profit, result };
  });
  const accounts = accountsInOrder(books);
  const current = columns[0] as (typeof columns)[number];
  const covered = coveredAccounts(books);
  const coverage = (['balance_sheet', 'income_statement'] as const).map((kind) =>
    coverageOf(kind, covered, layouts[kind].lineOfDebit, layouts[kind].lineOfCredit, current.net),
  );
  const atFault = (kind: 'balance_sheet' | 'income_statement'): ProofAccount[] =>
    coverage
      .flatMap(({ faults, leftOut }) => [...faults, ...leftOut.map((one) => ({ ...one, state: 'left_out' as const }))])
      .filter(({ account, net }) => net !== 0n && isInScope(kind, accounts.find(({ index }) => index === account)?.account.element ?? 'asset'))
      .map(({ account, state, net }) => ({ account, reason: state, net }));
  const codes = proveCodes(current.day, codesOf(books, current.net));
  const ofLayouts = await coveredLayouts(ports, books, span, { closing: current.net, movement: movementOver(books.cube, layers, span, partial) });
  if (!ofLayouts.ok) return ofLayouts;
  const composed = proveLayouts(current.day, ofLayouts.value);
  const movementBefore = comparisonSpan(comparison.value, 'income_statement', span, books.calendar);
  // Over a span in which balances began nothing is known of what moved.
  const moving = (movementBefore ? [span, movementBefore] : [span]).filter((one) => beganWithin(books.calendar, books.firstBalances, one) === null);
  const cash = await proveCashFlows(ports, books, moving);
  const equity = await proveEquityChanges(ports, books, moving);
  const began = beganWithin(books.calendar, books.firstBalances, span);
  if (!cash.ok) return cash;
  if (!equity.ok) return equity;
  const own = choice.layout === undefined ? succeed(null) : await proveComposed(ports, companyId, choice.layout, choice);
  if (!own.ok) return own;
  const differences = await ports.ledger.differencesFromLines(books);
  return succeed({
    books,
    proofs: [
      ...(own.value ? [own.value] : []),
      proveTrialBalance(columns),
      proveBalanceSheet(layouts.balance_sheet, columns, atFault('balance_sheet')),
      proveProfit(columns, atFault('income_statement')),
      ...[cash.value, equity.value].flatMap((proof) => (proof === null ? [] : began === null ? [proof] : [notProvable(proof.name, began)])),
      ...(cash.value && began === null ? [proveNatures(span.lastDay, movedWithoutNature(books, movementOver(books.cube, layers, span, partial)))] : []),
      proveCoverage(current.day, coverage),
      ...(codes ? [codes] : []),
      ...(composed ? [composed] : []),
      findPostingsOnParents(accounts, current.net),
      findAgainstNormalSide(accounts, current.net, (id) => hasOtherPlace(books, id)),
      proveAllotted(columns),
      ...(differences ? [proveBalances([...differences].map(([accountId, net]) => ({ account: books.cube.indexOf.get(accountId) as number, net })))] : []),
    ],
  });
}

/** A composed balance sheet or income statement by its own totals; `null` for others, and where none of its columns has to tie. */
async function proveComposed(ports: Ports, companyId: number, layoutId: number, choice: SpanChoice): Promise<Outcome<Proof | null, Failure>> {
  const prepared = await prepareStatement(ports, companyId, layoutId, { ...choice, plan: 'comparison' });
  if (!prepared.ok) return prepared;
  const { kind } = prepared.value.compiled.layout;
  if (kind !== 'balance_sheet' && kind !== 'income_statement') return succeed(null);
  const columns = statementTies(prepared.value).flatMap(({ column, totals }) => (totals ? [{ day: column.span.lastDay, totals }] : []));
  return succeed(columns.length === 0 ? null : proveOwnTotals(kind, columns));
}

/** Accounts but cash of which a category of the balance sheet takes a side without saying of what nature its cash flows are. */
function movedWithoutNature(books: Books, movement: BigInt64Array) {
  const without = categoriesWithoutNature(books.categoryTree, books.categories);
  return accountsInOrder(books).flatMap(({ account: { id, role }, index }) => {
    const { debit = null, credit = null } = books.portions.get(id) ?? {};
    const isWithout = role !== 'cash' && [debit, credit].some((category) => category !== null && without.has(category));
    return isWithout ? [{ account: index, net: movement[index] as bigint }] : [];
  });
}

/** What the lists that are declared complete lack. */
function codesOf(books: Books, net: BigInt64Array): CodesOfList[] {
  const codesById = new Map(books.accounts.map(({ id, codes }) => [id, codes]));
  const accounts = accountsInOrder(books).map(({ account, index, isParent }) => ({
    ...account,
    isParent,
    index,
    hasAmount: net[index] !== 0n,
    codes: codesById.get(account.id) ?? {},
  }));
  return books.lists
    .filter((list) => list.kind === 'report' && isDeclaredComplete(list))
    .map((list) => {
      const leftOut = new Set(books.exclusions.filter(({ scope }) => scope === list.key).map(({ accountId }) => accountId));
      const { inScope, missing } = codeCoverage(list, accounts, leftOut, books.company.digitOrder);
      return { list: list.name, inScope, missing: missing.map(({ index }) => ({ account: index, net: net[index] as bigint })) };
    });
}
