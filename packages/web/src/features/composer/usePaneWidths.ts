import { type CSSProperties, type PointerEvent, useState } from 'react';

interface Widths {
  readonly outline: number;
  readonly properties: number;
}

const kept = 'composer-widths';
const least = { outline: 260, properties: 220 };
const most = { outline: 720, properties: 560 };
const usual: Widths = { outline: 392, properties: 268 };

/** Pixels of the panes of the composer, as they were left on this device. */
export function usePaneWidths() {
  const [widths, setWidths] = useState<Widths>(read);
  const set = (pane: keyof Widths, to: number) =>
    setWidths((before) => {
      const after = { ...before, [pane]: Math.min(most[pane], Math.max(least[pane], to)) };
      localStorage.setItem(kept, JSON.stringify(after));
      return after;
    });
  const drag = (pane: keyof Widths, sign: 1 | -1) => (event: PointerEvent) => {
    const [from, began] = [event.clientX, widths[pane]];
    const onMove = (move: globalThis.PointerEvent) => set(pane, began + sign * (move.clientX - from));
    const onUp = () => {
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
    };
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    event.preventDefault();
  };
  return {
    widths,
    style: { '--outline': `${widths.outline}px`, '--properties': `${widths.properties}px` } as CSSProperties,
    dragOutline: drag('outline', 1),
    dragProperties: drag('properties', -1),
    stepOutline: (by: number) => set('outline', widths.outline + by),
    stepProperties: (by: number) => set('properties', widths.properties - by),
  };
}

function read(): Widths {
  try {
    const { outline, properties } = JSON.parse(localStorage.getItem(kept) ?? '{}') as Partial<Widths>;
    return { outline: Number(outline) || usual.outline, properties: Number(properties) || usual.properties };
  } catch {
    return usual;
  }
}
