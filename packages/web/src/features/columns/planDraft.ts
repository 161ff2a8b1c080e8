import { namedIn, newPlanColumn, type PlanColumn, type PlanDefinition, readFormula } from '@ivory-ladder/core';
import { shiftedByKey } from '../../shared/components/shiftedByKey.ts';

/** A column of a kind behind the one with the key, or at the end; one that is made of others names the last two of amounts. */
export function withColumn(
  { columns }: PlanDefinition,
  kind: PlanColumn['kind'],
  after: string | null,
): { readonly plan: PlanDefinition; readonly key: string } {
  const key = freeKey(kind, new Set(columns.map((column) => column.key)));
  const amounts = columns.filter((column) => column.kind === 'amounts').map((column) => column.key);
  const [against = '', of = against] = [amounts.at(-1) ?? '', amounts.at(-2) ?? amounts.at(-1) ?? ''];
  const at = columns.findIndex((column) => column.key === after);
  const place = at < 0 ? columns.length : at + 1;
  const made = newPlanColumn(kind, key, of, against);
  return { plan: { columns: [...columns.slice(0, place), made, ...columns.slice(place)] }, key };
}

function freeKey(kind: PlanColumn['kind'], taken: ReadonlySet<string>): string {
  for (let number = 1; ; number++) if (!taken.has(`${kind}_${number}`)) return `${kind}_${number}`;
}

/** The column one place further to the left or right; the same plan where it stands at the edge. */
export function shifted(plan: PlanDefinition, key: string, by: -1 | 1): PlanDefinition {
  const columns = shiftedByKey(plan.columns, key, by);
  return columns === plan.columns ? plan : { columns };
}

/** The column before another one, wherever it stood. */
export function droppedBefore(plan: PlanDefinition, key: string, before: string | null): PlanDefinition {
  const moved = plan.columns.find((column) => column.key === key);
  if (!moved || key === before) return plan;
  const others = plan.columns.filter((column) => column !== moved);
  const at = others.findIndex((column) => column.key === before);
  const place = at < 0 ? others.length : at;
  return { columns: [...others.slice(0, place), moved, ...others.slice(place)] };
}

/** A formula that cannot be read names nothing. */
function namesColumn(formula: string, key: string): boolean {
  const read = readFormula(formula);
  return read.ok && namedIn(read.value).some((named) => (named.kind === 'line' ? named.key === key : named.from.key === key || named.to.key === key));
}

/** Keys of columns that name a column. */
export function namedBy({ columns }: PlanDefinition, key: string): string[] {
  return columns.flatMap((column) =>
    (column.kind === 'calculation' && namesColumn(column.formula, key)) ||
    (column.kind === 'share' && column.of === key) ||
    ((column.kind === 'change' || column.kind === 'percent') && (column.of === key || column.against === key))
      ? [column.key]
      : [],
  );
}
