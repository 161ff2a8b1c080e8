import { inUnit, type ShownUnit } from './scale.ts';
import type { RowPart, StatementColumn, StatementRow } from './statement.ts';

/** What another statement shows of an amount, in scaled units, and the amount itself in minor units. */
export interface FootingRoot {
  readonly shown: bigint;
  readonly exact: bigint;
}

/** By the key of a row, one for each column; `null` where the other statement shows nothing of it. */
export type FootingRoots = ReadonlyMap<string, readonly (FootingRoot | null)[]>;

interface ScaledFrom {
  readonly rows: readonly StatementRow[];
  readonly columns: readonly StatementColumn[];
  readonly unit: ShownUnit;
}

/** Each amount for itself, half away from zero; changes are differences of what is shown, percents and calculations are of the exact amounts. */
export function roundRows({ rows, columns, unit }: ScaledFrom): StatementRow[] {
  return rows.map((row) => (isOfAmounts(row) ? withAmounts(row, columns, unit, (at) => roundedAt(row, at, unit)) : row));
}

/**
 * Amounts so that parts come to their total, from the top down: what stands in nothing else is rounded, or given by another
 * statement; then each part gets its floor or its ceiling by largest remainder, the first of equals first. A figure never
 * depends on what is shown below it. A row has one total that it foots to: that of its group, else the widest sum over it;
 * any other sum is that of what is shown, and may be off by some units. A figure that is given stays, also in a total; what it is off
 * by goes to the largest of the others. One that is of another amount than the row's is not taken, since no rounding explains what they differ by.
 * Cost: rows × log rows for each column.
 */
export function footRows(from: ScaledFrom, roots: FootingRoots = new Map()): StatementRow[] {
  const { rows, columns, unit } = from;
  const bearing = new Map(rows.flatMap((row) => (isOfAmounts(row) ? [[row.key, row] as const] : [])));
  const footing = footingTotals([...bearing.values()], bearing);
  const inTotal = new Set([...footing].flatMap((key) => bearing.get(key)?.parts.map((part) => part.key) ?? []));
  const givenAt = ({ key, values }: StatementRow, at: number): bigint | undefined => {
    const root = roots.get(key)?.[at];
    return root && root.exact === values[at] ? root.shown : undefined;
  };
  const shown = columns.map((column, at) => (column.kind === 'amount' ? footColumn(at) : null));

  function footColumn(at: number): ReadonlyMap<string, bigint> {
    const figures = new Map<string, bigint>();
    const spread = (row: StatementRow): void => {
      if (!footing.has(row.key)) return;
      const parts = row.parts.flatMap((part) => bearing.get(part.key) ?? []);
      const shares = allot(
        figures.get(row.key) as bigint,
        row.parts,
        parts.map((part) => part.values[at] ?? 0n),
        unit,
        parts.map((part) => givenAt(part, at)),
      );
      for (const [place, part] of parts.entries()) {
        figures.set(part.key, shares[place] as bigint);
        spread(part);
      }
    };
    const isSumOfShown = (row: StatementRow): boolean =>
      row.parts.length > 0 && !footing.has(row.key) && row.unit === undefined && givenAt(row, at) === undefined;
    const begin = (row: StatementRow): void => {
      const own = givenAt(row, at) ?? roundedAt(row, at, unit);
      if (own !== null) {
        figures.set(row.key, own);
        spread(row);
        return;
      }
      // Parts of a total that has no figure stand for themselves.
      if (footing.has(row.key)) for (const { key } of row.parts) begin(bearing.get(key) as StatementRow);
    };
    for (const row of bearing.values()) if (!inTotal.has(row.key) && !isSumOfShown(row)) begin(row);
    const sumOf = (row: StatementRow): bigint => {
      const known = figures.get(row.key);
      if (known !== undefined) return known;
      const sum = row.parts.reduce((total, { key, sign }) => total + BigInt(sign) * sumOf(bearing.get(key) as StatementRow), 0n);
      figures.set(row.key, sum);
      return sum;
    };
    for (const row of bearing.values()) if (isSumOfShown(row) && row.values[at] !== null) sumOf(row);
    return figures;
  }

  return rows.map((row) =>
    isOfAmounts(row) ? withAmounts(row, columns, unit, (at) => (row.values[at] === null ? null : (shown[at]?.get(row.key) ?? null))) : row,
  );
}

