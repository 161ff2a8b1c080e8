import type { Side } from '../chart/element.ts';
import type { CategoryNode } from '../placement/categoryTree.ts';
import type { CaptionWords } from './captionWords.ts';
import type { AccountsLine, Line } from './line.ts';

export interface CategoryLineOptions {
  readonly side: Side;
  readonly reversed: boolean;
  /** Category ids that bear an account directly. */
  readonly occupied: ReadonlySet<number>;
  readonly words: CaptionWords;
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
    const own = lineOfCategory(node, rung, options, false);
    const contras = nodes
      .filter((other) => other.category.contraOf === node.category.id)
      .map((other) => lineOfCategory(other, rung, options, true))
      .filter((line) => line !== null);
    if (contras.length === 0) {
      if (own) lines.push(own);
      continue;
    }
    lines.push({
      kind: 'group',
      key: `net.${node.category.id}`,
      caption: node.category.name,
      totalCaption: options.words.net(node.category.name),
      side: options.side,
      reversed: options.reversed,
      rung,
      children: [...(own ? [own] : []), ...contras],
    });
  }
  return lines;
}

function lineOfCategory(node: CategoryNode, rung: number, options: CategoryLineOptions, isDeducted: boolean): Line | null {
  const { category, children } = node;
  const { side, reversed, occupied, words } = options;
  const caption = isDeducted ? words.less(category.name) : category.name;
  const accounts: AccountsLine = { kind: 'accounts', key: `category.${category.id}`, caption, side, reversed, rung, categoryId: category.id };
  const below = linesOfSiblings(children, rung + 1, options);
  if (below.length === 0) return occupied.has(category.id) ? accounts : null;
  const own: AccountsLine[] = occupied.has(category.id)
    ? [{ ...accounts, key: `own.${category.id}`, caption: words.notSubdivided(category.name), rung: rung + 1 }]
    : [];
  const net = below[0];
  // A category that holds nothing but a pair of cost and deduction is that pair; a second net line would repeat it.
  const pair = below.length === 1 && own.length === 0 && net?.kind === 'group' && net.key.startsWith('net.') ? net : null;
  return {
    kind: 'group',
    key: `category.${category.id}`,
    caption,
    totalCaption: pair ? words.net(category.name) : words.total(category.name),
    side,
    reversed,
    rung,
    children: pair ? pair.children : [...below, ...own],
  };
}
