import { useRef } from 'react';

/** What is picked once `key` was clicked, with shift from the one clicked before: then all between are picked, else it is picked or let go. */
export function pickedWith(shown: readonly number[], picked: ReadonlySet<number>, key: number, from: number | null): ReadonlySet<number> {
  const after = new Set(picked);
  const [at, begin] = [shown.indexOf(key), from === null ? -1 : shown.indexOf(from)];
  if (at >= 0 && begin >= 0) for (const between of shown.slice(Math.min(at, begin), Math.max(at, begin) + 1)) after.add(between);
  else if (!after.delete(key)) after.add(key);
  return after;
}

/** Boxes in a list, of which a click with shift takes all from the one clicked before. `shown`: keys in the order that they stand in. */
export function useRangePick(shown: readonly number[], picked: ReadonlySet<number>, onPicked: (picked: ReadonlySet<number>) => void) {
  const last = useRef<number | null>(null);
  return (key: number, event: { readonly nativeEvent: Event }) => {
    const isExtending = (event.nativeEvent as MouseEvent).shiftKey === true;
    const after = pickedWith(shown, picked, key, isExtending ? last.current : null);
    last.current = key;
    onPicked(after);
  };
}
