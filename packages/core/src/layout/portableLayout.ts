import { type CodeList, isListed, type ListKey } from '../chart/codeList.ts';
import type { Element } from '../chart/element.ts';
import { pathOf } from '../placement/categoryTree.ts';
import { keysSpokenOf, renamedIn } from './lineNames.ts';
import { mapLines, type OwnLine, type OwnTransfer, walkOwn } from './ownLayout.ts';
import type { Source, SourceFacts } from './source.ts';

/** What ids in the lines of a layout mean, so that another chart can be asked for the same. */
export interface CarriedNames {
  readonly categories: readonly { readonly id: number; readonly element: Element; readonly path: readonly string[] }[];
  readonly accounts: readonly { readonly id: number; readonly number: string; readonly name: string }[];
  readonly lists: readonly { readonly key: ListKey; readonly name: string }[];
}

export interface CarryingFacts extends Pick<SourceFacts, 'tree'> {
  readonly accounts: readonly { readonly id: number; readonly number: string; readonly name: string }[];
  readonly lists: readonly Pick<CodeList, 'key' | 'name' | 'codes'>[];
}

/**
 * What is named where lines go and is not there, and fixed transfers, which stay behind; a code that is in no list stays in its line, which takes
 * nothing by it until it is. `line`: the key of the line or transfer that names it.
 */
export interface NotCarried {
  readonly line: string;
  readonly thing: 'category' | 'account' | 'list' | 'code' | 'transfer';
  readonly name: string;
}

function sourcesOf(line: OwnLine): readonly Source[] {
  if (line.kind === 'result') return line.except ?? [];
  return line.kind === 'accounts' || line.kind === 'memo' ? [...line.sources, ...line.except] : [];
}

function sourcesOfTransfer({ amount }: OwnTransfer): readonly Source[] {
  return amount.kind === 'living' ? [...amount.sources, ...amount.except] : [];
}

/** The names of all that lines, and transfers between them, speak of by id. */
export function namesCarried(lines: readonly OwnLine[], transfers: readonly OwnTransfer[], { tree, accounts, lists }: CarryingFacts): CarriedNames {
  const [categoryIds, accountIds, keys] = [new Set<number>(), new Set<number>(), new Set<ListKey>()];
  const note = (sources: readonly Source[]): void => {
    for (const source of sources) {
      if (source.kind === 'category') categoryIds.add(source.categoryId);
      if (source.kind === 'account') accountIds.add(source.accountId);
      if (source.kind === 'code') keys.add(source.list);
    }
  };
  for (const transfer of transfers) {
    note(sourcesOfTransfer(transfer));
    noteTreeKeys([transfer.on, transfer.from]);
  }
  function noteTreeKeys(named: readonly string[]): void {
    for (const key of named) {
      const id = categoryIdIn(key);
      if (id !== 0) categoryIds.add(id);
    }
  }
  walkOwn(lines, (line) => {
    note(sourcesOf(line));
    if (line.kind === 'accounts' || line.kind === 'memo') for (const key of Object.keys(line.facets)) keys.add(key as ListKey);
    noteTreeKeys(keysSpokenOf(line));
    if (line.kind === 'follows' && line.followed.of === 'category') categoryIds.add(line.followed.categoryId);
  });
  return {
    categories: [...categoryIds].flatMap((id) => {
      const node = tree.nodes.get(id);
      return node ? [{ id, element: node.category.element, path: pathOf(node) }] : [];
    }),
    accounts: accounts.filter(({ id }) => accountIds.has(id)).map(({ id, number, name }) => ({ id, number, name })),
    lists: lists.filter(({ key }) => keys.has(key)).map(({ key, name }) => ({ key, name })),
  };
}

/**
 * The lines, and transfers between them, as another chart has what they name: categories by element and path, accounts by number (by name where they have
 * none), lists by name. What is not there is told, and is left out of sources; lines that follow it stay and say so. Fixed
 * transfers are amounts of the company that they come from, and stay there.
 */
