import type { ShownUnit } from '../statement/scale.ts';
import { type FootedLines, footLines } from './footLines.ts';
import type { FootingNode } from './lineTree.ts';

/** A line of a made table with its amounts, one a column; of a total the lines in it. */
export interface TestItem {
  readonly key: string;
  readonly values: readonly (bigint | null)[];
  readonly parts?: readonly { readonly key: string; readonly sign: 1 | -1 }[];
}

export const thousand: ShownUnit = { times: 1n, over: 1000n };

/** A total of items by their keys; those with a minus are taken away. */
export function total(key: string, items: readonly TestItem[], names: readonly string[]): TestItem {
  const parts = names.map((name) => ({ key: name.replace('-', ''), sign: name.startsWith('-') ? (-1 as const) : (1 as const) }));
  const found = parts.map(({ key: part, sign }) => ({ sign: BigInt(sign), values: items.find((item) => item.key === part)?.values ?? [] }));
  const width = found[0]?.values.length ?? 0;
  const values = Array.from({ length: width }, (_, at) => found.reduce((sum, one) => sum + one.sign * (one.values[at] as bigint), 0n));
  return { key, values, parts };
}

/** The values with their sum behind them. */
export function summed(values: readonly bigint[]): bigint[] {
  return [...values, values.reduce((sum, one) => sum + one, 0n)];
}

interface Footed extends Pick<FootedLines, 'exceptions'> {
  /** By key, one a column. */
  readonly shown: ReadonlyMap<string, readonly (bigint | null)[]>;
}

/** Foots a table. `totals`: of each column the one that it is a part of; none where it is left out. */
export function footItems(
  items: readonly TestItem[],
  unit: ShownUnit = thousand,
  totals: readonly (number | null)[] = (items[0]?.values ?? []).map(() => null),
  given: Readonly<Record<string, readonly (bigint | null)[]>> = {},
  isEachAlone = false,
): Footed {
  const places = new Map(items.map(({ key }, at) => [key, at]));
  const isPart = new Set(items.flatMap(({ parts = [] }) => parts.map(({ key }) => key)));
  const node = (at: number): FootingNode => ({
    line: at,
    parts: (items[at]?.parts ?? []).map(({ key, sign }) => ({ node: node(places.get(key) as number), sign })),
  });
  const roots = items.flatMap(({ key }, at) => (isPart.has(key) ? [] : [node(at)]));
  const { figures, exceptions } = footLines({
    tree: { roots, others: [] },
    columns: totals.map((one, at) => ({ at, total: one })),
    keyOf: (line) => items[line]?.key ?? '',
    exactOf: (line, column) => items[line]?.values[column] ?? null,
    givenOf: (line, column) => {
      const figure = given[items[line]?.key ?? '']?.[column] ?? null;
      return figure === null ? undefined : { figure };
    },
    unit,
    isEachAlone,
  });
  return { exceptions, shown: new Map(items.map(({ key, values }, at) => [key, values.map((_, column) => figures.get(column)?.get(at) ?? null)])) };
}

/** Where printed parts do not come to what is printed of their total: down, and across. */
export function notAdding(items: readonly TestItem[], shown: Footed['shown'], totals: readonly (number | null)[] = []): string[] {
  const found: string[] = [];
  for (const { key, parts = [], values } of items) {
    const own = shown.get(key) ?? [];
    for (const [column, figure] of own.entries()) {
      const sum = parts.reduce((all, part) => all + BigInt(part.sign) * (shown.get(part.key)?.[column] ?? 0n), 0n);
      if (parts.length > 0 && figure !== null && sum !== figure) found.push(`${key} down ${column}`);
      const columns = totals.flatMap((of, at) => (of === column ? [at] : []));
      const exact = columns.reduce((all, at) => all + (values[at] ?? 0n), 0n);
      const across = columns.reduce((all, at) => all + (own[at] ?? 0n), 0n);
      if (columns.length > 0 && exact === values[column] && across !== figure) found.push(`${key} across`);
    }
  }
  return found;
}
