import type { Day, Span } from '../calendar/day.ts';
import type { Adjusting } from '../cube/adjustingPeriod.ts';
import type { LayoutKind } from '../layout/line.ts';
import { coverageOf } from '../placement/coverage.ts';
import type { StandingInTree } from '../placement/standingFollower.ts';
import { type Ground, presentedAccounts } from '../run/ground.ts';
import type { VectorNeed } from '../run/need.ts';
import type { ColumnsPlan } from '../run/plan.ts';
import { runColumns, vectorsNeeded } from '../run/runColumns.ts';
import { generatedOn } from '../run/runLayouts.ts';
import type { Vectors } from '../run/vectors.ts';
import { presentRows } from '../statement/presentRows.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import type { AmountColumn, StatementRow } from '../statement/statement.ts';

/** What of the ledger is looked at: what moved over a span, and balances at a day. */
export interface RehearsedSpan {
  readonly moved: Span;
  readonly day: Day;
  readonly adjusting?: Adjusting;
}

/** What a placement is run over; it does not change while one is rehearsed. */
export interface RehearsedLedger {
  /** Its placement gives way to the one that is rehearsed. */
  readonly ground: Ground;
  /** The span, then that of the comparative where there is one. */
  readonly spans: readonly RehearsedSpan[];
  /** For the needs of the ground and the spans. */
  readonly vectors: Vectors;
  /** Ids of accounts that somebody left out of the coverage. */
  readonly leftOut: ReadonlySet<number>;
}

/** Both generated statements over one placement, and what of them ties. */
export interface PlacementFigures {
  readonly rows: Readonly<Record<LayoutKind, readonly StatementRow[]>>;
  /** Of the first column: by how much assets are not liabilities and equity, debit positive. */
  readonly outOfBalance: bigint;
  /** By how much the income statement of the year to date is not the result in equity. */
  readonly profitMissed: bigint;
  /** Accounts in scope of a statement that are unplaced or half-placed, and the sum of what is at stake. */
  readonly atFault: number;
  readonly atStake: bigint;
}

const kinds = ['balance_sheet', 'income_statement'] as const;
const everyRung = { rungs: Number.MAX_SAFE_INTEGER, opened: new Set<string>(), shut: new Set<string>(), zeroLines: false };

function heldAt({ day, adjusting }: RehearsedSpan): AmountColumn {
  return { kind: 'amount', measure: 'closing', span: { firstDay: day, lastDay: day }, ...(adjusting === undefined ? {} : { adjusting }) };
}

function movedOver({ moved, adjusting }: RehearsedSpan): AmountColumn {
  return { kind: 'amount', measure: 'movement', span: moved, ...(adjusting === undefined ? {} : { adjusting }) };
}

/** Each statement over a placement. Whatever the placement is, it needs the same vectors: no line of the two takes other amounts than its column's. */
function plansOver(ground: Ground, spans: readonly RehearsedSpan[]): Readonly<Record<LayoutKind, ColumnsPlan>> {
  const compiled = generatedOn(ground);
  const over = { ground, facets: {}, presented: null };
  return {
    balance_sheet: { ...over, compiled: compiled.balance_sheet, columns: spans.map(heldAt) },
    income_statement: { ...over, compiled: compiled.income_statement, columns: spans.map(movedOver) },
  };
}

export function rehearsalNeeds(ground: Ground, spans: readonly RehearsedSpan[]): VectorNeed[] {
  return vectorsNeeded(Object.values(plansOver(ground, spans)));
}

/** For one placement after the other what both statements come to. Cost of each: (accounts + lines) × columns. */
export function figuresOver({ ground: base, spans, vectors, leftOut }: RehearsedLedger): (standing: StandingInTree) => PlacementFigures {
  const accounts = presentedAccounts(base);
  const covered = accounts.map(({ account, index, isParent }) => ({
    account: index,
    element: account.element,
    isParent,
    isDoubled: false,
    isLeftOut: leftOut.has(account.id),
  }));
  return ({ tree, portions, byRange }) => {
    const doubled = new Set([...byRange].flatMap(([id, { doubledIn }]) => (doubledIn.length > 0 ? [id] : [])));
    const ground: Ground = { ...base, categoryTree: tree, portions, doubled };
    const plans = plansOver(ground, spans);
    const runs = { balance_sheet: runColumns(plans.balance_sheet, vectors), income_statement: runColumns(plans.income_statement, vectors) };
    const rowsOf = (kind: LayoutKind) => {
      const { compiled, columns } = plans[kind];
      return presentRows({ compiled, columns, runs: runs[kind], accounts, detail: everyRung });
    };
    const ties = { outOfBalance: 0n, profitMissed: 0n, atFault: 0, atStake: 0n };
    const [current] = spans;
    const [sheet] = runs.balance_sheet;
    if (current && sheet) {
      // Income and expenses have in a balance what they moved in its year to date.
      const [toDate] = runColumns({ ...plans.income_statement, columns: [heldAt(current)] }, vectors) as [RunColumn];
      const amount = (kind: LayoutKind, run: RunColumn, key: string) => run.amounts[plans[kind].compiled.indexOf.get(key) as number] as bigint;
      ties.outOfBalance = ['asset', 'liability', 'equity'].reduce((sum, key) => sum + amount('balance_sheet', sheet, key), 0n);
      ties.profitMissed = sheet.result - amount('income_statement', toDate, 'profit');
      const own = doubled.size === 0 ? covered : covered.map((one) => ({ ...one, isDoubled: doubled.has(base.accountIds[one.account] as number) }));
      for (const kind of kinds) {
        const { lineOfDebit, lineOfCredit } = plans[kind].compiled;
        const { faults, atStake } = coverageOf(kind, own, lineOfDebit, lineOfCredit, sheet.net);
        ties.atFault += faults.length;
        ties.atStake += atStake;
      }
    }
    return { rows: { balance_sheet: rowsOf('balance_sheet'), income_statement: rowsOf('income_statement') }, ...ties };
  };
}
