import { useLayoutEffect, useRef } from 'react';
import { isTyping } from './isTyping.ts';

/** Text pasted anywhere on the screen but into a field, from the moment that it is drawn; `onPasted` says whether it was taken. */
export function usePaste(isOn: boolean, onPasted: (text: string) => boolean): void {
  const latest = useRef(onPasted);
  useLayoutEffect(() => {
    latest.current = onPasted;
  });
  useLayoutEffect(() => {
    if (!isOn) return;
    const onPaste = (event: ClipboardEvent) => {
      if (!isTyping(event) && latest.current(event.clipboardData?.getData('text/plain') ?? '')) event.preventDefault();
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [isOn]);
}
