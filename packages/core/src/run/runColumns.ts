import { equityColumnOf } from '../columns/equityColumns.ts';
import { facetKey } from '../facet/facetFilter.ts';
import { isBySide, isSplitBySide } from '../layout/compileLayout.ts';
import { type AccountAmounts, amountOfReading, lessWithoutCash, movedInAll } from '../statement/accountAmounts.ts';
import { maskColumn } from '../statement/maskColumn.ts';
import { type ColumnInput, type RunColumn, resultOf, runColumn } from '../statement/runColumn.ts';
import type { Sides } from '../statement/sides.ts';
import type { AmountColumn } from '../statement/statement.ts';
import { type BudgetNeeds, listNeeds, needsOf, type PostedNeeds, type SpanNeeds, type Wanted } from './columnNeeds.ts';
import { onThoseBesideCash, splitByDaysOfCash } from './daysOfCash.ts';
import { creditNormalOf, type Ground } from './ground.ts';
import { needKey, type VectorNeed } from './need.ts';
import type { ColumnsPlan } from './plan.ts';
import { onStandIns, wide } from './standIns.ts';
import type { Vectors } from './vectors.ts';

/** A column of amounts, and what it holds. */
export interface RanAmounts {
  readonly column: AmountColumn;
  readonly run: RunColumn;
}

/** Every vector that columns are run on, each once. */
export function vectorsNeeded(plans: readonly ColumnsPlan[]): VectorNeed[] {
  const needs = new Map<string, VectorNeed>();
  for (const plan of plans)
    for (const column of plan.columns) if (column.kind === 'amount') for (const need of listNeeds(needsOf(plan, column))) needs.set(needKey(need), need);
  return [...needs.values()];
}

/** One run for each column of amounts, in their order. Cost of each: accounts + lines. */
export function runColumns(plan: ColumnsPlan, vectors: Vectors): RunColumn[] {
  const read = new Map<string, readonly BigInt64Array[]>();
  return plan.columns.flatMap((column) => {
    if (column.kind !== 'amount') return [];
    const needs = needsOf(plan, column);
    const input = needs.of === 'budget' ? budgetInput(plan.ground, needs, vectors, column) : postedInput(plan, needs, vectors, column, read);
    return [runColumn(plan.compiled, input)];
  });
}

export function ranAmounts({ columns }: Pick<ColumnsPlan, 'columns'>, runs: readonly RunColumn[]): RanAmounts[] {
  const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  return amounts.map((column, at) => ({ column, run: runs[at] as RunColumn }));
}

const nothing = new BigInt64Array(0);

/** What accounts have over a span, of what is wanted; what some of them are not cash for stands on those beside them. */
export function amountsOver(ground: Ground, vectors: Vectors, over: SpanNeeds, wanted: Wanted): AccountAmounts {
  const taken = (one: 'opening' | 'movement' | 'closing'): BigInt64Array => (wanted[one] ? wide(ground, vectors.of(over[one]).net) : nothing);
  const flows = wanted.flows ? vectors.flows(over.flows) : null;
  const { take } = over.movement;
  if (take.take !== 'movement') throw new Error('a span is moved over');
  const amounts = splitByDaysOfCash(ground, take.span, {
    opening: taken('opening'),
    movement: taken('movement'),
    closing: taken('closing'),
    notAllotted: wanted.closing ? vectors.of(over.closing).notAllotted : 0n,
    ...(flows
      ? {
          flows: {
            increases: wide(ground, flows.increases),
            raised: wide(ground, flows.raised),
            exchange: wide(ground, flows.exchange),
            transfers: { raised: wide(ground, flows.transfers.raised), lowered: wide(ground, flows.transfers.lowered) },
          },
        }
      : {}),
  });
  if (!wanted.withoutCash) return amounts;
  const { movement, flows: directed } = over.withoutCash;
  const apart = (vector: BigInt64Array): BigInt64Array => onThoseBesideCash(ground, wide(ground, vector));
  const { increases, raised } = vectors.flows(directed);
  return lessWithoutCash(amounts, apart(vectors.of(movement).net), { increases: apart(increases), raised: apart(raised) });
}

