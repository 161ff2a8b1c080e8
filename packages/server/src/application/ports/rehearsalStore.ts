import type { MergedDrafts, Outcome, PlacementDraft } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';

/** `offered`: somebody else is to look at it; `returned`: they did, with a word. */
export type RehearsalState = 'drafted' | 'offered' | 'returned';

export interface RehearsalKept {
  readonly id: number;
  readonly classificationId: number;
  readonly personId: number;
  /** Who it belongs to. */
  readonly by: string;
  /** Empty for the one that is being worked at, of which everybody has one. */
  readonly name: string;
  readonly state: RehearsalState;
  readonly word: string;
  readonly wordBy: string;
  readonly wordById: number | null;
  readonly draft: PlacementDraft;
  /** UTC. */
  readonly changedAt: string;
  readonly version: number;
}

/** A rehearsal as it is kept now, and what of it another window of the same person brought. */
export interface RehearsalSaved {
  readonly rehearsal: RehearsalKept;
  readonly merged: Omit<MergedDrafts, 'draft'>;
}

type Fields = Pick<RehearsalKept, 'name' | 'state' | 'word' | 'wordBy' | 'wordById' | 'draft'>;

export interface RehearsalStore {
  /** A person's own, and what others offer. */
  list(companyId: number, classificationId: number, personId: number): Promise<RehearsalKept[]>;
  find(companyId: number, id: number): Promise<RehearsalKept | null>;
  /** In the place of the person's one of this name, if there is one; what was kept of it since `base` is joined where that is given. */
  save(
    of: { readonly companyId: number; readonly classificationId: number; readonly personId: number; readonly name: string },
    draft: PlacementDraft,
    base: PlacementDraft | null,
  ): Promise<Outcome<RehearsalSaved, Failure>>;
  /** Only the version named, unless what was kept since `base` is joined. */
  change(companyId: number, id: number, version: number, fields: Fields, base: PlacementDraft | null): Promise<Outcome<RehearsalSaved, Failure>>;
  /** Takes out what was applied, its new categories under the ids that they got; one that nothing is left of goes. */
  end(companyId: number, id: number, applied: { readonly draft: PlacementDraft; readonly ids: ReadonlyMap<number, number> }): Promise<Outcome<null, Failure>>;
  delete(companyId: number, id: number): Promise<Outcome<null, Failure>>;
}
