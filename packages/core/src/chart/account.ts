import type { Day } from '../calendar/day.ts';
import type { AccountRole } from './accountRole.ts';
import type { Element, Side } from './element.ts';

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
  /** Of cash: the first and the last day on which it is; absent or `null`: ever. */
  readonly cashFrom?: Day | null | undefined;
  readonly cashUntil?: Day | null | undefined;
}
