/** What is kept between requests: balances of a company, those by facet set, those of some facet values, days inside a period, and balances in another currency. */
export type KeptKind = 'books' | 'facets' | 'filtered' | 'days' | 'translated';

export interface KeptShare {
  readonly kind: KeptKind;
  readonly count: number;
  readonly bytes: number;
  /** How often something of the kind was made since the server began: many more than are kept are made again and again. */
  readonly made: number;
}

/** One budget for all of it. Whoever keeps something says by its counters, in the value or its key, which state of the company it is of. */
export interface KeptInMemory {
  get<Value extends object>(kind: KeptKind, key: string): Value | undefined;
  /** What was used least recently goes where this takes more than the budget with the rest. `bytes`: as it is now; it is kept again where it grows. */
  keep(kind: KeptKind, key: string, value: object, bytes: number): void;
  readonly budget: number;
  /** One of each kind that something was kept of. */
  shares(): KeptShare[];
}
