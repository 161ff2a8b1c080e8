import { addDays, type Day, type Span } from '../calendar/day.ts';
import { elements } from '../chart/element.ts';
import { type Comparison, comparisonSpan } from '../columns/comparisons.ts';
import { equityCategories, equityColumns } from '../columns/equityColumns.ts';
import { adjustingIndexOn } from '../cube/adjustingPeriod.ts';
import { beganWithin } from '../cube/openings.ts';
import type { BalanceVector } from '../cube/vector.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { layoutCoverage } from '../layout/layoutCoverage.ts';
import { measureOf, type OwnLayout, scopeOf } from '../layout/ownLayout.ts';
import { categoriesWithoutNature } from '../placement/cashNature.ts';
import { codeCoverage, isDeclaredComplete } from '../placement/codeCoverage.ts';
import { type CoverageAccount, coverageOf, isInScope } from '../placement/coverage.ts';
import { hasOtherPlace } from '../placement/hasOtherPlace.ts';
import { findAgainstNormalSide, findPostingsOnParents } from '../proofs/findOddBalances.ts';
import { notProvable, type Proof, type ProofAccount } from '../proofs/proof.ts';
import { proveAllotted } from '../proofs/proveAllotted.ts';
import { proveBalanceSheet } from '../proofs/proveBalanceSheet.ts';
import { type CashColumn, cashIn, cashMoved, changeByLines, proveCash } from '../proofs/proveCash.ts';
import { type CodesOfList, proveCodes } from '../proofs/proveCodes.ts';
import { proveCoverage } from '../proofs/proveCoverage.ts';
import { proveEquity } from '../proofs/proveEquity.ts';
import { type CoveredLayout, proveLayouts } from '../proofs/proveLayouts.ts';
import { proveNatures } from '../proofs/proveNatures.ts';
import { proveProfit } from '../proofs/proveProfit.ts';
import { proveTrialBalance } from '../proofs/proveTrialBalance.ts';
import { type RunColumn, resultOf, runColumn } from '../statement/runColumn.ts';
import type { AmountColumn } from '../statement/statement.ts';
import { type SpanNeeds, spanNeeds } from './columnNeeds.ts';
import { cashOn, groundOfCash } from './daysOfCash.ts';
import { equityChanges, equityNeeds } from './equityChanges.ts';
import { type Ground, mainLanguageOf, presentedAccounts } from './ground.ts';
import { needKey, type VectorNeed } from './need.ts';
import type { ColumnsPlan } from './plan.ts';
import { amountsOver, runColumns, vectorsNeeded } from './runColumns.ts';
import { composedOn, generatedOn } from './runLayouts.ts';
import type { Vectors } from './vectors.ts';

/** A composed layout that is in use over the categories of a ground. */
export interface LayoutRunning {
  readonly id: number;
  readonly name: string;
  readonly own: OwnLayout;
}

export interface ProofsAsked {
  readonly span: Span;
  readonly comparison: Comparison;
  readonly adjusting?: 'before' | undefined;
  readonly layouts: readonly LayoutRunning[];
}

interface CashFlowProved {
  /** Of a composed one. */
  readonly name: string | null;
  readonly plan: ColumnsPlan;
}

/** All that the statements of a ground prove for a day or span and its comparative. */
export interface ProofPlan {
  readonly ground: Ground;
  readonly span: Span;
  /** The last days of the span and of its comparative. */
  readonly days: readonly { readonly day: Day; readonly over: SpanNeeds }[];
  readonly layouts: readonly (LayoutRunning & { readonly plan: ColumnsPlan })[];
  readonly cashFlows: readonly CashFlowProved[];
  /** `null` where no account is of equity. */
  readonly equity: ColumnsPlan | null;
}

