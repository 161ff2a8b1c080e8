import type { Layer } from '../cube/layer.ts';
import type { Position } from '../cube/position.ts';

/** Ordinary lines of one account with one facet set, from the first day of a period to some day in it. */
export interface LineOfSet {
  /** Dense number. */
  readonly account: number;
  readonly facetSetId: number;
  readonly layer: Layer;
  readonly debit: bigint;
  readonly credit: bigint;
}

/** All lines with facet values from the first day of a period to a position within. */
export type LinesOfSets = (position: Position) => readonly LineOfSet[];
