import type { StatementRowBody } from '@ivory-ladder/contract';

export interface RowDifference {
  readonly key: string;
  readonly state: 'added' | 'removed' | 'changed';
  readonly caption: string;
  readonly formerCaption: string | null;
  /** Figure of the first column; `undefined` where the row is not there. */
  readonly before: string | null | undefined;
  readonly after: string | null | undefined;
  readonly unit: StatementRowBody['unit'];
}

/** Rows that are there in one of two states only, or that show another caption or figure; in the order of the page. */
export function differencesOf(before: readonly StatementRowBody[], after: readonly StatementRowBody[]): RowDifference[] {
  const bearing = (rows: readonly StatementRowBody[]) => rows.filter(({ role }) => role !== 'heading' && role !== 'space');
  const keyOf = ({ key, role }: StatementRowBody): string => `${key} ${role === 'text'}`;
  const [were, are] = [new Map(bearing(before).map((row) => [keyOf(row), row])), new Map(bearing(after).map((row) => [keyOf(row), row]))];
  const changed = [...are].flatMap(([key, row]): RowDifference[] => {
    const was = were.get(key);
    const base = { key: row.key, caption: row.caption, unit: row.unit, after: row.values[0] ?? null };
    if (!was) return [{ ...base, state: 'added', formerCaption: null, before: undefined }];
    const isOther = was.caption !== row.caption || was.values.some((value, at) => value !== row.values[at]);
    return isOther ? [{ ...base, state: 'changed', formerCaption: was.caption === row.caption ? null : was.caption, before: was.values[0] ?? null }] : [];
  });
  const gone = [...were].flatMap(([key, row]): RowDifference[] =>
    are.has(key)
      ? []
      : [{ key: row.key, state: 'removed', caption: row.caption, formerCaption: null, before: row.values[0] ?? null, after: undefined, unit: row.unit }],
  );
  return [...changed, ...gone];
}
