import type { CodeList, ListedCode, ListKind, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';

export interface StoredCodeList extends CodeList {
  readonly id: number;
  readonly kind: ListKind;
  readonly version: number;
}

/** What becomes of the codes of a list. `was`: its code until now, `null` where it is new. */
export interface CodesChange {
  readonly set: readonly (ListedCode & { readonly was: string | null })[];
  readonly remove: readonly string[];
}

export interface CodeListStore {
  add(
    companyId: number,
    kind: ListKind,
    name: string,
    codes: readonly ListedCode[],
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<number, Failure>>;
  change(companyId: number, list: StoredCodeList, name: string, codes: CodesChange, expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
  delete(companyId: number, list: StoredCodeList, expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
}
