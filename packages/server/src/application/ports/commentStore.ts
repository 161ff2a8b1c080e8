import type { Day, LineComment, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

export interface CommentRecord extends LineComment {
  readonly day: Day;
  /** UTC. */
  readonly changedAt: string;
  readonly changedBy: string;
  readonly version: number;
}

/** Comments on lines of a set, each kept with the last day of the span that it is about. */
export interface CommentStore {
  /** Those of a day, and those of the last day before it that has any. */
  list(companyId: number, setId: number, day: Day): Promise<{ readonly now: CommentRecord[]; readonly earlier: CommentRecord[] }>;
  /** An empty text takes the comment away. `expected`: the version that was looked at, 0 where there was none. */
  set(
    companyId: number,
    setId: number,
    comment: LineComment & { readonly day: Day },
    expected: number,
    actor: Actor,
  ): Promise<Outcome<CommentRecord | null, Failure>>;
}
