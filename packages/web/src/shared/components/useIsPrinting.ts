import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

/** True while the page is being printed: what is shown in part on screen stands whole on paper. */
export function useIsPrinting(): boolean {
  return useSyncExternalStore(subscribe, () => isPrinting);
}

let isPrinting = false;

function subscribe(onChange: () => void): () => void {
  // The rows must be in the page before the browser lays it out for paper.
  const set = (value: boolean) => () =>
    flushSync(() => {
      isPrinting = value;
      onChange();
    });
  const [before, after] = [set(true), set(false)];
  window.addEventListener('beforeprint', before);
  window.addEventListener('afterprint', after);
  return () => {
    window.removeEventListener('beforeprint', before);
    window.removeEventListener('afterprint', after);
  };
}
