import type { Day } from '@ivory-ladder/core';

export interface HistoryEvent {
  readonly id: number;
  readonly thing: string;
  readonly thingId: number;
  readonly action: string;
  readonly before: unknown;
  readonly after: unknown;
  readonly happenedAt: string;
  readonly actor: string;
  readonly actorId: number | null;
  /** Somebody else of this name did something in the company. */
  readonly isNameShared: boolean;
}

export interface HistoryWanted {
  readonly thing: string | null;
  readonly thingId: number | null;
  /** Part of the name of who did it. */
  readonly actor: string | null;
  /** First and last day, in UTC. */
  readonly from: Day | null;
  readonly to: Day | null;
  /** Events older than this one. */
  readonly before: number | null;
  readonly limit: number;
}
