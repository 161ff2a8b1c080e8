import type { LayoutKind } from '../layout/line.ts';
import type { StatementRow } from '../statement/statement.ts';

/** A row of a statement whose figure, caption or presence differs between two runs. */
export interface ChangedRow {
  readonly key: string;
  readonly caption: string;
  /** What it was called before, where that is another caption; `null` elsewhere. */
  readonly formerCaption: string | null;
  readonly role: StatementRow['role'];
  readonly depth: number;
  readonly unit?: StatementRow['unit'];
  /** As shown, one a column; `null` where the row is not there, or bears no figure. */
  readonly before: readonly bigint[] | null;
  readonly after: readonly bigint[] | null;
}

/** One of the two generated statements that a placement is rehearsed on. */
export interface ChangedLine extends ChangedRow {
  readonly kind: LayoutKind;
}

/** Rows that differ, in the order of `after`, those that are gone behind the row they stood behind. Cost: rows. */
export function changedRows(before: readonly StatementRow[], after: readonly StatementRow[]): ChangedRow[] {
  const earlier = placesIn(before);
  const later = after.map((row) => [placeOf(row), row] as const);
  const staying = new Set(later.map(([place]) => place));
  const goneBehind = new Map<string, StatementRow[]>();
  let behind = '';
  for (const [place, row] of earlier) {
    if (staying.has(place)) behind = place;
    else goneBehind.set(behind, [...(goneBehind.get(behind) ?? []), row]);
  }
  const lines: ChangedRow[] = [];
  const add = (row: StatementRow, was: StatementRow | undefined, is: StatementRow | undefined): void => {
    const isRenamed = was !== undefined && is !== undefined && was.caption !== is.caption;
    if (!isRenamed && (was && is ? hasSameFigures(was, is) : row.role === 'heading')) return;
    lines.push({
      key: row.key,
      caption: row.caption,
      formerCaption: isRenamed ? was.caption : null,
      role: row.role,
      depth: row.depth,
      ...(row.unit ? { unit: row.unit } : {}),
      before: figuresOf(was),
      after: figuresOf(is),
    });
  };
  const addGone = (place: string): void => {
    for (const row of goneBehind.get(place) ?? []) add(row, row, undefined);
  };
  addGone('');
  for (const [place, row] of later) {
    add(row, earlier.get(place), row);
    addGone(place);
  }
  return lines;
}

const placed = new WeakMap<readonly StatementRow[], ReadonlyMap<string, StatementRow>>();

/** One statement is compared with many. */
function placesIn(rows: readonly StatementRow[]): ReadonlyMap<string, StatementRow> {
  const places = placed.get(rows) ?? new Map(rows.map((row) => [placeOf(row), row]));
  placed.set(rows, places);
  return places;
}

/** A group has one key for its heading and its total. */
function placeOf({ key, role }: StatementRow): string {
  return `${key} ${role === 'line' || role === 'account' ? 'line' : role === 'heading' ? 'heading' : 'total'}`;
}

function hasSameFigures(a: StatementRow, b: StatementRow): boolean {
  return a.role === 'heading' || a.values.every((value, at) => (value ?? 0n) === (b.values[at] ?? 0n));
}

function figuresOf(row: StatementRow | undefined): bigint[] | null {
  return row && row.role !== 'heading' ? row.values.map((value) => value ?? 0n) : null;
}
