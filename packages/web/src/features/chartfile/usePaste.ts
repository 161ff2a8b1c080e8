import { useEffect } from 'react';
import { isTyping } from '../../components/isTyping.ts';
import { pastedChart } from './pastedChart.ts';

/** A block of a spreadsheet, pasted anywhere on the screen but into a field. */
export function usePaste(isOn: boolean, onPasted: (content: string) => void): void {
  useEffect(() => {
    if (!isOn) return;
    const onPaste = (event: ClipboardEvent) => {
      const content = isTyping(event) ? null : pastedChart(event.clipboardData?.getData('text/plain') ?? '');
      if (content === null) return;
      event.preventDefault();
      onPasted(content);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  });
}
