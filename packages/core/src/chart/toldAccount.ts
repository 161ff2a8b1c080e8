import type { Account } from './account.ts';

/** Number and name of an account that is told apart from all others: without numbers by the path where its name alone does not. */
export function toldAccount(
  { labels }: { readonly labels: ReadonlyMap<number, string> },
  { id, number, name }: Pick<Account, 'id' | 'number' | 'name'>,
): { readonly number: string; readonly name: string } {
  return { number, name: number === '' ? (labels.get(id) ?? name) : name };
}
