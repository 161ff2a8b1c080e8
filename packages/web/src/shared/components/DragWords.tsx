import type { DndContextProps } from '@dnd-kit/core';
import { createPortal } from 'react-dom';

const nothing = () => undefined;

/** What is dragged is told by `DragWords`, in the words of the page; the package knows ids alone, and would name those. */
export const toldInOwnWords: NonNullable<DndContextProps['accessibility']> = {
  // Not in a table, where it would be no row.
  container: document.body,
  announcements: { onDragStart: nothing, onDragOver: nothing, onDragEnd: nothing, onDragCancel: nothing },
  screenReaderInstructions: { draggable: '' },
};

/** For those who listen: what is in hand, where it would stand, and what became of it. */
export function DragWords({ words }: { readonly words: string }) {
  return createPortal(
    <span role="status" aria-live="assertive" className="unseen">
      {words}
    </span>,
    document.body,
  );
}
