import type { Day, Facet, LineOfPast, ListedCode, ListKey, ListKind, Outcome, PairingRule } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

/** Rules are those of facets; a list of report codes has none. */
export interface StoredCodeList extends Facet {
  readonly id: number;
  readonly kind: ListKind;
  readonly version: number;
}

/** Name and rules of a list. */
export type ListFields = Pick<StoredCodeList, 'name' | 'neededFor' | 'neededOn' | 'notAllowedOn'>;

/** What becomes of the codes of a list. `was`: its code until now, `null` where it is new. */
export interface CodesChange {
  readonly set: readonly (ListedCode & { readonly was: string | null })[];
  readonly remove: readonly string[];
}

/** A value for lines that have none of its facet. */
export interface FacetFill {
  readonly facet: ListKey;
  readonly value: string;
  readonly accountIds: readonly number[];
  readonly from: Day | null;
  readonly to: Day | null;
}

export interface FacetFillFound {
  readonly accountId: number;
  readonly lines: number;
  /** Debit positive. */
  readonly net: bigint;
}

/** The value that one line gets. */
export interface ValueOfLine {
  readonly entryId: number;
  readonly lineNumber: number;
  readonly value: string;
}

export interface CodeListStore {
  add(
    companyId: number,
    kind: ListKind,
    name: string,
    codes: readonly ListedCode[],
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  change(
    companyId: number,
    list: StoredCodeList,
    fields: ListFields,
    codes: CodesChange,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<null, Failure>>;
  delete(companyId: number, list: StoredCodeList, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
  /** How many lines have values of a list, by value. */
  linesHaving(companyId: number, listId: number): Promise<ReadonlyMap<string, number>>;
  findLinesToFill(companyId: number, fill: FacetFill): Promise<FacetFillFound[]>;
  /** How many lines got the value. */
  fillLines(companyId: number, fill: FacetFill, rule: string, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>>;
  /** Lines of the entries that bear these numbers, here or in the file that they came from; `net`: debit positive. */
  linesOfDocuments(companyId: number, facet: ListKey, documents: readonly string[]): Promise<(LineOfPast & { readonly net: bigint })[]>;
  /** How many lines got their value; all of them, or none. */
  fillListed(
    companyId: number,
    facet: ListKey,
    lines: readonly ValueOfLine[],
    fileName: string,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  addPairing(companyId: number, rule: Omit<PairingRule, 'id'>, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>>;
  deletePairing(companyId: number, rule: PairingRule, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
}
