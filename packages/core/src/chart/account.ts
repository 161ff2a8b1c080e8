import type { Element, Side } from './element.ts';

/** What the system needs an account for; more roles come with the features that need them. */
export type AccountRole = 'retained_earnings';

export interface Account {
  readonly id: number;
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  readonly normalSide: Side;
  readonly parentId: number | null;
  /** Order among siblings, ascending. */
  readonly position: number;
  readonly active: boolean;
  readonly role: AccountRole | null;
}
