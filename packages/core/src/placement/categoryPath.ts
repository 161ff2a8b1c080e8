import type { Element } from '../chart/element.ts';
import type { CategoryNode, CategoryTree } from './categoryTree.ts';

const nameInPath = /\s*(?:"(?<quoted>(?:[^"]|"")*)"\s*(?=[>›]|$)|(?<plain>[^>›]*))[>›]?/g;

/** `Current assets > Cash at bank` → the names; `>` and `›` part them, unless they stand within quotes. A leading element's name is dropped. */
export function readCategoryPath(text: string, element: Element | null): string[] {
  const names = [...text.matchAll(nameInPath)]
    .map(({ groups }) => (groups?.quoted?.replaceAll('""', '"') ?? groups?.plain ?? '').trim())
    .filter((name) => name !== '');
  const heads = element ? [element, pluralOf(element)] : [];
  return names.length > 1 && heads.includes((names[0] ?? '').toLowerCase()) ? names.slice(1) : names;
}

/** The text that reads back to the same names below their element. */
export function writeCategoryPath(names: readonly string[]): string {
  return names.map((name) => (/[>›]|^"/.test(name) ? `"${name.replaceAll('"', '""')}"` : name)).join(' > ');
}

function pluralOf(element: Element): string {
  return element === 'liability' ? 'liabilities' : element === 'equity' || element === 'income' ? element : `${element}s`;
}

/** The node at this path under the element, names without regard to case, and how many names were found. */
export function findCategoryPath(tree: CategoryTree, element: Element, names: readonly string[]): { node: CategoryNode | null; found: number } {
  let node: CategoryNode | null = null;
  let found = 0;
  for (const name of names) {
    const siblings: readonly CategoryNode[] = node ? node.children : (tree.tops.get(element) ?? []);
    const next = siblings.find((candidate) => candidate.category.name.toLowerCase() === name.toLowerCase());
    if (!next) break;
    node = next;
    found++;
  }
  return { node, found };
}
