import { type DemoList, ferryLists } from './ferryCodes.ts';

/** What the group asks of the yard too, in its sister's list, and who it deals with. */
export const boatyardLists: readonly DemoList[] = [
  ...ferryLists.filter(({ name }) => name === 'Group reporting'),
  { kind: 'facet', name: 'Partner', codes: [{ code: 'FERRY', caption: 'Eiderholm Ferry Company', parent: null, element: null, side: null }] },
];

/** What accounts whose number begins so have of each list; the longest beginning counts. */
export const boatyardCodes: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'Group reporting': {
    'A-10': 'G230',
    'A-20': 'G220',
    'A-30': 'G210',
    'A-40': 'G220',
    'A-50': 'G110',
    'L-10': 'G350',
    'L-20': 'G350',
    'L-30': 'G350',
    'L-40': 'G310',
    'L-50': 'G340',
    'E-10': 'G410',
    'E-20': 'G420',
    R: 'G510',
    C: 'G610',
    'X-10': 'G620',
    'X-20': 'G630',
    'X-30': 'G640',
    'X-40': 'G650',
  },
};
