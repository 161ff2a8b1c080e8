import type { CodeListBody, PlacementView } from '@ivory-ladder/contract';
import { accountLabel, type LayoutFacts, pathOf, type Selection, type Source, selectPortions } from '@ivory-ladder/core';
import { accountRoleNames } from '../../shared/words/accountRoleWords.ts';
import { natureNames, stepNames } from '../placement/index.ts';

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
      return `${account ? accountLabel(account) : 'an account that has gone'}${source.side === undefined ? '' : ` while in ${source.side}`}`;
    }
    case 'step':
      return `Step: ${stepNames[source.step].toLowerCase()}`;
    case 'nature':
      return `${natureNames[source.nature]} (${source.elements.join(', ')})`;
    case 'elements':
      return `All of ${source.elements.join(', ')}`;
    case 'role':
      return `Role: ${accountRoleNames[source.role]}`;
  }
}

export interface Held {
  /** Debit positive: what these portions come to today. */
  readonly net: bigint;
  readonly accounts: readonly { readonly label: string; readonly net: bigint }[];
}

/** What sources hold now: balances at the end, or what moved over the span. `movements`: by account, once they are known. */
export function heldBy(
  sources: readonly Source[],
  except: readonly Source[],
  takes: 'any' | 'debit' | 'credit',
  facts: LayoutFacts,
  view: PlacementView,
  movements: ReadonlyMap<number, bigint> | null,
): Held {
  const { accounts, sides } = portionsOf(sources, except, facts);
  const wanted = takes === 'debit' ? 1 : takes === 'credit' ? 2 : 3;
  let net = 0n;
  const held: { label: string; net: bigint }[] = [];
  for (const [place, at] of accounts.entries()) {
    const account = view.accounts[at];
    const bits = (sides[place] as number) & wanted;
    if (!account || bits === 0) continue;
    const whole = movements ? (movements.get(account.id) ?? 0n) : BigInt(account.balance);
    const own = (whole > 0n ? bits & 1 : bits & 2) ? whole : 0n;
    net += own;
    held.push({ label: account.label, net: own });
  }
  return { net, accounts: held };
}

const wordsOf = new WeakMap<Source, { readonly except: readonly Source[]; readonly facts: LayoutFacts; readonly selection: Selection }>();

/** Looked up once for as long as one source and what is left out of it stay the same. */
function portionsOf(sources: readonly Source[], except: readonly Source[], facts: LayoutFacts): Selection {
  const [only, another] = sources;
  const before = only && !another ? wordsOf.get(only) : undefined;
  const isSame = before?.facts === facts && (before.except === except || (before.except.length === 0 && except.length === 0));
  if (before && isSame) return before.selection;
  const selection = selectPortions(sources, except, 'any', facts);
  if (only && !another) wordsOf.set(only, { except, facts, selection });
  return selection;
}
