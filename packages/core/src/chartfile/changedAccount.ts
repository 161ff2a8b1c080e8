import type { AccountRole } from '../chart/accountRole.ts';
import type { CodesOfAccount } from '../chart/codeList.ts';
import type { Element, Side } from '../chart/element.ts';
import type { PlaceSide } from '../placement/place.ts';
import type { KeptAccount } from './chartCells.ts';

/** A category that is there, or the path of one to be made. */
export type PlaceTarget = { readonly categoryId: number } | { readonly element: Element; readonly path: readonly string[] };

export interface ChangedAccount {
  /** The account itself; a negative id where it is new. */
  readonly id: number;
  readonly account: KeptAccount | null;
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  readonly normalSide: Side;
  /** Can be the negative id of another new account. */
  readonly parentId: number | null;
  readonly active: boolean;
  readonly role: AccountRole | null;
  readonly purpose: string;
  readonly externalNumber: string;
  readonly codes: CodesOfAccount;
  /** `null` where its places stay. */
  readonly places: readonly { readonly side: PlaceSide; readonly target: PlaceTarget }[] | null;
}
