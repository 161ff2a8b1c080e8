import type { StatementRowBody } from '@ivory-ladder/contract';

/** Rows as they are now; those that stayed the same are the same objects, so that only changed ones are drawn anew. */
export function reuseRows(before: readonly StatementRowBody[], now: readonly StatementRowBody[]): StatementRowBody[] {
  const known = new Map(before.map((row) => [`${row.key} ${row.role}`, row]));
  return now.map((row) => {
    const there = known.get(`${row.key} ${row.role}`);
    return there && isSame(there, row) ? there : row;
  });
}

function isSame(a: StatementRowBody, b: StatementRowBody): boolean {
  return (
    a.caption === b.caption &&
    a.depth === b.depth &&
    a.opens === b.opens &&
    a.open === b.open &&
    a.unit === b.unit &&
    a.note === b.note &&
    a.values.length === b.values.length &&
    a.values.every((value, at) => value === b.values[at]) &&
    JSON.stringify(a.look) === JSON.stringify(b.look) &&
    JSON.stringify(a.faults) === JSON.stringify(b.faults)
  );
}
