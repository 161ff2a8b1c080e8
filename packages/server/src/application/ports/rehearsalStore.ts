import type { Outcome, PlacementDraft } from '@ivory-ladder/core';
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
  readonly draft: PlacementDraft;
  /** UTC. */
  readonly changedAt: string;
  readonly version: number;
}

type Fields = Pick<RehearsalKept, 'name' | 'state' | 'word' | 'wordBy' | 'draft'>;

export interface RehearsalStore {
  /** A person's own, and what others offer. */
  list(companyId: number, classificationId: number, personId: number): Promise<RehearsalKept[]>;
  find(companyId: number, id: number): Promise<RehearsalKept | null>;
  /** In the place of the person's one of this name, if there is one. */
  save(companyId: number, classificationId: number, personId: number, name: string, draft: PlacementDraft): Promise<Outcome<RehearsalKept, Failure>>;
  change(companyId: number, id: number, version: number, fields: Fields): Promise<Outcome<null, Failure>>;
  delete(companyId: number, id: number): Promise<Outcome<null, Failure>>;
}
