import type { PreviewRow } from './previewRow.ts';

/** Whether nothing of a row is otherwise, but for what never changes with its key and role. */
export function isSameRow(a: PreviewRow, b: PreviewRow): boolean {
  return (
    a.caption === b.caption &&
    a.depth === b.depth &&
    a.opens === b.opens &&
    a.open === b.open &&
    a.unit === b.unit &&
    a.note === b.note &&
    a.better === b.better &&
    a.values.length === b.values.length &&
    a.values.every((value, at) => value === b.values[at]) &&
    a.printed?.length === b.printed?.length &&
    (a.printed ?? []).every((value, at) => value === b.printed?.[at]) &&
    isSame(a.look, b.look) &&
    isSame(a.faults, b.faults)
  );
}

function isSame(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}