/** Totals whose parts foot to them: of groups, and of sums over parts that foot to nothing else, the widest first. */
function footingTotals(rows: readonly StatementRow[], bearing: ReadonlyMap<string, StatementRow>): ReadonlySet<string> {
  const claimed = new Set<string>();
  const footing = new Set<string>();
  const totals = rows.filter(({ parts, unit }) => unit === undefined && parts.length > 0 && parts.every(({ key }) => bearing.has(key)));
  const isOfGroup = (row: StatementRow): boolean => row.partsAreWithin === true;
  const byWidth = totals.toSorted((a, b) => Number(isOfGroup(b)) - Number(isOfGroup(a)) || b.parts.length - a.parts.length);
  for (const { key, parts } of byWidth) {
    if (parts.some((part) => claimed.has(part.key))) continue;
    for (const part of parts) claimed.add(part.key);
    footing.add(key);
  }
  return footing;
}

/** What each part of a total is shown as; with their signs they come to it. `given`: those that stay as another statement shows them. */
function allot(
  total: bigint,
  parts: readonly RowPart[],
  exact: readonly bigint[],
  { times, over }: ShownUnit,
  given: readonly (bigint | undefined)[],
): bigint[] {
  const counted = exact.map((amount, at) => {
    const signed = BigInt(parts[at]?.sign ?? 1) * amount * times;
    const remainder = ((signed % over) + over) % over;
    const fixed = given[at];
    return fixed === undefined
      ? { at, signed, remainder, share: (signed - remainder) / over }
      : { at, signed, remainder: 0n, share: BigInt(parts[at]?.sign ?? 1) * fixed };
  });
  let left = total - counted.reduce((sum, { share }) => sum + share, 0n);
  for (const one of counted.toSorted((a, b) => (a.remainder === b.remainder ? a.at - b.at : a.remainder > b.remainder ? -1 : 1))) {
    if (left <= 0n || one.remainder === 0n) break;
    one.share += 1n;
    left -= 1n;
  }
  const free = counted.filter(({ at }) => given[at] === undefined);
  const largest = (free.length > 0 ? free : counted).reduce<(typeof counted)[number] | undefined>(
    (found, one) => (found === undefined || magnitude(one.signed) > magnitude(found.signed) ? one : found),
    undefined,
  );
  if (largest) largest.share += left;
  return counted.map(({ at, share }) => BigInt(parts[at]?.sign ?? 1) * share);
}

function isOfAmounts({ role, unit }: StatementRow): boolean {
  return role !== 'heading' && role !== 'text' && role !== 'space' && (unit === undefined || unit === 'amount');
}

function roundedAt(row: StatementRow, at: number, unit: ShownUnit): bigint | null {
  const value = row.values[at] ?? null;
  return value === null ? null : inUnit(value, unit);
}

function withAmounts(row: StatementRow, columns: readonly StatementColumn[], unit: ShownUnit, shownAt: (at: number) => bigint | null): StatementRow {
  const amounts = columns.map((column, at) => (column.kind === 'amount' ? shownAt(at) : null));
  const values = columns.map((column, at) => {
    if (column.kind === 'amount') return amounts[at] ?? null;
    // What is calculated is calculated from exact amounts, and rounded by itself.
    if (column.kind === 'calculation' && column.result === 'amount') return roundedAt(row, at, unit);
    if (column.kind !== 'change') return row.values[at] ?? null;
    const [of, against] = [amounts[column.of] ?? null, amounts[column.against] ?? null];
    return of === null || against === null ? null : of - against;
  });
  return { ...row, values };
}

function magnitude(amount: bigint): bigint {
  return amount < 0n ? -amount : amount;
}