/** `ground`: in the company's currency, without stand-ins. */
export function planProofs(ground: Ground, { span, comparison, adjusting, layouts }: ProofsAsked): ProofPlan {
  const { calendar, firstBalances } = ground;
  const beside = comparisonSpan(comparison, 'balance_sheet', span, calendar);
  const movedBefore = comparisonSpan(comparison, 'income_statement', span, calendar);
  const column = (measure: AmountColumn['measure'], over: Span): AmountColumn => ({
    kind: 'amount',
    measure,
    span: over,
    ...(adjusting !== undefined && adjustingIndexOn(calendar, over.lastDay) >= 0 ? { adjusting } : {}),
  });
  // Over a span in which balances began nothing is known of what moved.
  const moving = (movedBefore ? [span, movedBefore] : [span]).filter((one) => beganWithin(calendar, firstBalances, one) === null);
  const planned = (over: Ground, compiled: CompiledLayout, columns: readonly AmountColumn[]): ColumnsPlan => ({
    ground: over,
    compiled,
    columns,
    facets: {},
    presented: null,
  });
  const ofCash = groundOfCash(ground);
  const flowing = moving.map((one) => column('movement', one));
  const generated = generatedOn(ofCash).cash_flow;
  const cashFlows =
    (generated.layout.cash?.accounts.length ?? 0) === 0
      ? []
      : [
          { name: null, plan: planned(ofCash, generated, flowing) },
          ...layouts.flatMap(({ name, own }) =>
            own.kind === 'cash_flow' ? [{ name, plan: planned(ofCash, composedOn(ofCash, own, mainLanguageOf(ground)), flowing) }] : [],
          ),
        ];
  const changes = equityColumns(moving, equityCategories({ ...ground, tree: ground.categoryTree }, 'en'), 'en').map((one) => ({
    ...column(one.measure, one.span),
    ...one,
  }));
  return {
    ground,
    span,
    days: (beside ? [span, beside] : [span]).map((one) => ({ day: one.lastDay, over: spanNeeds({ ground, facets: {} }, column('closing', one)) })),
    layouts: layouts.map((layout) => ({
      ...layout,
      plan: planned(ground, composedOn(ground, layout.own, mainLanguageOf(ground)), [column(measureOf(layout.own), span)]),
    })),
    cashFlows,
    equity: ground.accounts.some(({ element }) => element === 'equity') ? planned(ground, generatedOn(ground).changes_in_equity, changes) : null,
  };
}

export function proofNeeds({ ground, days, layouts, cashFlows, equity }: ProofPlan): VectorNeed[] {
  const ends = cashFlows.flatMap(({ plan }) => amountsOf(plan).flatMap((column) => endsOf(ground, column)));
  const needs = [
    ...days.map(({ over }) => over.closing),
    ...(days[0] ? [days[0].over.movement] : []),
    ...vectorsNeeded([...layouts.map(({ plan }) => plan), ...cashFlows.map(({ plan }) => plan), ...(equity ? [equity] : [])]),
    ...ends,
    ...(equity ? equityNeeds(equity) : []),
  ];
  return [...new Map(needs.map((need) => [needKey(need), need])).values()];
}

function amountsOf({ columns }: ColumnsPlan): AmountColumn[] {
  return columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
}

function endsOf(ground: Ground, column: AmountColumn): readonly [opening: VectorNeed, movement: VectorNeed, closing: VectorNeed] {
  const { opening, movement, closing } = spanNeeds({ ground, facets: {} }, column);
  return [opening, movement, closing];
}

