import type { ChartAccountBody } from '@ivory-ladder/contract';
import { accountLabel } from '@ivory-ladder/core';
import type { DropZone, RowDrag } from '../../shared/components/treegrid/rowDrag.ts';
import type { Move } from './chartModel.ts';
import { nestingRefusal } from './nestingRefusal.ts';

/** Where a row goes that is let go over another: before it, behind it, or below it as its last. */
export function moveByDrop(accounts: readonly ChartAccountBody[], dragged: ChartAccountBody, target: ChartAccountBody, zone: DropZone): Move {
  const parentId = zone === 'inside' ? target.id : target.parentId;
  const siblings = accounts.filter((account) => account.parentId === parentId && account.id !== dragged.id);
  if (zone === 'inside') return { parentId, after: siblings.at(-1)?.id ?? null };
  const at = siblings.findIndex(({ id }) => id === target.id);
  return { parentId, after: zone === 'after' ? target.id : (siblings[at - 1]?.id ?? null) };
}

/** Ordering and nesting by the pointer; judged as the server will judge it, while the row is still in hand. */
export function chartDrag(accounts: readonly ChartAccountBody[], onMoved: (account: ChartAccountBody, move: Move) => void): RowDrag<ChartAccountBody> {
  return {
    caption: accountLabel,
    refusal: (dragged, target, zone) => nestingRefusal(accounts, dragged, moveByDrop(accounts, dragged, target, zone).parentId),
    onMoved: (dragged, target, zone) => onMoved(dragged, moveByDrop(accounts, dragged, target, zone)),
    flatReason: 'Rows are moved in the chart’s own order: clear the filter and the order of the columns first.',
  };
}
