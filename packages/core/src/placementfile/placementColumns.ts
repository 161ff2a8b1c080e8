/** Columns of a placement file: a row with an account says where it stands by hand, one without says which numbers a category takes. */
export const placementColumns = [
  { key: 'number', heading: 'Account', takes: 'Number of an account, or its path of names where accounts have no numbers. Empty in the row of a category.' },
  { key: 'name', heading: 'Name', takes: 'For the eye; not read.' },
  { key: 'element', heading: 'Element', takes: 'asset, liability, equity, income or expense. Needed in the row of a category.' },
  {
    key: 'category',
    heading: 'Category',
    takes:
      'Path from the top, as Cost of sailing > Crew wages; a name with > in it stands in quotes. In the row of an account: where it stands by hand, whatever its balance; empty: nowhere.',
  },
  { key: 'debit', heading: 'Category while in debit', takes: 'Of an account that has a place of its own while it is in debit.' },
  { key: 'credit', heading: 'Category while in credit', takes: 'Of an account that has a place of its own while it is in credit.' },
  { key: 'numbers', heading: 'Numbers', takes: 'Of a category: account numbers that it takes, as 1000 to 1999, 2105, 24* except 2450; empty: none.' },
  { key: 'numbersDebit', heading: 'Numbers while in debit', takes: 'Of a category: account numbers that it takes while they are in debit.' },
  { key: 'numbersCredit', heading: 'Numbers while in credit', takes: 'Of a category: account numbers that it takes while they are in credit.' },
  { key: 'byRange', heading: 'Stands by range in', takes: 'For the eye; not read.' },
] as const;

export type PlacementColumn = (typeof placementColumns)[number]['key'];
