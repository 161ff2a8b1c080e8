import type { DragEndEvent, DragMoveEvent } from '@dnd-kit/core';
import type { PlacementModel } from '../rehearsal/index.ts';

/** Part of a row's height, at its upper and its lower edge, that means beside it rather than in it. */
const edge = 0.28;

export interface CategoryDrop {
  readonly parentId: number | null;
  /** The sibling before it; `null`: first. */
  readonly after: number | null | 'last';
}

/** Where a dragged category would stand: before, behind or in the one it is held over. `null`: nowhere, or where it stands. */
export function categoryDropOf(
  { over, activatorEvent, delta }: Pick<DragEndEvent | DragMoveEvent, 'over' | 'activatorEvent' | 'delta'>,
  { tree }: PlacementModel,
  draggedId: number,
): CategoryDrop | null {
  const node = over ? tree.nodes.get(Number(over.id)) : undefined;
  if (!node || !over || !(activatorEvent instanceof MouseEvent) || node.category.id === draggedId) return null;
  for (let at = node.parent; at; at = at.parent) if (at.category.id === draggedId) return null;
  const within = (activatorEvent.clientY + delta.y - over.rect.top) / over.rect.height;
  const { id, parentId, element } = node.category;
  if (within > edge && within < 1 - edge) return { parentId: id, after: 'last' };
  if (within >= 1 - edge) return { parentId, after: id };
  const siblings = (node.parent ? node.parent.children : (tree.tops.get(element) ?? [])).filter((sibling) => sibling.category.id !== draggedId);
  return { parentId, after: siblings[siblings.indexOf(node) - 1]?.category.id ?? null };
}

/** Where it would stand, for those who listen. */
export function dropWords({ parentId, after }: CategoryDrop, nameOf: (categoryId: number) => string): string {
  if (after === 'last') return parentId === null ? 'to the end' : `into ${nameOf(parentId)}`;
  if (after !== null) return `behind ${nameOf(after)}`;
  return parentId === null ? 'to the beginning' : `first in ${nameOf(parentId)}`;
}
