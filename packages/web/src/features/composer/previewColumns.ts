import type { StatementBody } from '@ivory-ladder/contract';
import { longDay, spanText, type UsualColumns } from '@ivory-ladder/core';
import type { PreviewKnown } from './PreviewFigures.ts';

/** As it stands in an address and in a list of choices: `periods`, or `plan-12`; `null` for what is none. */
export function readColumns(text: string | null): UsualColumns | null {
  if (text === 'comparison' || text === 'periods' || text === 'quarters') return { plan: text };
  const [, id] = /^plan-([1-9]\d*)$/.exec(text ?? '') ?? [];
  return id === undefined ? null : { plan: 'composed', planId: Number(id) };
}

export function writeColumns(columns: UsualColumns): string {
  return columns.plan === 'composed' ? `plan-${columns.planId}` : columns.plan;
}

/** Whether all columns are shown; of the plans that are there figures alone, without what is made of them. */
type Column = StatementBody['columns'][number];
type IsShown = (column: Column) => boolean;
const all: IsShown = () => true;
const amountsAlone: IsShown = ({ kind }) => kind === 'amount';

export function shownOf({ plan }: UsualColumns): IsShown {
  return plan === 'composed' ? all : amountsAlone;
}

export function columnsShown(columns: readonly Column[], isShown: IsShown): StatementBody['columns'] {
  return columns.filter(isShown);
}

const rowsOf = new WeakMap<readonly Column[], WeakMap<StatementBody['rows'][number], StatementBody['rows'][number]>>();

/** Each row the same object as long as it stays the same. */
export function rowsShown({ rows, columns }: Pick<PreviewKnown, 'rows' | 'columns'>, isShown: IsShown): StatementBody['rows'] {
  const before = rowsOf.get(columns) ?? new WeakMap<StatementBody['rows'][number], StatementBody['rows'][number]>();
  rowsOf.set(columns, before);
  const isIn = (_: unknown, at: number): boolean => columns[at] !== undefined && isShown(columns[at]);
  return rows.map((row) => {
    const there = before.get(row);
    if (there) return there;
    const { printed, ...exact } = row;
    const shown = { ...exact, opens: false, values: (printed ?? row.values).filter(isIn), ...(row.faults ? { faults: row.faults.filter(isIn) } : {}) };
    before.set(row, shown);
    return shown;
  });
}

/** Of many columns, which have theirs above them, the span they come from. */
export function datesOf(columns: StatementBody['columns']): string {
  const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  const [first, last] = [amounts.at(0), amounts.at(-1)];
  if (first && last && amounts.length > 2) return spanText(first.firstDay, last.lastDay);
  const told = amounts.map(({ measure, firstDay, lastDay }) => (measure === 'movement' ? spanText(firstDay, lastDay) : longDay(lastDay)));
  return [...new Set(told)].join(' and ');
}
