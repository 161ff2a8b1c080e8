import type { CodeListBody, PlacementView } from '@ivory-ladder/contract';
import { accountLabel, type LayoutFacts, pathOf, type Source, selectPortions } from '@ivory-ladder/core';

/** What a source is called on the page. */
export function sourceWords(source: Source, facts: LayoutFacts, view: PlacementView, lists: readonly CodeListBody[]): string {
  switch (source.kind) {
    case 'numbers':
      return source.text || 'no numbers yet';
    case 'category': {
      const node = facts.tree.nodes.get(source.categoryId);
      return node ? pathOf(node).join(' › ') : 'a category that has gone';
    }
    case 'code': {
      const list = lists.find(({ key }) => key === source.list);
      return `${list?.name ?? 'a list that has gone'}: ${source.code}${source.begins ? '*' : ''}`;
    }
    case 'account': {
      const account = view.accounts.find(({ id }) => id === source.accountId);
      return account ? accountLabel(account) : 'an account that has gone';
    }
  }
}

export interface Held {
  /** Debit positive: what these portions come to today. */
  readonly net: bigint;
  readonly accounts: readonly { readonly label: string; readonly net: bigint }[];
}

/** What sources hold now: balances of balance sheet accounts, movements of income and expense. */
export function heldBy(
  sources: readonly Source[],
  except: readonly Source[],
  takes: 'any' | 'debit' | 'credit',
  facts: LayoutFacts,
  view: PlacementView,
  isClosing: boolean,
): Held {
  const { accounts, sides } = selectPortions(sources, except, takes, facts);
  let net = 0n;
  const held: { label: string; net: bigint }[] = [];
  for (const [place, at] of accounts.entries()) {
    const account = view.accounts[at];
    if (!account) continue;
    const whole = BigInt(isClosing ? account.balance : account.amount);
    const bits = sides[place] as number;
    const own = (whole > 0n ? bits & 1 : bits & 2) ? whole : 0n;
    net += own;
    held.push({ label: account.label, net: own });
  }
  return { net, accounts: held };
}
