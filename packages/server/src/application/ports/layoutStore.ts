import type { Layout, Outcome, OwnLayout } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { PlacesByHand } from './books.ts';

/** A layout as lists show it. */
export interface LayoutRecord {
  readonly id: number;
  /** Whose categories it follows. */
  readonly classificationId: number;
  readonly name: string;
  readonly kind: Layout['kind'];
  /** Number of the version that runs; `null` where none was put in use yet. */
  readonly inUse: number | null;
  readonly hasDraft: boolean;
  /** UTC. */
  readonly changedAt: string;
  readonly changedBy: string;
  readonly version: number;
}

export interface LayoutVersion {
  readonly number: number;
  /** UTC. */
  readonly at: string;
  readonly by: string;
  readonly reason: string;
}

/** A draft that was dropped, or of which somebody else's change stands. */
export interface KeptDraft {
  readonly number: number;
  /** When it was saved, UTC, and by whom. */
  readonly at: string;
  readonly by: string;
}

export interface StoredLayout extends LayoutRecord {
  readonly draft: OwnLayout | null;
  /** The version in use. */
  readonly used: OwnLayout | null;
  /** Latest first. */
  readonly versions: readonly LayoutVersion[];
  /** Latest first. */
  readonly keptDrafts: readonly KeptDraft[];
}

/** What somebody else had saved meanwhile: captions of lines that came from there, and of those that both changed otherwise. */
export interface JoinedDraft {
  readonly by: string;
  readonly joined: readonly string[];
  readonly overridden: readonly string[];
}

/** A layout whose texts of numbers follow accounts that get other numbers; `null`: that stays. `version`: as it was read. */
export interface KeptLayout {
  readonly id: number;
  readonly version: number;
  readonly draft: OwnLayout | null;
  readonly used: OwnLayout | null;
}

/** What stays as it is while accounts get other numbers. */
export interface Kept {
  readonly places: readonly PlacesByHand[];
  readonly layouts: readonly KeptLayout[];
}

export interface LayoutStore {
  /** By name. */
  list(companyId: number): Promise<LayoutRecord[]>;
  /** Without any definition. */
  record(companyId: number, id: number): Promise<LayoutRecord | null>;
  find(companyId: number, id: number): Promise<StoredLayout | null>;
  /** A version never changes once it is made. */
  findVersion(companyId: number, id: number, number: number): Promise<(LayoutVersion & { readonly definition: OwnLayout }) | null>;
  add(
    companyId: number,
    layout: { readonly name: string; readonly classificationId: number; readonly draft: OwnLayout },
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  rename(companyId: number, id: number, version: number, name: string, actor: Actor): Promise<Outcome<null, Failure>>;
  findKeptDraft(companyId: number, id: number, number: number): Promise<OwnLayout | null>;
  /**
   * `draft`: `null` drops what was drafted. What was saved since `version` is joined where `base`, what stood at that version, is given; gives
   * what was, `null` where nothing. A draft that is dropped, or of which something is written over, is kept.
   */
  saveDraft(
    companyId: number,
    id: number,
    version: number,
    definitions: { readonly draft: OwnLayout | null; readonly base: OwnLayout | null },
    actor: Actor,
  ): Promise<Outcome<JoinedDraft | null, Failure>>;
  /** The draft becomes a version, the one that runs. */
  putInUse(companyId: number, id: number, version: number, reason: string, actor: Actor): Promise<Outcome<null, Failure>>;
  /** `version`: refused where it has another by now; `null` for whatever it has. */
  delete(companyId: number, id: number, version: number | null, actor: Actor): Promise<Outcome<null, Failure>>;
}