/** Every proof of the statements; what is compared is what lines hold with what the ledger says, never with a second computation of the same sum. */
export function proveGround(plan: ProofPlan, vectors: Vectors): readonly Proof[] {
  const { ground, span, days, layouts } = plan;
  const { calendar, firstBalances } = ground;
  const generated = generatedOn(ground);
  const columns = days.map(({ day, over }) => {
    const balances = vectors.of(over.closing);
    const sheet = runBalances(ground, generated.balance_sheet, balances);
    const income = runBalances(ground, generated.income_statement, balances);
    const profit = income.amounts[generated.income_statement.indexOf.get('profit') as number] as bigint;
    const result = sheet.amounts[generated.balance_sheet.indexOf.get('result') as number] as bigint;
    return { day, ...balances, amounts: sheet.amounts, profit, result };
  });
  const accounts = presentedAccounts(ground);
  const current = columns[0] as (typeof columns)[number];
  const movement = vectors.of((days[0] as (typeof days)[number]).over.movement).net;
  const covered = coveredOn(ground, null);
  const elementOf = new Map(accounts.map(({ account, index }) => [index, account.element]));
  const coverage = (['balance_sheet', 'income_statement'] as const).map((kind) =>
    coverageOf(kind, covered, generated[kind].lineOfDebit, generated[kind].lineOfCredit, current.net),
  );
  const atFault = (kind: 'balance_sheet' | 'income_statement'): ProofAccount[] =>
    coverage
      .flatMap(({ faults, leftOut }) => [...faults, ...leftOut.map((one) => ({ ...one, state: 'left_out' as const }))])
      .filter(({ account, net }) => net !== 0n && isInScope(kind, elementOf.get(account) ?? 'asset'))
      .map(({ account, state, net }) => ({ account, reason: state, net }));
  const codes = proveCodes(current.day, codesOf(ground, current.net));
  const composed = proveLayouts(
    current.day,
    layouts.map((layout) => coveredLayout(ground, layout, vectors)),
  );
  const cash = cashProof(plan, generated.balance_sheet, vectors);
  const equity = equityProof(plan, generated.balance_sheet, vectors);
  const began = beganWithin(calendar, firstBalances, span);
  return [
    proveTrialBalance(columns),
    proveBalanceSheet(generated.balance_sheet, columns, atFault('balance_sheet')),
    proveProfit(columns, atFault('income_statement')),
    ...[cash, equity].flatMap((proof) => (proof === null ? [] : began === null ? [proof] : [notProvable(proof.name, began)])),
    ...(cash && began === null ? [proveNatures(span.lastDay, movedWithoutNature(ground, movement))] : []),
    proveCoverage(current.day, coverage),
    ...(codes ? [codes] : []),
    ...(composed ? [composed] : []),
    findPostingsOnParents(accounts, current.net),
    findAgainstNormalSide(accounts, current.net, (id) => hasOtherPlace(ground, id)),
    proveAllotted(columns),
  ];
}

/** A layout without formulas over balances. */
export function runBalances(
  { traits }: Pick<Ground, 'traits'>,
  compiled: CompiledLayout,
  { net, notAllotted }: Pick<BalanceVector, 'net' | 'notAllotted'>,
): RunColumn {
  return runColumn(compiled, { net, result: resultOf(net, traits.resets), notAllotted });
}

/** What the coverage of a statement is about: a composed layout, or one that is generated. */
export function coveredOn(ground: Ground, layoutId: number | null): CoverageAccount[] {
  const scope = layoutId === null ? `classification:${ground.classificationId}` : `layout:${layoutId}`;
  const leftOut = new Set(ground.exclusions.filter((one) => one.scope === scope).map(({ accountId }) => accountId));
  return presentedAccounts(ground).map(({ account, index, isParent }) => ({
    account: index,
    element: account.element,
    isParent,
    // What ranges of two categories hold; composed layouts say themselves what stands in two of their lines.
    isDoubled: layoutId === null && ground.doubled.has(account.id),
    isLeftOut: leftOut.has(account.id),
  }));
}

/** What stands in a composed layout; of lines that take some facet values, by what those hold over the span. */
function coveredLayout(ground: Ground, { id, name, own, plan }: ProofPlan['layouts'][number], vectors: Vectors): CoveredLayout {
  const run = runColumns(plan, vectors)[0] as RunColumn;
  const [column] = amountsOf(plan) as [AmountColumn];
  const { net } = vectors.of(spanNeeds(plan, column)[column.measure]);
  return { id, name, coverage: layoutCoverage(plan.compiled, scopeOf(own), coveredOn(ground, id), net, ground.lists, run.readings ?? []) };
}

