import { visibleOrder } from '@ivory-ladder/core';
import { useMemo, useState } from 'react';
import type { GridColumn } from './gridColumn.ts';

interface VisibleRowsOptions<Row> {
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => number;
  readonly depthOf: (row: Row) => number;
  /** The order of a column, absent for the rows' own. */
  readonly compare: GridColumn<Row>['compare'];
  readonly isDescending: boolean;
  readonly isSought: ((row: Row) => boolean) | null;
}

export interface VisibleRows<Row> {
  /** Index of each row shown, from top to bottom. */
  readonly order: Int32Array;
  readonly depths: readonly number[];
  readonly isTree: boolean;
  /** Rows stand in another order than their own, or some are left out: nothing is shown as nested. */
  readonly isFlat: boolean;
  /** Whether what is nested in the row is put away; `null` where nothing is, or nothing is shown as nested. */
  isShut(index: number): boolean | null;
  toggle(row: Row): void;
}

/** Which rows of a tree are shown, in which order, by what is shut, sought and ordered. */
export function useVisibleRows<Row>({ rows, keyOf, depthOf, compare, isDescending, isSought }: VisibleRowsOptions<Row>): VisibleRows<Row> {
  const [shutKeys, setShutKeys] = useState<ReadonlySet<number>>(new Set());
  const depths = useMemo(() => rows.map(depthOf), [rows, depthOf]);
  const isTree = useMemo(() => depths.some((depth) => depth > 0), [depths]);
  const order = useMemo(() => {
    const sign = isDescending ? -1 : 1;
    return visibleOrder({
      depth: depths,
      shut: new Set(shutKeys.size === 0 ? [] : rows.flatMap((row, at) => (shutKeys.has(keyOf(row)) ? [at] : []))),
      isSought: isSought === null ? null : (at) => isSought(rows[at] as Row),
      compare: compare ? (a, b) => sign * compare(rows[a] as Row, rows[b] as Row) : null,
    });
  }, [rows, depths, keyOf, compare, isDescending, shutKeys, isSought]);
  const isFlat = compare !== undefined || isSought !== null;
  return {
    order,
    depths,
    isTree,
    isFlat,
    isShut: (index) => (!isFlat && (depths[index + 1] ?? 0) > (depths[index] ?? 0) ? shutKeys.has(keyOf(rows[index] as Row)) : null),
    toggle: (row) =>
      setShutKeys((before) => (before.has(keyOf(row)) ? new Set([...before].filter((key) => key !== keyOf(row))) : new Set([...before, keyOf(row)]))),
  };
}
