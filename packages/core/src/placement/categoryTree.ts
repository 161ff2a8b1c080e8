import type { Element } from '../chart/element.ts';
import type { Category } from './category.ts';

export interface CategoryNode {
  readonly category: Category;
  readonly parent: CategoryNode | null;
  readonly children: readonly CategoryNode[];
  readonly depth: number;
}

export interface CategoryTree {
  readonly tops: ReadonlyMap<Element, readonly CategoryNode[]>;
  readonly nodes: ReadonlyMap<number, CategoryNode>;
}

/** Siblings in their explicit order. A parent that is not there, or a cycle, is a bug of whoever stored them. */
export function buildCategoryTree(categories: readonly Category[]): CategoryTree {
  const byParent = new Map<number | null, Category[]>();
  for (const category of categories) {
    const siblings = byParent.get(category.parentId);
    if (siblings) siblings.push(category);
    else byParent.set(category.parentId, [category]);
  }
  for (const siblings of byParent.values()) siblings.sort((a, b) => a.position - b.position || a.id - b.id);
  const nodes = new Map<number, CategoryNode>();
  const grow = (category: Category, parent: CategoryNode | null): CategoryNode => {
    const children: CategoryNode[] = [];
    const node: CategoryNode = { category, parent, children, depth: parent ? parent.depth + 1 : 0 };
    nodes.set(category.id, node);
    for (const child of byParent.get(category.id) ?? []) children.push(grow(child, node));
    return node;
  };
  const tops = new Map<Element, CategoryNode[]>();
  for (const category of byParent.get(null) ?? []) {
    const node = grow(category, null);
    const siblings = tops.get(category.element);
    if (siblings) siblings.push(node);
    else tops.set(category.element, [node]);
  }
  if (nodes.size !== categories.length) throw new Error('the categories have a cycle or a parent that is not among them');
  return { tops, nodes };
}

/** Names from the top down: `['Current assets', 'Cash at bank']`. */
export function pathOf(node: CategoryNode): string[] {
  return node.parent ? [...pathOf(node.parent), node.category.name] : [node.category.name];
}

/** Every category in the order in which a statement shows them. */
export function walkCategories(nodes: readonly CategoryNode[], visit: (node: CategoryNode) => void): void {
  for (const node of nodes) {
    visit(node);
    walkCategories(node.children, visit);
  }
}

/** Whether a category stands somewhere below another. */
export function isWithin({ nodes }: CategoryTree, id: number, aboveId: number): boolean {
  for (let at = nodes.get(id)?.parent ?? null; at; at = at.parent) if (at.category.id === aboveId) return true;
  return false;
}
