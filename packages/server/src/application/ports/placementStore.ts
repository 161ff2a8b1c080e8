import type { CaptionInLanguage, Category, Outcome, PlaceSide } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { RangeTextOfSide } from './books.ts';

export interface PlaceChange {
  readonly accountId: number;
  readonly before: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
  readonly after: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
}

export interface CategoryFields {
  readonly parentId: number | null;
  readonly element: Category['element'];
  readonly name: string;
  readonly term: Category['term'];
  readonly step: Category['step'];
  readonly contraOf: number | null;
  readonly ranges: readonly RangeTextOfSide[];
  readonly captions: readonly CaptionInLanguage[];
}

export interface PlacementStore {
  setPlaces(companyId: number, changes: readonly PlaceChange[], expectedStructure: number, actor: string): Promise<Outcome<number, Failure>>;
  addCategory(companyId: number, fields: CategoryFields, expectedStructure: number, actor: string): Promise<Outcome<number, Failure>>;
  changeCategory(
    companyId: number,
    categoryId: number,
    version: number,
    fields: CategoryFields,
    order: readonly number[],
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<null, Failure>>;
  deleteCategory(companyId: number, categoryId: number, expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
}
