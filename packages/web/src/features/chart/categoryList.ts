import { type CategoryNode, type CategoryTree, elements, walkCategories } from '@ivory-ladder/core';

/** Every category, element by element, in the order in which statements show them. */
export function listCategories({ tops }: CategoryTree): CategoryNode[] {
  return withAllBelow(elements.flatMap((element) => tops.get(element) ?? []));
}

export function withAllBelow(nodes: readonly CategoryNode[]): CategoryNode[] {
  const found: CategoryNode[] = [];
  walkCategories(nodes, (node) => void found.push(node));
  return found;
}
