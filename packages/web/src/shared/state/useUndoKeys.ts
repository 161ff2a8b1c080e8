import { useEffect } from 'react';
import { isTyping } from '../components/isTyping.ts';

/** Ctrl Z and Ctrl Y or Ctrl Shift Z, wherever nothing is being typed; a field marked `data-untouched` holds what it began with. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || (isTyping(event) && (event.target as HTMLElement).dataset.untouched === undefined)) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}
