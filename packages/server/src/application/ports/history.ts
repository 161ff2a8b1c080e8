export interface HistoryEvent {
  readonly id: number;
  readonly thing: string;
  readonly thingId: number;
  readonly action: string;
  readonly before: unknown;
  readonly after: unknown;
  readonly happenedAt: string;
  readonly actor: string;
}

export interface HistoryWanted {
  readonly thing: string | null;
  readonly thingId: number | null;
  /** Events older than this one. */
  readonly before: number | null;
  readonly limit: number;
}
