import type { Element } from './element.ts';

const cashWords = /\b(cash|banks?|current accounts?|liquid (assets|means)|petty cash|tills?|deposits? (at call|on demand))\b/i;
/** Held or owed for longer, or named after the bank that it is owed to. */
const otherwise = /\b(loans?|overdrafts?|charges|restricted|non-?current|fixed|long-?term|interest|fees)\b/i;

interface Held {
  readonly name: string;
  readonly element: Element;
}

/**
 * The category whose accounts are cash and cash equivalents by its name or theirs (IAS 7.6); `null` where no asset is named so. `accounts`: with those of
 * categories below. By name of the category before that of its accounts, which at least half of them bear; of several the one with most of them.
 */
export function proposeCash<Category extends { readonly name: string; readonly element: Element; readonly accounts: readonly Held[] }>(
  categories: readonly Category[],
): Category | null {
  const isCash = (name: string) => cashWords.test(name) && !otherwise.test(name);
  const candidates = categories.filter(({ element, accounts }) => element === 'asset' && accounts.length > 0);
  const share = ({ accounts }: Category) => accounts.filter(({ name }) => isCash(name)).length / accounts.length;
  const most = (some: readonly Category[]) => some.toSorted((a, b) => b.accounts.length - a.accounts.length)[0] ?? null;
  const byName = candidates.filter(({ name }) => isCash(name));
  const ofCash = candidates.filter((category) => share(category) >= 0.5);
  // Named so and of accounts named so, before named so alone.
  return most(byName.filter((category) => ofCash.includes(category))) ?? most(byName) ?? most(ofCash);
}
