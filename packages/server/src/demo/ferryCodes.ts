import type { Element, ListedCode, ListKind } from '@ivory-ladder/core';

export interface DemoList {
  readonly kind: ListKind;
  readonly name: string;
  readonly codes: readonly ListedCode[];
  /** Each account needs a code of it. */
  readonly isComplete?: true;
}

const listed = (code: string, caption: string, parent: string | null = null, element: Element | null = null): ListedCode => ({ code, caption, parent, element, side: null });

/** Lists of the Eiderholm Ferry Company: what its group asks for, and other ways to cut its amounts. */
export const ferryLists: readonly DemoList[] = [
  {
    kind: 'report',
    name: 'Group reporting',
    isComplete: true,
    codes: [
      listed('G110', 'Property, plant and equipment', null, 'asset'),
      listed('G120', 'Right-of-use assets', null, 'asset'),
      listed('G130', 'Intangible assets', null, 'asset'),
      listed('G210', 'Inventories', null, 'asset'),
      listed('G220', 'Trade and other receivables', null, 'asset'),
      listed('G230', 'Cash and cash equivalents', null, 'asset'),
      listed('G310', 'Borrowings', null, 'liability'),
      listed('G320', 'Lease liabilities', null, 'liability'),
      listed('G330', 'Provisions', null, 'liability'),
      listed('G340', 'Contract liabilities', null, 'liability'),
      listed('G350', 'Trade and other payables', null, 'liability'),
      listed('G410', 'Issued capital', null, 'equity'),
      listed('G420', 'Reserves and retained earnings', null, 'equity'),
      listed('G510', 'Revenue from customers', null, 'income'),
      listed('G520', 'Other income', null, 'income'),
      listed('G530', 'Interest received', null, 'income'),
      listed('G610', 'Cost of sailing', null, 'expense'),
      listed('G620', 'Operating costs ashore', null, 'expense'),
      listed('G630', 'Depreciation and amortisation', null, 'expense'),
      listed('G640', 'Finance costs', null, 'expense'),
      listed('G650', 'Income tax', null, 'expense'),
    ],
  },
  {
    kind: 'facet',
    name: 'Vessel',
    codes: [listed('TERN', 'MV Tern'), listed('EIDER', 'MV Eider'), listed('SKUA', 'MV Skua'), listed('PETREL', 'MV Petrel'), listed('SHORE', 'Ashore')],
  },
  {
    kind: 'facet',
    name: 'Route',
    codes: [
      listed('OUTER', 'Outer islands'),
      listed('OUT-N', 'Mainland to Nordskerry', 'OUTER'),
      listed('OUT-W', 'Nordskerry to Westholm', 'OUTER'),
      listed('INNER', 'Sound'),
      listed('INN-E', 'Mainland to Eiderholm', 'INNER'),
    ],
  },
  { kind: 'facet', name: 'Partner', codes: [listed('BOATYARD', 'Eiderholm Boatyard'), listed('FREIGHT', 'Nordskerry Freight')] },
  { kind: 'facet', name: 'Department', codes: [listed('DECK', 'Deck'), listed('ENGINE', 'Engine room'), listed('CAFE', 'Café'), listed('OFFICE', 'Offices')] },
];

/** What accounts whose number begins so have of each list; the longest beginning counts. One code is deliberately at odds with its account. */
export const ferryCodes: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'Group reporting': {
    10: 'G230',
    12: 'G220',
    14: 'G210',
    145: 'G220',
    146: 'G220',
    147: 'G220',
    15: 'G110',
    16: 'G110',
    170: 'G120',
    171: 'G120',
    17: 'G110',
    18: 'G110',
    19: 'G130',
    20: 'G350',
    21: 'G350',
    215: 'G340',
    216: 'G340',
    217: 'G340',
    22: 'G350',
    23: 'G350',
    24: 'G330',
    25: 'G310',
    26: 'G320',
    30: 'G410',
    31: 'G420',
    32: 'G420',
    40: 'G510',
    41: 'G510',
    42: 'G510',
    43: 'G510',
    445: 'G510',
    447: 'G510',
    448: 'G510',
    47: 'G520',
    48: 'G530',
    5: 'G610',
    534: '',
    60: 'G620',
    61: 'G620',
    612: 'G610',
    62: 'G620',
    63: 'G620',
    64: 'G620',
    6350: 'G520',
    65: 'G630',
    70: 'G640',
    79: 'G650',
  },
  Partner: { 125: 'FREIGHT', 203: 'BOATYARD', 541: 'BOATYARD', 542: 'BOATYARD', 422: 'FREIGHT' },
  Vessel: { 151: 'TERN', 152: 'EIDER', 153: 'SKUA', 154: 'PETREL', 161: 'TERN', 162: 'EIDER', 163: 'SKUA', 164: 'PETREL', 60: 'SHORE', 61: 'SHORE', 64: 'SHORE' },
  Department: { 501: 'DECK', 502: 'ENGINE', 503: 'DECK', 505: 'CAFE', 55: 'CAFE', 43: 'CAFE', 60: 'OFFICE', 64: 'OFFICE' },
};

/** What an account has of a list, by the longest beginning of its number; empty: none. */
export function demoCodeOf(codes: typeof ferryCodes, list: string, number: string): string {
  const beginnings = Object.keys(codes[list] ?? {}).filter((beginning) => number.startsWith(beginning));
  const longest = beginnings.sort((a, b) => b.length - a.length)[0];
  return longest === undefined ? '' : (codes[list]?.[longest] ?? '');
}
