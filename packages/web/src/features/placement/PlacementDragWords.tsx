import { useDndMonitor } from '@dnd-kit/core';
import { useState } from 'react';
import { DragWords } from '../../shared/components/DragWords.tsx';
import { usePlacement } from '../rehearsal/index.ts';
import { categoryDropOf, dropWords } from './categoryDrop.ts';

interface Hand {
  readonly named: string;
  /** `null` of accounts. */
  readonly categoryId: number | null;
  readonly accountId: number;
}

interface PlacementDragWordsProps {
  /** What goes along with an account that is taken in hand, itself among them. */
  readonly together: (accountId: number) => number;
  /** Whether it, and what goes along, may stand in the category. */
  readonly takes: (accountId: number, categoryId: number) => boolean;
}

/** What is dragged in the placement, over which category it is and what became of it, for those who listen. */
export function PlacementDragWords({ together, takes }: PlacementDragWordsProps) {
  const { model } = usePlacement();
  const [hand, setHand] = useState<Hand | null>(null);
  const [words, setWords] = useState('');
  const nameOf = (categoryId: number): string => model.tree.nodes.get(categoryId)?.category.name ?? '';
  const whereOf = (event: Parameters<typeof categoryDropOf>[0]): string => {
    if (hand?.categoryId != null) {
      const drop = categoryDropOf(event, model, hand.categoryId);
      return drop ? dropWords(drop, nameOf) : '';
    }
    return event.over && takes(hand?.accountId ?? 0, Number(event.over.id)) ? `into ${nameOf(Number(event.over.id))}` : '';
  };
  useDndMonitor({
    onDragStart({ active }) {
      const id = String(active.id);
      const categoryId = id.startsWith('category ') ? Number(id.slice('category '.length)) : null;
      const more = categoryId === null ? together(Number(id)) - 1 : 0;
      const named = `${categoryId === null ? (model.byId.get(Number(id))?.label ?? '') : nameOf(categoryId)}${more > 0 ? ` and ${more} more` : ''}`;
      setHand({ named, categoryId, accountId: categoryId === null ? Number(id) : 0 });
      setWords(`${named} in hand`);
    },
    onDragMove(event) {
      const where = whereOf(event);
      setWords(`${hand?.named ?? ''} in hand${where === '' ? '' : `, ${where}`}`);
    },
    onDragEnd(event) {
      const where = whereOf(event);
      setWords(where === '' ? `${hand?.named ?? ''} stays where it was` : `${hand?.named ?? ''}: dropped ${where}`);
      setHand(null);
    },
    onDragCancel() {
      setWords(`${hand?.named ?? ''} stays where it was`);
      setHand(null);
    },
  });
  return <DragWords words={words} />;
}
