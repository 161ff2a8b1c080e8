import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type AccountTree, buildAccountTree, checkAccount } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { describeFailure } from '../../api/failureMessages.ts';
import type { DropZone, RowDrag } from '../../components/treegrid/rowDrag.ts';
import { inOwnOrder, type Move } from './chartModel.ts';

/** Where a row goes that is let go over another: before it, behind it, or below it as its last. */
export function moveByDrop(accounts: readonly ChartAccountBody[], dragged: ChartAccountBody, target: ChartAccountBody, zone: DropZone): Move {
  const parentId = zone === 'inside' ? target.id : target.parentId;
  const siblings = accounts.filter((account) => account.parentId === parentId && account.id !== dragged.id);
  if (zone === 'inside') return { parentId, after: siblings.at(-1)?.id ?? null };
  const at = siblings.findIndex(({ id }) => id === target.id);
  return { parentId, after: zone === 'after' ? target.id : (siblings[at - 1]?.id ?? null) };
}

function refusalOf(
  tree: AccountTree,
  accounts: readonly ChartAccountBody[],
  dragged: ChartAccountBody,
  target: ChartAccountBody,
  zone: DropZone,
): string | null {
  const { parentId } = moveByDrop(accounts, dragged, target, zone);
  const refused = checkAccount({ number: dragged.number, element: dragged.element, parentId }, dragged.id, tree);
  if (refused) return describeFailure({ code: refused.code, facts: refused });
  const parent = accounts.find(({ id }) => id === parentId);
  return parent && !parent.active && dragged.active ? describeFailure({ code: 'account_parent_inactive', facts: { number: parent.number } }) : null;
}

/** Ordering and nesting by the pointer; judged as the server will judge it, while the row is still in hand. */
export function useChartDrag(accounts: readonly ChartAccountBody[], onMoved: (account: ChartAccountBody, move: Move) => void): RowDrag<ChartAccountBody> {
  const tree = useMemo(() => buildAccountTree(inOwnOrder(accounts)), [accounts]);
  return {
    caption: ({ number, name }) => `${number} ${name}`,
    refusal: (dragged, target, zone) => refusalOf(tree, accounts, dragged, target, zone),
    onMoved: (dragged, target, zone) => onMoved(dragged, moveByDrop(accounts, dragged, target, zone)),
    flatReason: 'Rows are moved in the chart’s own order: clear the filter and the order of the columns first.',
  };
}
