import type { PlacementView } from '@ivory-ladder/contract';
import { defaultLayoutOptions } from '@ivory-ladder/core';

type Account = PlacementView['accounts'][number];
type Category = PlacementView['categories'][number];

export const category = (id: number, name: string, fields: Partial<Category> = {}): Category => ({
  id,
  parentId: null,
  element: 'asset',
  name,
  position: id,
  term: null,
  step: null,
  contraOf: null,
  nature: null,
  note: '',
  description: '',
  ranges: [],
  captions: [],
  version: 1,
  ...fields,
});
export const account = (id: number, amount: string, places: Account['places'], fields: Partial<Account> = {}): Account => ({
  id,
  number: String(1000 + id),
  name: `Account ${id}`,
  label: `${1000 + id} Account ${id}`,
  element: 'asset',
  normalSide: 'debit',
  parentId: null,
  role: null,
  isParent: false,
  placesByRange: [],
  doubledIn: [],
  oddIn: [],
  places,
  amount,
  comparative: '0',
  active: true,
  codes: {},
  balance: amount,
  balanceBefore: '0',
  ...fields,
});
export const view = (categories: Category[], accounts: Account[], exclusions: PlacementView['exclusions'] = []): PlacementView => ({
  categories,
  accounts,
  exclusions,
  span: { firstDay: '2026-01-01', lastDay: '2026-09-30' },
  comparative: { firstDay: '2025-01-01', lastDay: '2025-09-30' },
  balanceComparative: '2025-12-31',
  notAllotted: { amount: '0', comparative: '0' },
  ledger: { firstBalances: [], openings: [], adjusted: [] },
  options: { ...defaultLayoutOptions, subtotalsOff: [] },
  structureVersion: 1,
  revision: 1,
});
