import { type Cube, type Day, type FirstBalances, isIncomeOrExpense, layers, type OpeningLine, postedUpTo } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { Structure } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';

/** Lines of opening entries, which are few. */
export async function readOpeningLines(runner: QueryRunner, companyId: number, accountIds: readonly number[]): Promise<OpeningLine[]> {
  const rows = await rowsOf<Omit<OpeningLine, 'account' | 'debit' | 'credit'> & { accountId: number; debit: string; credit: string }>(
    runner,
    `SELECT line.entry_date AS day, line.account_id AS accountId, line.facet_set_id AS facetSetId, line.layer, line.debit, line.credit
       FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND entry.opening = 1 ORDER BY line.entry_id, line.line_number`,
    [companyId],
  );
  const indexOf = new Map(accountIds.map((id, index) => [id, index]));
  return rows.map(({ accountId, debit, credit, ...row }) => ({
    ...row,
    account: indexOf.get(accountId) as number,
    debit: BigInt(debit),
    credit: BigInt(credit),
  }));
}

/** The days on which balances began: of opening entries, and of the earliest trial balance where no balance sheet account held anything before. */
export async function readFirstBalances(
  runner: QueryRunner,
  { company, accounts }: Pick<Structure, 'company' | 'accounts'>,
  cube: Cube,
  openings: readonly OpeningLine[],
): Promise<FirstBalances[]> {
  const days = [...new Set(openings.map(({ day }) => day))].sort();
  const first: FirstBalances[] = days.map((day) => ({ day, isOpening: true }));
  const [row] = await rowsOf<{ day: Day | null }>(
    runner,
    `SELECT MIN(entry.entry_date) AS day FROM trial_balance AS file JOIN journal_entry AS entry ON entry.company_id = file.company_id AND entry.trial_balance_id = file.id
      WHERE file.company_id = ? AND file.taken_back_at IS NULL AND entry.layer = 'ledger'`,
    [company.id],
  );
  if (row?.day && !(await heldAnything(runner, { company, accounts }, cube, row.day))) first.push({ day: row.day, isOpening: false });
  return first;
}

/** Whether a balance sheet account held anything at the end of the day before. */
async function heldAnything(runner: QueryRunner, { company, accounts }: Pick<Structure, 'company' | 'accounts'>, cube: Cube, day: Day): Promise<boolean> {
  const periodIndex = cube.calendar.periods.findLastIndex((period) => period.lastDay < day);
  const before = cube.calendar.periods[periodIndex];
  const held = before ? postedUpTo(cube, layers, before.lastDay) : new BigInt64Array(cube.accountIds.length);
  const within = await rowsOf<{ accountId: number; net: string }>(
    runner,
    `SELECT account_id AS accountId, SUM(debit) - SUM(credit) AS net FROM journal_line
      WHERE company_id = ? AND entry_date >= ? AND entry_date < ? AND closing = 0 GROUP BY account_id`,
    [company.id, before ? nextDay(cube, periodIndex, day) : '0001-01-01', day],
  );
  for (const { accountId, net } of within) {
    const at = cube.indexOf.get(accountId) as number;
    held[at] = (held[at] as bigint) + BigInt(net);
  }
  return accounts.some(({ id, element }) => !isIncomeOrExpense(element) && held[cube.indexOf.get(id) as number] !== 0n);
}

/** The first day behind a period that the cube has whole. */
function nextDay(cube: Cube, periodIndex: number, day: Day): Day {
  return cube.calendar.periods.slice(periodIndex + 1).find(({ isAdjusting }) => !isAdjusting)?.firstDay ?? day;
}
