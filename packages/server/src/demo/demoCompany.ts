import type { AccountRole, Element, Nature, Step, Term } from '@ivory-ladder/core';
import type { DemoEntry } from './demoLedger.ts';

export interface DemoCategory {
  readonly name: string;
  readonly term?: Term;
  readonly step?: Step;
  readonly nature?: Nature;
  readonly note?: string;
  readonly contraOf?: string;
  /** Account numbers that it takes. */
  readonly range?: string;
  readonly children?: readonly DemoCategory[];
}

export interface DemoAccount {
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  readonly category: string;
  readonly parent: string;
}

/** All that a company of the demo is made of. */
export interface DemoCompany {
  readonly name: string;
  readonly currency: string;
  readonly fiscalYearFirstMonth: number;
  readonly accounts: readonly DemoAccount[];
  readonly categories: Readonly<Record<Element, readonly DemoCategory[]>>;
  readonly roles: Readonly<Record<string, AccountRole>>;
  readonly retainedEarnings: string;
  /** On the eve of its first entries, units of its currency, debit positive; retained earnings are what is left. */
  readonly opening: Readonly<Record<string, number>>;
  /** In order of their dates. */
  readonly entries: readonly DemoEntry[];
}