/** In every cash flow that runs over the categories of the ground, each account but cash explains the change of cash; `null` where no account is cash. */
function cashProof({ ground, cashFlows }: ProofPlan, balanceSheet: CompiledLayout, vectors: Vectors): Proof | null {
  if (cashFlows.length === 0) return null;
  const columns = cashFlows.flatMap(({ name, plan }) => {
    const runs = runColumns(plan, vectors);
    return amountsOf(plan).map((column, at): CashColumn => {
      const run = runs[at] as RunColumn;
      const { compiled, ground: over } = plan;
      const { span } = column;
      const [opening, , closing] = endsOf(ground, column).map((need) => vectors.of(need).net) as [BigInt64Array, BigInt64Array, BigInt64Array];
      const own = amountsOver(over, vectors, spanNeeds({ ground: over, facets: {} }, column), {
        opening: true,
        movement: true,
        closing: true,
        flows: false,
        withoutCash: false,
      });
      const atEnd = cashIn(balanceSheet, cashOn(compiled, over, span.lastDay), closing);
      return {
        layout: name,
        day: span.lastDay,
        byLines: changeByLines(compiled, run),
        moved: cashMoved(compiled, own.opening, own.movement),
        inBalanceSheet: atEnd.net - cashIn(balanceSheet, cashOn(compiled, over, addDays(span.firstDay, -1)), opening).net,
        strangers: atEnd.strangers,
        atFault: layoutCoverage(
          compiled,
          elements,
          presentedAccounts(over).map(({ account, index, isParent }) => ({ account: index, element: account.element, isParent })),
          own.movement,
          over.lists,
          run.readings ?? [],
        )
          .faults.filter(({ net }) => net !== 0n)
          .map(({ account, state, net }) => ({ account, reason: state, net })),
      };
    });
  });
  return proveCash(columns);
}

/** The generated changes in equity lead from the equity of one balance sheet to that of the next, in each span. */
function equityProof({ equity }: ProofPlan, balanceSheet: CompiledLayout, vectors: Vectors): Proof | null {
  return equity && proveEquity(equityChanges(equity, runColumns(equity, vectors), balanceSheet, vectors));
}

/** Accounts but cash of which a category of the balance sheet takes a side without saying of what nature its cash flows are. */
function movedWithoutNature(ground: Ground, movement: BigInt64Array) {
  const without = categoriesWithoutNature(ground.categoryTree, ground.categories);
  return presentedAccounts(ground).flatMap(({ account: { id, role }, index }) => {
    const { debit = null, credit = null } = ground.portions.get(id) ?? {};
    const isWithout = role !== 'cash' && [debit, credit].some((category) => category !== null && without.has(category));
    return isWithout ? [{ account: index, net: movement[index] as bigint }] : [];
  });
}

/** What the lists that are declared complete lack. */
function codesOf(ground: Ground, net: BigInt64Array): CodesOfList[] {
  const complete = ground.lists.filter((list) => list.kind === 'report' && isDeclaredComplete(list));
  if (complete.length === 0) return [];
  const codesById = new Map(ground.accounts.map(({ id, codes }) => [id, codes]));
  const accounts = presentedAccounts(ground).map(({ account: { id, number, element, normalSide, active }, index, isParent }) => ({
    id,
    number,
    element,
    normalSide,
    active,
    isParent,
    index,
    hasAmount: net[index] !== 0n,
    codes: codesById.get(id) ?? {},
  }));
  return complete.map((list) => {
    const leftOut = new Set(ground.exclusions.filter(({ scope }) => scope === list.key).map(({ accountId }) => accountId));
    const { inScope, missing } = codeCoverage(list, accounts, leftOut, ground.digitOrder);
    return { list: list.name, inScope, missing: missing.map(({ index }) => ({ account: index, net: net[index] as bigint })) };
  });
}
