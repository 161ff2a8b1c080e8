import { useEffect, useRef } from 'react';
import { isTyping } from '../../components/isTyping.ts';

/** Text pasted anywhere on the screen but into a field; `onPasted` says whether it was taken. */
export function usePaste(isOn: boolean, onPasted: (text: string) => boolean): void {
  const latest = useRef(onPasted);
  useEffect(() => {
    latest.current = onPasted;
  });
  useEffect(() => {
    if (!isOn) return;
    const onPaste = (event: ClipboardEvent) => {
      if (!isTyping(event) && latest.current(event.clipboardData?.getData('text/plain') ?? '')) event.preventDefault();
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [isOn]);
}
