import type { LeftOutRow, RowProblem, TrialBalanceRow } from './trialBalanceRow.ts';

const totalWords =
  /^(grand |sub-?|overall |report )?(totals?|summe|gesamt(summe)?|total g(é|e)n(é|e)ral|sum|saldo total|totale|totaal|sums?)\b|\b(totals?|summe)\s*:?$|^(difference|out of balance|check|end of report|printed|page \d)/i;

/** Whether a label is that of a total line or a foot line rather than of an account. */
export function isTotalText(text: string): boolean {
  return totalWords.test(text);
}

/**
 * A row whose account is a parent in the file and whose amount is the sum of the accounts below it is a total line,
 * kept in the chart without an amount; another amount on a parent is named.
 */
export function separateParentTotals(rows: readonly TrialBalanceRow[], problems: RowProblem[]): { kept: TrialBalanceRow[]; totals: LeftOutRow[] } {
  const children = new Map<string, TrialBalanceRow[]>();
  for (const row of rows)
    if (row.parentNumber !== null) {
      const siblings = children.get(row.parentNumber);
      if (siblings) siblings.push(row);
      else children.set(row.parentNumber, [row]);
    }
  const sumBelow = (number: string, seen: ReadonlySet<string>): bigint =>
    seen.has(number)
      ? 0n
      : (children.get(number) ?? []).reduce((total, child) => {
          const below = children.has(child.number) ? sumBelow(child.number, new Set([...seen, number])) : 0n;
          const own = child.amount ?? 0n;
          return total + (children.has(child.number) && own === below ? below : own + below);
        }, 0n);
  const totals: LeftOutRow[] = [];
  const kept = rows.map((row) => {
    if (!children.has(row.number) || row.amount === null || row.amount === 0n) return row;
    if (row.amount === sumBelow(row.number, new Set())) {
      totals.push({ row: row.row, reason: 'parent_total', text: `${row.number} ${row.name}` });
      return { ...row, amount: 0n };
    }
    problems.push({ row: row.row, column: 'amount', code: 'parent_amount', found: row.found.first || row.found.second, other: row.number, warning: true });
    return row;
  });
  return { kept, totals };
}
