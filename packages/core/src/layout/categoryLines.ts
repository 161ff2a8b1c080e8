import type { Side } from '../chart/element.ts';
import type { CategoryNode } from '../placement/categoryTree.ts';
import type { AccountsLine, Line } from './line.ts';

export interface CategoryLineOptions {
  readonly side: Side;
  readonly reversed: boolean;
  /** Category ids that bear an account directly. */
  readonly occupied: ReadonlySet<number>;
}

/**
 * The lines of sibling categories: one with subcategories is a group, others take accounts. A contra category
 * stands under the one it is deducted from, and both make a group with their net amount as its subtotal.
 * Branches without any account make no line.
 */
export function linesOfSiblings(nodes: readonly CategoryNode[], rung: number, options: CategoryLineOptions): Line[] {
  const lines: Line[] = [];
  const ids = new Set(nodes.map((node) => node.category.id));
  for (const node of nodes) {
    const { contraOf } = node.category;
    if (contraOf !== null && ids.has(contraOf)) continue;
    const own = lineOfCategory(node, rung, options, '');
    const contras = nodes
      .filter((other) => other.category.contraOf === node.category.id)
      .map((other) => lineOfCategory(other, rung, options, 'Less '))
      .filter((line) => line !== null);
    if (contras.length === 0) {
      if (own) lines.push(own);
      continue;
    }
    lines.push({
      kind: 'group',
      key: `net.${node.category.id}`,
      caption: node.category.name,
      totalCaption: `${node.category.name}, net`,
      side: options.side,
      reversed: options.reversed,
      rung,
      children: [...(own ? [own] : []), ...contras],
    });
  }
  return lines;
}

function lineOfCategory(node: CategoryNode, rung: number, options: CategoryLineOptions, prefix: string): Line | null {
  const { category, children } = node;
  const { side, reversed, occupied } = options;
  const caption = prefix === '' ? category.name : prefix + lowerFirst(category.name);
  const accounts: AccountsLine = { kind: 'accounts', key: `category.${category.id}`, caption, side, reversed, rung, categoryId: category.id };
  const below = linesOfSiblings(children, rung + 1, options);
  if (below.length === 0) return occupied.has(category.id) ? accounts : null;
  const own: AccountsLine[] = occupied.has(category.id)
    ? [{ ...accounts, key: `own.${category.id}`, caption: `${category.name}, not subdivided`, rung: rung + 1 }]
    : [];
  const net = below[0];
  // A category that holds nothing but a pair of cost and deduction is that pair; a second net line would repeat it.
  const pair = below.length === 1 && own.length === 0 && net?.kind === 'group' && net.key.startsWith('net.') ? net : null;
  return {
    kind: 'group',
    key: `category.${category.id}`,
    caption,
    totalCaption: pair ? `${category.name}, net` : `Total ${lowerFirst(category.name)}`,
    side,
    reversed,
    rung,
    children: pair ? pair.children : [...below, ...own],
  };
}

/** `Revenue` → `revenue`; a word in capitals such as VAT stays. */
function lowerFirst(name: string): string {
  return /^[A-ZÀ-Þ][^A-ZÀ-Þ]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}
