import type { ChartAccountBody } from '@ivory-ladder/contract';

/** An account for tests: an expense at the top level without a place. */
export const chartAccount = (id: number, number: string, fields: Partial<ChartAccountBody> = {}): ChartAccountBody => ({
  id,
  number,
  name: `Account ${number}`,
  label: `${number} Account ${number}`,
  element: 'expense',
  normalSide: 'debit',
  parentId: null,
  role: null,
  isParent: false,
  places: [],
  placesByRange: [],
  doubledIn: [],
  oddIn: [],
  amount: '0',
  comparative: '0',
  depth: 0,
  active: true,
  purpose: '',
  externalNumber: '',
  codes: {},
  version: 1,
  lastUsed: null,
  notes: [],
  ...fields,
});
