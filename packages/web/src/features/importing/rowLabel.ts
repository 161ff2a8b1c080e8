import { accountLabel } from '@ivory-ladder/core';

/** An account of a trial balance: in a company of names only its path stands in the place of the number, and says all. */
export function rowLabel(row: { readonly number: string; readonly name: string }, numbered: boolean): string {
  return numbered ? accountLabel(row) : row.number;
}
