import type { Account } from './account.ts';

type Named = Pick<Account, 'number' | 'name'>;
type Nested = Pick<Account, 'id' | 'number' | 'name' | 'parentId' | 'active'>;

/** Number and name of an account as it is written everywhere; the name alone where the company uses no numbers. */
export function accountLabel({ number, name }: Named): string {
  return number === '' ? name : `${number} ${name}`;
}

const separator = ' > ';

/** Names from the top of the chart down to the account, parted by ` > `: what tells accounts apart that have no numbers. */
export function accountPaths(accounts: readonly Nested[]): ReadonlyMap<number, string> {
  const byId = new Map(accounts.map((account) => [account.id, account]));
  const paths = new Map<number, string>();
  const pathOf = (account: Nested): string => {
    const pathBefore = paths.get(account.id);
    if (pathBefore !== undefined) return pathBefore;
    const parent = account.parentId === null ? undefined : byId.get(account.parentId);
    const path = parent ? joinPath(pathOf(parent), account.name) : account.name;
    paths.set(account.id, path);
    return path;
  };
  for (const account of accounts) pathOf(account);
  return paths;
}

export function joinPath(parentPath: string, name: string): string {
  return parentPath === '' ? name : `${parentPath}${separator}${name}`;
}

/** The path above and the name. A name may hold the separator itself: the longest path that `isKnown` is the one above, else all but the last name. */
export function splitPath(path: string, isKnown: (path: string) => boolean): { readonly parentPath: string; readonly name: string } {
  for (let at = path.lastIndexOf(separator); at > 0; at = path.lastIndexOf(separator, at - 1))
    if (isKnown(path.slice(0, at))) return { parentPath: path.slice(0, at), name: path.slice(at + separator.length) };
  const at = path.lastIndexOf(separator);
  return at < 0 ? { parentPath: '', name: path } : { parentPath: path.slice(0, at), name: path.slice(at + separator.length) };
}

/** Labels that tell all accounts apart: number and name; without numbers the name, or the path of names where another has it too. */
export function accountLabels(accounts: readonly Nested[]): ReadonlyMap<number, string> {
  if (accounts.every(({ number }) => number !== '')) return new Map(accounts.map((account) => [account.id, accountLabel(account)]));
  const paths = accountPaths(accounts);
  const counts = new Map<string, number>();
  for (const { name } of accounts) counts.set(name.toLowerCase(), (counts.get(name.toLowerCase()) ?? 0) + 1);
  const isShared = ({ number, name }: Nested): boolean => number === '' && (counts.get(name.toLowerCase()) ?? 0) > 1;
  return new Map(accounts.map((account) => [account.id, isShared(account) ? (paths.get(account.id) as string) : accountLabel(account)]));
}

/** The same accounts with their paths in the place of the numbers they have not, for files, which know accounts by text. */
export function withPathsAsNumbers<Item extends Nested>(accounts: readonly Item[]): Item[] {
  const paths = accountPaths(accounts);
  return accounts.map((account) => ({ ...account, number: paths.get(account.id) as string }));
}

/** A number or path as it is compared: letters without regard to case, one space between words. */
export function referenceKey(text: string): string {
  return text.trim().replace(/\s+/g, ' ').toLowerCase();
}

/** By the key of their number; of two with one path the active one. */
export function accountsByNumber<Item extends Pick<Nested, 'number' | 'active'>>(accounts: readonly Item[]): Map<string, Item> {
  const found = new Map<string, Item>();
  for (const account of accounts) {
    const key = referenceKey(account.number);
    if (account.active || !found.has(key)) found.set(key, account);
  }
  return found;
}

/** An active account that stands beside (same parent) and has the name already, letters without regard to case. */
export function findSameNameBeside<Item extends Pick<Nested, 'id' | 'name' | 'parentId' | 'active'>>(
  accounts: readonly Item[],
  { name, parentId }: Pick<Nested, 'name' | 'parentId'>,
  ownId: number | null,
): Item | undefined {
  const wanted = name.trim().toLowerCase();
  return accounts.find((account) => account.id !== ownId && account.active && account.parentId === parentId && account.name.toLowerCase() === wanted);
}

/** Active accounts whose name another active one beside them has too; with names alone they could not be told apart. */
export function repeatedBeside<Item extends Nested>(accounts: readonly Item[]): Item[] {
  const counts = new Map<string, number>();
  const keyOf = ({ name, parentId }: Nested): string => `${parentId} ${name.toLowerCase()}`;
  for (const account of accounts) if (account.active) counts.set(keyOf(account), (counts.get(keyOf(account)) ?? 0) + 1);
  return accounts.filter((account) => account.active && (counts.get(keyOf(account)) ?? 0) > 1);
}
