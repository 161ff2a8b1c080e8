import type { DescribedCategory, Outcome, Place, PlacementDraft, PlacementEffect } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

/** A change of the placement that was applied as a whole. */
export interface PlacementRecord {
  readonly id: number;
  readonly classificationId: number;
  /** UTC, just before it was written. */
  readonly at: string;
  readonly by: string;
  readonly reason: string;
  readonly accounts: number;
  readonly categories: number;
  /** The change that it takes back, and the one that took it back. */
  readonly undoes: number | null;
  readonly undoneBy: number | null;
}

/** Figures are those of the span it was applied with. */
export interface PlacementRecordDetail extends PlacementRecord {
  readonly draft: PlacementDraft;
  readonly effect: PlacementEffect;
}

export interface PlacementToApply {
  readonly classificationId: number;
  readonly draft: PlacementDraft;
  readonly effect: PlacementEffect;
  readonly reason: string;
  readonly undoes: number | null;
}

/** Accounts may have gone since. */
export interface PastPlacement {
  readonly categories: readonly DescribedCategory[];
  readonly places: readonly Place[];
}

/** What of a classification itself can change. */
export interface ClassificationChange {
  readonly id: number;
  readonly version: number;
  readonly before: string;
  readonly name: string;
  /** From now on statements, rail and proofs go by it. */
  readonly becomesMain: boolean;
}

/** Of leaving out: why (`null`: taken in), and the reason that was seen. */
export interface ReasonChange {
  readonly reason: string | null;
  readonly before: string | null;
}

export interface PlacementStore {
  /** `draft`: categories and places that it begins with. */
  addClassification(companyId: number, name: string, draft: PlacementDraft, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>>;
  changeClassification(companyId: number, change: ClassificationChange, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
  /** With its categories, places, rehearsals and exclusions. */
  deleteClassification(
    companyId: number,
    classification: { readonly id: number; readonly name: string },
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<null, Failure>>;
  /** One transaction; `ids` gives new categories, which have negative ids in the draft, the ids they got. */
  apply(
    companyId: number,
    change: PlacementToApply,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<{ readonly recordId: number; readonly ids: ReadonlyMap<number, number> }, Failure>>;
  /** `reason`: none takes them in again. */
  setExclusions(
    companyId: number,
    scope: string,
    accountIds: readonly number[],
    change: ReasonChange,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  /** Latest first, so many at most, before a record. */
  records(companyId: number, classificationId: number, before: number | null, most: number): Promise<PlacementRecord[]>;
  record(companyId: number, recordId: number): Promise<PlacementRecordDetail | null>;
  /** As it stood at a moment (UTC, microseconds); empty before the company was there. */
  at(companyId: number, classificationId: number, moment: string): Promise<PastPlacement>;
}
