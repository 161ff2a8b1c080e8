import mysql from 'mysql2/promise';

/** A line as it stands in the database, amounts in cents; nothing of the application is used to read it or to reckon with it. */
interface RawLine {
  readonly entry: number;
  readonly date: string;
  readonly account: string;
  readonly element: string;
  readonly normal: string;
  readonly debit: number;
  readonly credit: number;
  readonly facetSet: number;
  readonly isReversing: boolean;
  readonly isBroughtIn: boolean;
  readonly isOpening: boolean;
}

export async function rawLines(databaseUrl: string, companyId: number): Promise<RawLine[]> {
  const connection = await mysql.createConnection(databaseUrl);
  const [rows] = await connection.query(
    `SELECT line.entry_id AS entry, DATE_FORMAT(entry.entry_date, '%Y-%m-%d') AS date, account.number AS account, account.element, account.normal_side AS normal,
            line.debit, line.credit, line.facet_set_id AS facetSet, entry.reverses_entry_id IS NOT NULL AS isReversing,
            entry.trial_balance_id IS NOT NULL AND entry.layer = 'ledger' AS isBroughtIn, entry.opening AS isOpening
       FROM journal_line AS line
       JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
       JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
      WHERE line.company_id = ? AND entry.closes_year IS NULL ORDER BY line.entry_id, line.line_number`,
    [companyId],
  );
  await connection.end();
  return (rows as Record<string, unknown>[]).map((row) => ({
    ...(row as unknown as RawLine),
    debit: Number(row.debit),
    credit: Number(row.credit),
    isReversing: Number(row.isReversing) === 1,
    isBroughtIn: Number(row.isBroughtIn) === 1,
    isOpening: Number(row.isOpening) === 1,
  }));
}

/** What one account did over a span; in cents. */
export interface AccountFlow {
  /** Debit positive. */
  opening: number;
  closing: number;
  /** Added on the normal side, and taken off it; of equity what came in and what went out, without transfers. Both positive as a rule. */
  up: number;
  down: number;
  /** Within equity, credit positive. */
  transferred: number;
}

/**
 * Line for line, each by itself: a line adds to its account, or takes from it; a reversing one takes back what was added or taken. Trial
 * balances are replaced by one line for each account, facet set and day; of an entry, equity that faces equity is a transfer.
 */
export function flowsByAccount(lines: readonly RawLine[], firstDay: string, lastDay: string): ReadonlyMap<string, AccountFlow> {
  const flows = new Map<string, AccountFlow>();
  const of = (account: string): AccountFlow => {
    const there = flows.get(account) ?? { opening: 0, closing: 0, up: 0, down: 0, transferred: 0 };
    flows.set(account, there);
    return there;
  };
  const isBefore = (line: RawLine) => line.date < firstDay || (line.isOpening && line.date === firstDay);
  for (const line of lines) {
    const flow = of(line.account);
    if (isBefore(line)) flow.opening += line.debit - line.credit;
    if (line.date <= lastDay) flow.closing += line.debit - line.credit;
  }
  const within = lines.filter((line) => !isBefore(line) && line.date <= lastDay);
  const take = (line: RawLine, debit: number, credit: number): void => {
    const flow = of(line.account);
    const addsInDebit = line.element !== 'equity' && line.normal === 'debit';
    const [added, taken] = addsInDebit ? [debit, credit] : [credit, debit];
    if (line.isReversing && !line.isBroughtIn) {
      flow.up -= taken;
      flow.down -= added;
    } else {
      flow.up += added;
      flow.down += taken;
    }
  };
  const nets = new Map<string, { line: RawLine; net: number }>();
  for (const line of within.filter(({ isBroughtIn }) => isBroughtIn)) {
    const key = `${line.account} ${line.facetSet} ${line.date}`;
    const there = nets.get(key) ?? { line, net: 0 };
    there.net += line.debit - line.credit;
    nets.set(key, there);
  }
  for (const { line, net } of nets.values()) take(line, Math.max(0, net), Math.max(0, -net));
  const entries = new Map<number, RawLine[]>();
  for (const line of within.filter(({ isBroughtIn }) => !isBroughtIn)) entries.set(line.entry, [...(entries.get(line.entry) ?? []), line]);
  for (const entry of entries.values()) {
    const equity = entry.filter(({ element }) => element === 'equity');
    const debits = equity.reduce((sum, { debit }) => sum + debit, 0);
    const credits = equity.reduce((sum, { credit }) => sum + credit, 0);
    const faced = Math.min(debits, credits);
    const ofDebits = shared(
      faced,
      equity.map(({ debit }) => debit),
    );
    const ofCredits = shared(
      faced,
      equity.map(({ credit }) => credit),
    );
    for (const line of entry) {
      const at = equity.indexOf(line);
      const [debit, credit] = at < 0 ? [0, 0] : [ofDebits[at] as number, ofCredits[at] as number];
      of(line.account).transferred += credit - debit;
      take(line, line.debit - debit, line.credit - credit);
    }
  }
  return flows;
}

/** Whole cents by weight: floors, then a cent each to those that lost most. */
function shared(total: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((all, weight) => all + weight, 0);
  if (total === 0 || sum === 0) return weights.map(() => 0);
  const exact = weights.map((weight) => (BigInt(total) * BigInt(weight) * 1_000_000_000n) / BigInt(sum));
  const parts = weights.map((weight) => Number((BigInt(total) * BigInt(weight)) / BigInt(sum)));
  const lost = exact.map((one, at) => Number(one - BigInt(parts[at] as number) * 1_000_000_000n));
  let left = total - parts.reduce((all, part) => all + part, 0);
  for (const at of [...weights.keys()].sort((a, b) => (lost[b] as number) - (lost[a] as number) || a - b)) {
    if (left === 0) break;
    parts[at] = (parts[at] as number) + 1;
    left--;
  }
  return parts;
}
