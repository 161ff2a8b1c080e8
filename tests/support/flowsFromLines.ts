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
  /** Moved without cash, debit positive; neither in `up` nor in `down`. */
  given: number;
}

/**
 * Line for line, each by itself: a line adds to its account, or takes from it; a reversing one takes back what was added or taken. Trial
 * balances are replaced by one line for each account, facet set and day; of an entry, equity that faces equity is a transfer. With `activityOf`, which says 'cash' of cash
 * and else in which activity an account rises or falls, what moved between activities without cash is given up.
 */
export function flowsByAccount(
  lines: readonly RawLine[],
  firstDay: string,
  lastDay: string,
  activityOf?: (account: string, isAdded: boolean) => string,
  lineOf: (account: string, isAdded: boolean) => string = (account) => account,
): ReadonlyMap<string, AccountFlow> {
  const flows = new Map<string, AccountFlow>();
  const of = (account: string): AccountFlow => {
    const there = flows.get(account) ?? { opening: 0, closing: 0, up: 0, down: 0, transferred: 0, given: 0 };
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
    const left = entry.map((line) => {
      const at = equity.indexOf(line);
      const [debit, credit] = at < 0 ? [0, 0] : [ofDebits[at] as number, ofCredits[at] as number];
      of(line.account).transferred += credit - debit;
      return { line, debit: line.debit - debit, credit: line.credit - credit };
    });
    const given = activityOf ? withoutCash(left, activityOf, lineOf) : left.map(() => [0, 0] as const);
    for (const [at, { line, debit, credit }] of left.entries()) {
      const [givenDebit, givenCredit] = given[at] as readonly [number, number];
      of(line.account).given += givenDebit - givenCredit;
      take(line, debit - givenDebit, credit - givenCredit);
    }
  }
  return flows;
}

/** Of each line of an entry what moved without cash: all where no line is on cash, else as much of both sides as its smaller side off cash; nothing within one activity, but for an entry without cash on two lines. */
function withoutCash(
  lines: readonly { readonly line: RawLine; readonly debit: number; readonly credit: number }[],
  activityOf: (account: string, isAdded: boolean) => string,
  lineOf: (account: string, isAdded: boolean) => string,
): readonly (readonly [debit: number, credit: number])[] {
  const isAdded = ({ line, debit }: (typeof lines)[number]): boolean => (debit > 0 === (line.normal === 'debit')) !== line.isReversing;
  const activities = lines.map((one) => (one.debit === 0 && one.credit === 0 ? null : activityOf(one.line.account, isAdded(one))));
  const off = activities.map((activity) => activity !== null && activity !== 'cash');
  const touches = lines.some(({ line }) => activityOf(line.account, true) === 'cash');
  const several = new Set(activities.filter((_, at) => off[at])).size > 1;
  // Within one activity: what stands on two lines of it, such as debt that becomes equity.
  const within =
    activities.find((_, at) => off[at]) !== 'operating' &&
    new Set(lines.filter((_, at) => off[at]).map((one) => lineOf(one.line.account, isAdded(one)))).size > 1;
  // What is owed to suppliers or by customers is paid later, whatever for.
  const isWhole = lines.some(({ line }, at) => off[at] && lineOf(line.account, true) === 'working capital');
  if (isWhole || (!several && (touches || !within))) return lines.map(() => [0, 0]);
  const debits = lines.map(({ debit }, at) => (off[at] ? debit : 0));
  const credits = lines.map(({ credit }, at) => (off[at] ? credit : 0));
  const total = (amounts: readonly number[]): number => amounts.reduce((sum, amount) => sum + amount, 0);
  if (!touches) return lines.map((_, at) => [debits[at] as number, credits[at] as number]);
  const part = Math.min(total(debits), total(credits));
  const [ofDebits, ofCredits] = [shared(part, debits), shared(part, credits)];
  return lines.map((_, at) => [ofDebits[at] as number, ofCredits[at] as number]);
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