/** `read`: what lines take instead of the column's own amounts, which columns over the same lines and days share. */
function postedInput(plan: ColumnsPlan, needs: PostedNeeds, vectors: Vectors, column: AmountColumn, read: Map<string, readonly BigInt64Array[]>): ColumnInput {
  const { ground, compiled, presented } = plan;
  const { measure, span, equity, placedOn, began } = column;
  const { traits, currency } = ground;
  const own = vectors.of(needs.own);
  const amounts = measure === 'movement' ? amountsOver(ground, vectors, needs.over, { ...needs.wanted, movement: true }) : null;
  const net = amounts?.movement ?? wide(ground, own.net);
  const key = `${needKey(needs.own)} ${measure}`;
  const readings = read.get(key) ?? readingsOf(plan, needs, vectors, measure);
  read.set(key, readings);
  const input: ColumnInput = {
    net,
    result: resultOf(net, traits.resets),
    notAllotted: own.notAllotted,
    ...(isBySide(compiled) ? { sides: sidesOf(plan, needs, vectors, measure, amounts) } : {}),
    readings,
    exponent: currency.exponent,
    span,
    ...(presented ? { presented } : {}),
    ...(began === undefined ? {} : { began: { day: began, own: measure, resets: traits.resets } }),
  };
  return equity === undefined ? onStandIns(ground, placedOn, input) : borneBy(ground, equity, input);
}

/** An account is on one side as a whole, whatever part of its lines a column is of. */
function sidesOf(
  { ground, compiled }: ColumnsPlan,
  { whole }: PostedNeeds,
  vectors: Vectors,
  measure: AmountColumn['measure'],
  amounts: AccountAmounts | null,
): Sides {
  const { resets } = ground.traits;
  const isSplit = amounts !== null && isSplitBySide(compiled, resets);
  const all = whole ? amountsOver(ground, vectors, whole.over, whole.wanted) : amounts?.withoutCash ? amounts : null;
  return {
    resets,
    creditNormal: creditNormalOf(ground),
    ...(isSplit ? { opening: amounts.opening } : {}),
    ...(all ? { whole: { net: measure === 'movement' ? movedInAll(all) : all[measure], ...(isSplit ? { opening: all.opening } : {}) } } : {}),
  };
}

function readingsOf({ ground, compiled }: ColumnsPlan, { parts }: PostedNeeds, vectors: Vectors, measure: AmountColumn['measure']): BigInt64Array[] {
  const amounts = new Map([...parts].map(([key, { over, wanted }]) => [key, amountsOver(ground, vectors, over, wanted)]));
  return compiled.readings.map((reading) => amountOfReading(reading, measure, amounts.get(facetKey(reading.facets)) as AccountAmounts));
}

/** Behind a balance stands what was posted before the year of the budget. */
export function budgetInput(ground: Ground, { moved, before }: BudgetNeeds, vectors: Vectors, { span }: Pick<AmountColumn, 'span'>): ColumnInput {
  const { traits, accountIds, currency } = ground;
  const budgeted = moved ? wide(ground, vectors.of(moved).net) : new BigInt64Array(accountIds.length);
  const posted = before ? vectors.of(before) : null;
  const behind = posted && wide(ground, posted.net);
  const net = behind ? budgeted.map((amount, at) => amount + (behind[at] as bigint)) : budgeted;
  return { net, result: resultOf(net, traits.resets), notAllotted: posted?.notAllotted ?? 0n, exponent: currency.exponent, span };
}

const equityColumnsOf = new WeakMap<Ground['portions'], Int32Array>();

/** The category of equity whose column bears each account, by dense number. */
export function equityColumnsOn({ portions, traits, accountIds, categoryTree, retainedEarningsId }: Ground): Int32Array {
  const columnOf = equityColumnsOf.get(portions) ?? equityColumnOf({ tree: categoryTree, portions, retainedEarningsId }, accountIds, traits.resets);
  equityColumnsOf.set(portions, columnOf);
  return columnOf;
}

/** Dense numbers of the accounts of a column, and whether income and expense are among them. */
interface Borne {
  readonly accounts: readonly number[];
  readonly ofResult: boolean;
}

const borneOf = new WeakMap<Int32Array, Map<number, Borne>>();

/** What the column of a category of equity bears. */
function borneBy(ground: Ground, category: number, input: ColumnInput): ColumnInput {
  const columnOf = equityColumnsOn(ground);
  const byCategory = borneOf.get(columnOf) ?? new Map<number, Borne>();
  borneOf.set(columnOf, byCategory);
  let borne = byCategory.get(category);
  if (!borne) {
    const accounts: number[] = [];
    for (let account = 0; account < columnOf.length; account++) if (columnOf[account] === category) accounts.push(account);
    borne = { accounts, ofResult: accounts.some((account) => ground.traits.resets[account] === 1) };
    byCategory.set(category, borne);
  }
  return maskColumn(input, borne.accounts, borne.ofResult);
}
