import type { Span } from '../calendar/day.ts';
import { columnsFor } from '../columns/comparisons.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import { compileLayout } from '../layout/compileLayout.ts';
import { generateBalanceSheet } from '../layout/generateBalanceSheet.ts';
import { generateIncomeStatement } from '../layout/generateIncomeStatement.ts';
import type { LayoutKind } from '../layout/line.ts';
import type { LayoutOptions } from '../layout/options.ts';
import { coverageOf } from '../placement/coverage.ts';
import type { StandingInTree } from '../placement/standingFollower.ts';
import { type PresentedAccount, presentRows } from '../statement/presentRows.ts';
import { resultOf, runColumn } from '../statement/runColumn.ts';
import type { StatementRow } from '../statement/statement.ts';

/** One date's amounts by dense number of the account, debit positive. */
export interface RehearsedColumn {
  /** Balance of balance sheet accounts, movement over the span of income and expense. */
  readonly net: BigInt64Array;
  /** Balances at the span's last day; of income and expense those of the fiscal year to date. */
  readonly balances: BigInt64Array;
  readonly notAllotted: bigint;
}

/** What a placement is run over; it does not change while one is rehearsed. */
export interface RehearsedLedger {
  readonly accounts: readonly PresentedAccount[];
  /** By dense number. */
  readonly accountIds: readonly number[];
  /** 1 for accounts that begin every fiscal year at zero. */
  readonly resets: Uint8Array;
  readonly span: Span;
  readonly options: LayoutOptions;
  readonly retainedEarningsId: number | null;
  /** Ids of accounts that somebody left out of the coverage. */
  readonly leftOut: ReadonlySet<number>;
  readonly language: CaptionLanguage;
  /** The span's, then that of the comparative where there is one. */
  readonly columns: readonly RehearsedColumn[];
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

const everyRung = { rungs: Number.MAX_SAFE_INTEGER, opened: new Set<string>(), shut: new Set<string>(), zeroLines: false };

/** Cost: (accounts + lines) × columns. */
export function figuresOf(ledger: RehearsedLedger, { tree, portions, byRange }: StandingInTree): PlacementFigures {
  const { accounts, accountIds, resets, span, options, retainedEarningsId, language, columns } = ledger;
  const facts = { tree, portions, options, retainedEarningsId, language };
  const compiled = {
    balance_sheet: compileLayout(generateBalanceSheet(facts), accountIds, portions),
    income_statement: compileLayout(generateIncomeStatement(facts), accountIds, portions),
  };
  const run = (kind: LayoutKind, net: BigInt64Array, notAllotted: bigint) => ({
    net,
    amounts: runColumn(compiled[kind], { net, result: resultOf(net, resets), notAllotted }),
  });
  const rowsOf = (kind: LayoutKind) =>
    presentRows({
      compiled: compiled[kind],
      columns: columns.flatMap(() => columnsFor(kind, span, null)),
      runs: columns.map(({ net, balances, notAllotted }) => run(kind, kind === 'balance_sheet' ? balances : net, notAllotted)),
      accounts,
      detail: everyRung,
    });
  const [current] = columns;
  const ties = { outOfBalance: 0n, profitMissed: 0n, atFault: 0, atStake: 0n };
  if (current) {
    const sheet = run('balance_sheet', current.balances, current.notAllotted).amounts;
    const income = run('income_statement', current.balances, current.notAllotted).amounts;
    const amount = (kind: LayoutKind, amounts: BigInt64Array, key: string) => amounts[compiled[kind].indexOf.get(key) as number] as bigint;
    ties.outOfBalance = ['asset', 'liability', 'equity'].reduce((sum, key) => sum + amount('balance_sheet', sheet, key), 0n);
    ties.profitMissed = resultOf(current.balances, resets) - amount('income_statement', income, 'profit');
    const covered = accounts.map(({ account, index, isParent }) => ({
      account: index,
      element: account.element,
      isParent,
      isDoubled: (byRange.get(account.id)?.doubledIn.length ?? 0) > 0,
      isLeftOut: ledger.leftOut.has(account.id),
    }));
    for (const kind of ['balance_sheet', 'income_statement'] as const) {
      const { lineOfDebit, lineOfCredit } = compiled[kind];
      const { faults, atStake } = coverageOf(kind, covered, lineOfDebit, lineOfCredit, current.balances);
      ties.atFault += faults.length;
      ties.atStake += atStake;
    }
  }
  return { rows: { balance_sheet: rowsOf('balance_sheet'), income_statement: rowsOf('income_statement') }, ...ties };
}
