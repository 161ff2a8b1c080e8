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
import type { PresentedAccount } from '../statement/accountsOnLines.ts';
import { presentRows } from '../statement/presentRows.ts';
import { resultOf, runColumn } from '../statement/runColumn.ts';
import type { StatementColumn, StatementRow } from '../statement/statement.ts';

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

/** For one placement after the other what both statements come to. Cost of each: (accounts + lines) × columns. */
export function figuresOver(ledger: RehearsedLedger): (standing: StandingInTree) => PlacementFigures {
  const { accounts, accountIds, resets, span, options, retainedEarningsId, language, columns, leftOut } = ledger;
  const kinds = ['balance_sheet', 'income_statement'] as const;
  const shown = { balance_sheet: columnsOf('balance_sheet'), income_statement: columnsOf('income_statement') };
  const inputs = columns.map(({ net, balances, notAllotted }) => ({
    balance_sheet: { net: balances, result: resultOf(balances, resets), notAllotted },
    income_statement: { net, result: resultOf(net, resets), notAllotted },
  }));
  const covered = accounts.map(({ account, index, isParent }) => ({
    account: index,
    element: account.element,
    isParent,
    isDoubled: false,
    isLeftOut: leftOut.has(account.id),
  }));
  function columnsOf(kind: LayoutKind): readonly StatementColumn[] {
    return columns.flatMap(() => columnsFor(kind, span, null));
  }
  return ({ tree, portions, byRange }) => {
    const facts = { tree, portions, options, retainedEarningsId, language };
    const compiled = {
      balance_sheet: compileLayout(generateBalanceSheet(facts), accountIds, portions),
      income_statement: compileLayout(generateIncomeStatement(facts), accountIds, portions),
    };
    const runsOf = (kind: LayoutKind) => inputs.map((input) => runColumn(compiled[kind], input[kind]));
    const runs = { balance_sheet: runsOf('balance_sheet'), income_statement: runsOf('income_statement') };
    const rowsOf = (kind: LayoutKind) => presentRows({ compiled: compiled[kind], columns: shown[kind], runs: runs[kind], accounts, detail: everyRung });
    const [current] = columns;
    const ties = { outOfBalance: 0n, profitMissed: 0n, atFault: 0, atStake: 0n };
    const sheet = runs.balance_sheet[0]?.amounts;
    const toDate = inputs[0]?.balance_sheet;
    if (current && sheet && toDate) {
      const income = runColumn(compiled.income_statement, toDate).amounts;
      const amount = (kind: LayoutKind, amounts: BigInt64Array, key: string) => amounts[compiled[kind].indexOf.get(key) as number] as bigint;
      ties.outOfBalance = ['asset', 'liability', 'equity'].reduce((sum, key) => sum + amount('balance_sheet', sheet, key), 0n);
      ties.profitMissed = toDate.result - amount('income_statement', income, 'profit');
      const doubled = new Set([...byRange].flatMap(([id, { doubledIn }]) => (doubledIn.length > 0 ? [id] : [])));
      const own = doubled.size === 0 ? covered : covered.map((one) => ({ ...one, isDoubled: doubled.has(accountIds[one.account] as number) }));
      for (const kind of kinds) {
        const { lineOfDebit, lineOfCredit } = compiled[kind];
        const { faults, atStake } = coverageOf(kind, own, lineOfDebit, lineOfCredit, current.balances);
        ties.atFault += faults.length;
        ties.atStake += atStake;
      }
    }
    return { rows: { balance_sheet: rowsOf('balance_sheet'), income_statement: rowsOf('income_statement') }, ...ties };
  };
}
