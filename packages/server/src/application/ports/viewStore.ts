import type { Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

export interface ChosenColumn {
  readonly id: string;
  /** Pixels; `null` where it is left to the table. */
  readonly width: number | null;
}

/** What a view brings back. */
interface ViewContent {
  readonly columns: readonly ChosenColumn[];
  readonly order: string;
  readonly find: string;
  readonly show: string;
  readonly element: string;
  readonly category: string;
  readonly since: string;
}

export interface SavedView {
  readonly id: number;
  readonly name: string;
  readonly isShared: boolean;
  /** Who saved it. */
  readonly personId: number;
  readonly content: ViewContent;
  readonly version: number;
}

export type ViewFields = Pick<SavedView, 'name' | 'isShared' | 'content'>;

/** Views of the chart, and the columns that each person chose. */
export interface ViewStore {
  /** A person's own and those for all, by name. */
  list(companyId: number, personId: number): Promise<SavedView[]>;
  columns(companyId: number, personId: number): Promise<readonly ChosenColumn[]>;
  setColumns(companyId: number, personId: number, columns: readonly ChosenColumn[]): Promise<void>;
  add(companyId: number, personId: number, fields: ViewFields, actor: Actor): Promise<number>;
  change(companyId: number, view: SavedView, fields: ViewFields, actor: Actor): Promise<Outcome<void, Failure>>;
  remove(companyId: number, view: SavedView, actor: Actor): Promise<Outcome<void, Failure>>;
}