export function carryOver(
  lines: readonly OwnLine[],
  transfers: readonly OwnTransfer[],
  names: CarriedNames,
  facts: CarryingFacts,
): { readonly lines: readonly OwnLine[]; readonly transfers: readonly OwnTransfer[]; readonly missing: readonly NotCarried[] } {
  const pathKey = (element: Element, path: readonly string[]): string => [element, ...path.map((name) => name.toLowerCase())].join('\u0000');
  const byPath = new Map([...facts.tree.nodes.values()].map((node) => [pathKey(node.category.element, pathOf(node)), node.category.id]));
  const byNumber = new Map(facts.accounts.flatMap(({ id, number }) => (number === '' ? [] : [[number, id] as const])));
  const byName = new Map(facts.accounts.map(({ id, name }) => [name.toLowerCase(), id]));
  const categoryOf = new Map(names.categories.map(({ id, element, path }) => [id, byPath.get(pathKey(element, path))]));
  const accountOf = new Map(names.accounts.map(({ id, number, name }) => [id, number === '' ? byName.get(name.toLowerCase()) : byNumber.get(number)]));
  const listOf = new Map(
    names.lists.map(({ key, name }) => [
      key,
      facts.lists.find((list) => list.name.toLowerCase() === name.toLowerCase() && kindOf(list.key) === kindOf(key))?.key,
    ]),
  );
  const missing: NotCarried[] = [];
  const nameOf = {
    category: (id: number) => names.categories.find((one) => one.id === id)?.path.join(' > ') ?? String(id),
    account: (id: number) => {
      const account = names.accounts.find((one) => one.id === id);
      return account ? `${account.number} ${account.name}`.trim() : String(id);
    },
    list: (key: ListKey) => names.lists.find((one) => one.key === key)?.name ?? key,
  };
  const carry = (line: string, source: Source): Source[] => {
    switch (source.kind) {
      case 'numbers':
      case 'step':
      case 'nature':
      case 'role':
      case 'elements':
        return [source];
      case 'category': {
        const categoryId = categoryOf.get(source.categoryId);
        if (categoryId !== undefined) return [{ ...source, categoryId }];
        missing.push({ line, thing: 'category', name: nameOf.category(source.categoryId) });
        return [];
      }
      case 'account': {
        const accountId = accountOf.get(source.accountId);
        if (accountId !== undefined) return [{ ...source, accountId }];
        missing.push({ line, thing: 'account', name: nameOf.account(source.accountId) });
        return [];
      }
      case 'code': {
        const list = listOf.get(source.list);
        if (list !== undefined) {
          noteCode(line, list, source);
          return [{ ...source, list }];
        }
        missing.push({ line, thing: 'list', name: nameOf.list(source.list) });
        return [];
      }
    }
  };
  const codesOf = new Map(facts.lists.map((list) => [list.key, list]));
  function noteCode(line: string, key: ListKey, { code, begins }: { readonly code: string; readonly begins: boolean }): void {
    const list = codesOf.get(key);
    if (list && !isListed(list, code, begins)) missing.push({ line, thing: 'code', name: `${list.name}: ${code}${begins ? '*' : ''}` });
  }
  const treeKey = (key: string): string => {
    const id = categoryIdIn(key);
    return id === 0 ? key : `${key.slice(0, key.indexOf('.'))}.${categoryOf.get(id) ?? 0}`;
  };
  const all = (line: string, sources: readonly Source[]) => sources.flatMap((source) => carry(line, source));
  const carried = mapLines(lines, (here): OwnLine => {
    const line = renamedIn(here, treeKey);
    if (line.kind === 'accounts' || line.kind === 'memo') {
      const facets = Object.entries(line.facets).flatMap(([key, values]) => {
        const list = listOf.get(key as ListKey);
        if (list === undefined) missing.push({ line: line.key, thing: 'list', name: nameOf.list(key as ListKey) });
        if (list === undefined) return [];
        for (const code of values) if (code !== '') noteCode(line.key, list, { code, begins: false });
        return [[list, values] as const];
      });
      return { ...line, sources: all(line.key, line.sources), except: all(line.key, line.except), facets: Object.fromEntries(facets) };
    }
    if (line.kind === 'result' && line.except) return { ...line, except: all(line.key, line.except) };
    if (line.kind !== 'follows') return line;
    const { followed } = line;
    const categoryId = followed.of === 'category' ? categoryOf.get(followed.categoryId) : undefined;
    if (followed.of === 'category' && categoryId === undefined) missing.push({ line: line.key, thing: 'category', name: nameOf.category(followed.categoryId) });
    return followed.of === 'category' ? { ...line, followed: { of: 'category', categoryId: categoryId ?? unknownCategory } } : line;
  });
  const living = transfers.flatMap((transfer): OwnTransfer[] => {
    const { key, on, from, amount } = transfer;
    if (amount.kind !== 'living') {
      missing.push({ line: key, thing: 'transfer', name: transfer.text || key });
      return [];
    }
    return [{ ...transfer, on: treeKey(on), from: treeKey(from), amount: { ...amount, sources: all(key, amount.sources), except: all(key, amount.except) } }];
  });
  return { lines: carried, transfers: living, missing };
}

/** No category has it; the line says that what it follows has gone. */
const unknownCategory = 2_147_483_647;

function kindOf(key: ListKey): string {
  return key.slice(0, key.indexOf(':'));
}

/** `category.12` → 12, `own_added.12` too; 0 where a key is none of the tree's. */
function categoryIdIn(key: string): number {
  const found = /^[a-z_]+\.(\d+)$/.exec(key);
  return found ? Number(found[1]) : 0;
}
