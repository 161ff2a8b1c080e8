import { inUnit, type ShownUnit } from './scale.ts';
import type { RowPart, StatementRow } from './statement.ts';

/** Rows that bear amounts, by key, and the keys of totals whose parts foot to them. */
export interface Footing {
  readonly bearing: ReadonlyMap<string, StatementRow>;
  readonly totals: ReadonlySet<string>;
}

export function footingOf(rows: readonly StatementRow[]): Footing {
  const bearing = new Map(rows.flatMap((row) => (isOfAmounts(row) ? [[row.key, row] as const] : [])));
  return { bearing, totals: footingTotals([...bearing.values()], bearing) };
}

/**
 * One column in units, so that parts come to their total, from the top down: what stands in nothing else is rounded, or given; then each
 * part gets its floor or its ceiling by largest remainder, the first of equals first. Any other sum is that of what is shown. `exactOf`: in
 * the unit's parts; `null`: no figure. `givenOf`: what another statement shows of a row. By key of the row. Cost: rows × log rows.
 */
export function footFigures(
  { bearing, totals }: Footing,
  exactOf: (row: StatementRow) => bigint | null,
  unit: ShownUnit,
  givenOf: (row: StatementRow) => bigint | undefined = () => undefined,
): ReadonlyMap<string, bigint> {
  const figures = new Map<string, bigint>();
  const inTotal = new Set([...totals].flatMap((key) => bearing.get(key)?.parts.map((part) => part.key) ?? []));
  const spread = (row: StatementRow): void => {
    if (!totals.has(row.key)) return;
    const parts = row.parts.flatMap((part) => bearing.get(part.key) ?? []);
    const shares = allot(
      figures.get(row.key) as bigint,
      row.parts,
      parts.map((part) => exactOf(part) ?? 0n),
      unit,
      parts.map(givenOf),
    );
    for (const [place, part] of parts.entries()) {
      figures.set(part.key, shares[place] as bigint);
      spread(part);
    }
  };
  const isSum = (row: StatementRow): boolean => isSumOfShown(row, totals) && givenOf(row) === undefined;
  const begin = (row: StatementRow): void => {
    const exact = exactOf(row);
    const own = givenOf(row) ?? (exact === null ? null : inUnit(exact, unit));
    if (own !== null) {
      figures.set(row.key, own);
      spread(row);
      return;
    }
    // Parts of a total that has no figure stand for themselves.
    if (totals.has(row.key)) for (const { key } of row.parts) begin(bearing.get(key) as StatementRow);
  };
  for (const row of bearing.values()) if (!inTotal.has(row.key) && !isSum(row)) begin(row);
  const sumOf = (row: StatementRow): bigint => {
    const figure = figures.get(row.key);
    if (figure !== undefined) return figure;
    const sum = row.parts.reduce((total, { key, sign }) => total + BigInt(sign) * sumOf(bearing.get(key) as StatementRow), 0n);
    figures.set(row.key, sum);
    return sum;
  };
  for (const row of bearing.values()) if (isSum(row) && exactOf(row) !== null) sumOf(row);
  return figures;
}

/** A sum whose parts foot to something else: it is what they show. */
function isSumOfShown({ key, parts, unit }: StatementRow, totals: Footing['totals']): boolean {
  return parts.length > 0 && !totals.has(key) && unit === undefined;
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
  held: readonly (bigint | undefined)[],
): bigint[] {
  const counted = exact.map((amount, at) => {
    const signed = BigInt(parts[at]?.sign ?? 1) * amount * times;
    const remainder = ((signed % over) + over) % over;
    const fixed = held[at];
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
  const free = counted.filter(({ at }) => held[at] === undefined);
  const largest = (free.length > 0 ? free : counted).reduce<(typeof counted)[number] | undefined>(
    (found, one) => (found === undefined || magnitude(one.signed) > magnitude(found.signed) ? one : found),
    undefined,
  );
  if (largest) largest.share += left;
  return counted.map(({ at, share }) => BigInt(parts[at]?.sign ?? 1) * share);
}

export function isOfAmounts({ role, unit }: StatementRow): boolean {
  return role !== 'heading' && role !== 'text' && role !== 'space' && (unit === undefined || unit === 'amount');
}

function magnitude(amount: bigint): bigint {
  return amount < 0n ? -amount : amount;
}
