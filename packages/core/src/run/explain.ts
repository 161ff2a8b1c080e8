import { addDays, type Day, type Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import { accountLabel } from '../chart/accountReference.ts';
import { isIncomeOrExpense, type Side } from '../chart/element.ts';
import { toldAccount } from '../chart/toldAccount.ts';
import type { Layer } from '../cube/layer.ts';
import { commonFilter } from '../facet/commonFilter.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import { neededBy } from '../formula/checkFormula.ts';
import { renderFormula } from '../formula/writeFormula.ts';
import { type CompiledLayout, shownAmount } from '../layout/compileLayout.ts';
import type { CalculationLine, CalculationResult, Line } from '../layout/line.ts';
import { shownSign, unitOf } from '../layout/lineUnit.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';
import { sideAgainstIn } from '../proofs/sideAgainstIn.ts';
import { climb } from '../statement/climb.ts';
import { contributionsOf } from '../statement/contributions.ts';
import { type RunColumn, resultOf } from '../statement/runColumn.ts';
import { shownValue } from '../statement/shownValue.ts';
import type { AmountColumn } from '../statement/statement.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { needsOf } from './columnNeeds.ts';
import { accountById, type Ground } from './ground.ts';
import type { GroundAccount } from './groundAccount.ts';
import type { StatementPlan } from './plan.ts';
import { runColumns } from './runColumns.ts';
import type { Vectors } from './vectors.ts';

/** A cell of a statement: a line, or an account on it, in one of its columns. */
export interface StatementCell {
  /** Among all columns. */
  readonly column: number;
  readonly line: string;
  readonly account?: number | undefined;
}

export interface ToldAmount {
  readonly accountId: number;
  readonly number: string;
  readonly name: string;
  readonly net: bigint;
  readonly sideAgainst: Side | null;
}

/** Entries that are behind an account in a cell. */
export interface EntriesBehind {
  readonly accountId: number;
  /** `null`: from ever. */
  readonly from: Day | null;
  readonly to: Day;
}

/** What one cell is made of. */
export interface Explained {
  readonly caption: string;
  readonly column: AmountColumn;
  /** Lines with these values alone are in it. */
  readonly facets: FacetFilter;
  /** Lines of this layer alone are in it; `null`: of both. */
  readonly layer: Layer | null;
  /** As shown in the cell, in its unit; `null` where it has no value. */
  readonly amount: bigint | null;
  readonly unit: CalculationResult;
  /** The rungs above it, from the top; without those of a calculation. */
  readonly climb: readonly { readonly key: string; readonly caption: string; readonly amount: bigint }[];
  /** Debit positive, the largest first. */
  readonly accounts: readonly ToldAmount[];
  /** What no account bears, or an account beside its own entries. */
  readonly carried: readonly { readonly caption: string; readonly net: bigint }[];
  /** Of a calculation: read out with captions, and what it names. */
  readonly formula: {
    readonly text: string;
    readonly operands: readonly { readonly key: string; readonly caption: string; readonly unit: CalculationResult; readonly amount: bigint | null }[];
  } | null;
  /** Of one account: `null` where none are behind it, or it is a sum of sub-accounts. */
  readonly entries: EntriesBehind | null;
}

export type NotExplained = { readonly code: 'line_unknown'; readonly line: string } | { readonly code: 'account_unknown'; readonly accountId: number };

/** The statement with the column of a cell alone, which is all that it is explained from. */
export function planCell(
  plan: StatementPlan,
  { column, line }: StatementCell,
): Outcome<StatementPlan & { readonly columns: readonly [AmountColumn] }, NotExplained> {
  const own = plan.columns[column];
  if (own?.kind !== 'amount' || !plan.compiled.indexOf.has(line)) return fail({ code: 'line_unknown', line });
  return succeed({ ...plan, columns: [own] });
}

/** What caption a rung of a climb has. */
export function captionOfTotal(line: Line | undefined): string {
  return line === undefined ? '' : line.kind === 'group' && line.rung === 0 ? line.totalCaption : line.caption;
}

/** What a cell is made of: the climb above it, the accounts in it, and for one account the entries behind it. `plan`: that of the cell. */
export function explain(
  plan: StatementPlan & { readonly columns: readonly [AmountColumn] },
  vectors: Vectors,
  cell: StatementCell,
): Outcome<Explained, NotExplained> {
  const { compiled, ground } = plan;
  const [column] = plan.columns;
  const run = runColumns(plan, vectors)[0] as RunColumn;
  const lineAt = compiled.indexOf.get(cell.line) as number;
  const line = compiled.lines[lineAt] as Line;
  const shown = (index: number): bigint => shownSign(compiled.lines[index] as Line) * shownAmount(compiled, run.amounts, index);
  const rungs = climb(compiled, cell.line)
    .map((index) => ({ key: compiled.lines[index]?.key ?? '', caption: captionOfTotal(compiled.lines[index]), amount: shown(index) }))
    .reverse();
  const parts = contributionsOf(compiled, run, cell.line);
  const byId = accountById(ground);
  const accounts = parts.accounts.flatMap(({ account, net }) => told(ground, byId.get(ground.accountIds[account] as number), net)).sort(bySize);
  const base = {
    column,
    facets: commonFilter(ground.lists, plan.facets, column.facets ?? {}),
    layer: column.withoutAdjustments ? ('ledger' as const) : null,
    unit: unitOf(line),
    formula: null,
    entries: null,
  };
  if (line.kind === 'calculation')
    return succeed({
      ...base,
      caption: line.caption,
      amount: shownValue(compiled, run, lineAt),
      formula: formulaOf(compiled, run, line.formula),
      climb: [],
      accounts: [],
      carried: [],
    });
  if (cell.account === undefined) {
    const ofLines = [...parts.results, ...parts.calculations].map(({ key, net }) => ({
      caption: compiled.lines[compiled.indexOf.get(key) ?? -1]?.caption ?? key,
      net,
    }));
    const carried = [...ofLines, ...parts.transfers.map(({ text, net }) => ({ caption: text, net }))];
    // Of a profit line and a loss line one is nil, whatever the accounts have.
    const isResult = line.kind === 'result' && line.of === 'year_to_date' && (line.only === undefined || run.amounts[lineAt] !== 0n);
    return succeed({
      ...base,
      caption: captionOfTotal(line),
      amount: shownValue(compiled, run, lineAt),
      climb: rungs,
      accounts: isResult ? incomeAccounts(ground, run.net) : accounts,
      carried: isResult ? [] : carried,
    });
  }
  const account = byId.get(cell.account);
  if (!account) return fail({ code: 'account_unknown', accountId: cell.account });
  const caption = accountLabel(toldAccount(ground, account));
  const atAccount = (amount: bigint) => ({ caption, amount, climb: [...rungs, { key: `${cell.line}/${account.id}`, caption, amount }] });
  const sign = shownSign(line);
  const below = line.kind === 'accounts' && line.byTree !== undefined ? accounts.filter(({ accountId }) => isBelow(byId, accountId, account.id)) : [];
  if (below.length > 0) {
    // A sum of sub-accounts: it opens to them.
    const within = accounts.filter(({ accountId }) => accountId === account.id || below.some((one) => one.accountId === accountId));
    return succeed({ ...base, ...atAccount(sign * within.reduce((sum, { net }) => sum + net, 0n)), accounts: within, carried: [] });
  }
  const net = accounts.find(({ accountId }) => accountId === account.id)?.net ?? 0n;
  const ledgerAccountId = ground.standIns?.standFor.get(account.id) ?? account.id;
  return succeed({
    ...base,
    ...atAccount(sign * net),
    accounts: [{ accountId: account.id, ...toldAccount(ground, account), net, sideAgainst: null }],
    carried: carriedTo(plan, vectors, ledgerAccountId),
    entries: account.id === translationAccountId ? null : { accountId: ledgerAccountId, ...daysBehind(ground, column, account) },
  });
}

/** From when to when the entries are that a column has of an account. */
function daysBehind({ calendar }: Ground, { measure, span }: { readonly measure: AmountColumn['measure']; readonly span: Span }, { element }: GroundAccount) {
  const year = yearOf(calendar, span.lastDay);
  return {
    from: measure === 'movement' ? span.firstDay : isIncomeOrExpense(element) && year ? year.firstDay : null,
    to: measure === 'opening' ? addDays(span.firstDay, -1) : span.lastDay,
  };
}

/** Profit of completed years, which no entry put on retained earnings: what is there beyond the account's own lines. */
function carriedTo(plan: StatementPlan & { readonly columns: readonly [AmountColumn] }, vectors: Vectors, accountId: number): Explained['carried'] {
  const [column] = plan.columns;
  const needs = needsOf(plan, column);
  if (column.measure !== 'closing' || needs.of !== 'posted' || accountId !== plan.ground.retainedEarningsId) return [];
  const { carried } = vectors.of(needs.own);
  return carried === 0n ? [] : [{ caption: 'Profit of completed years, carried over', net: carried }];
}

/** What a formula says, in captions, and the figures of the lines that it names. */
function formulaOf(compiled: CompiledLayout, run: RunColumn, formula: CalculationLine['formula']): Explained['formula'] {
  if (!('kind' in formula)) return null;
  const captionOf = (key: string): string => captionOfTotal(compiled.lines[compiled.indexOf.get(key) ?? -1]) || key;
  const operands = [...new Set(neededBy(formula, compiled))].map((key) => {
    const index = compiled.indexOf.get(key);
    const operand = compiled.lines[index ?? -1];
    return {
      key,
      caption: captionOf(key),
      unit: operand ? unitOf(operand) : ('amount' as const),
      amount: index === undefined ? null : shownValue(compiled, run, index),
    };
  });
  return { text: renderFormula(formula, captionOf), operands };
}

function told(ground: Ground, account: GroundAccount | undefined, net: bigint): ToldAmount[] {
  return account ? [{ accountId: account.id, ...toldAccount(ground, account), net, sideAgainst: sideAgainstIn(ground, account) }] : [];
}

function bySize(a: ToldAmount, b: ToldAmount): number {
  const [first, second] = [magnitude(a.net), magnitude(b.net)];
  return first < second ? 1 : first > second ? -1 : 0;
}

function magnitude(net: bigint): bigint {
  return net < 0n ? -net : net;
}

function incomeAccounts(ground: Ground, net: BigInt64Array): ToldAmount[] {
  if (resultOf(net, ground.traits.resets) === 0n) return [];
  return ground.accounts
    .flatMap((account) => {
      const amount = net[ground.indexOf.get(account.id) as number] as bigint;
      return isIncomeOrExpense(account.element) && amount !== 0n ? told(ground, account, amount) : [];
    })
    .sort(bySize);
}

function isBelow(byId: ReadonlyMap<number, { readonly parentId: number | null }>, id: number, aboveId: number): boolean {
  for (let at = byId.get(id)?.parentId ?? null; at !== null; at = byId.get(at)?.parentId ?? null) if (at === aboveId) return true;
  return false;
}
