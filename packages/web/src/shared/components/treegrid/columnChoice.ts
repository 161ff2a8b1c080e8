import type { GridColumn } from './gridColumn.ts';

/** A column that somebody chose to see; `width` in pixels, `null` as the table has it. */
export interface ColumnChoice {
  readonly id: string;
  readonly width: number | null;
}

type Column = Pick<GridColumn<never>, 'id' | 'width' | 'isExtra'>;

/** The choice in words of the columns there are: without those that are gone, the first column always there and first. */
export function settledChoice(columns: readonly Column[], choice: readonly ColumnChoice[]): ColumnChoice[] {
  const ids = new Set(columns.map(({ id }) => id));
  const chosen = choice.filter(({ id }, at) => ids.has(id) && choice.findIndex((other) => other.id === id) === at);
  if (chosen.length === 0) return columns.filter(({ isExtra }) => !isExtra).map(({ id }) => ({ id, width: null }));
  const [first] = columns;
  if (!first) return chosen;
  return [chosen.find(({ id }) => id === first.id) ?? { id: first.id, width: null }, ...chosen.filter(({ id }) => id !== first.id)];
}

/** The columns to show, in the order and width chosen. */
export function chosenColumnsOf<One extends Column>(columns: readonly One[], choice: readonly ColumnChoice[]): One[] {
  return settledChoice(columns, choice).flatMap(({ id, width }) => {
    const column = columns.find((one) => one.id === id);
    return column ? [width === null ? column : { ...column, width: `${width}px` }] : [];
  });
}

/** Shown at the end, or not shown any more; the first column stays. */
export function toggled(choice: readonly ColumnChoice[], id: string): ColumnChoice[] {
  if (choice[0]?.id === id) return [...choice];
  return choice.some((one) => one.id === id) ? choice.filter((one) => one.id !== id) : [...choice, { id, width: null }];
}

/** One step to the left or right; nothing comes before the first column. */
export function moved(choice: readonly ColumnChoice[], id: string, step: 1 | -1): ColumnChoice[] {
  const from = choice.findIndex((one) => one.id === id);
  const to = from + step;
  if (from < 1 || to < 1 || to >= choice.length) return [...choice];
  const rest = choice.filter((one) => one.id !== id);
  return [...rest.slice(0, to), choice[from] as ColumnChoice, ...rest.slice(to)];
}

const [narrowest, widest] = [40, 900];

export function resized(choice: readonly ColumnChoice[], id: string, width: number): ColumnChoice[] {
  const within = Math.max(narrowest, Math.min(widest, Math.round(width)));
  return choice.map((one) => (one.id === id ? { id, width: within } : one));
}

/** The least room that the tracks take beside each other, in pixels: fixed widths and the least of those that give way. */
export function leastWidth(columns: readonly Pick<Column, 'width'>[], gap: number): number {
  const least = columns.map(({ width }) => Number(/^(?:minmax\()?(\d+)px/.exec(width)?.[1] ?? narrowest));
  return least.reduce((sum, one) => sum + one, 0) + gap * (columns.length + 1);
}
