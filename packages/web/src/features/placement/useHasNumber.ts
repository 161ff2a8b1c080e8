import { useMemo } from 'react';
import { usePlacement } from '../rehearsal/index.ts';

/** Whether some account has a number, of all accounts of the chart. */
export function useHasNumber(): (number: string) => boolean {
  const { byId } = usePlacement().model;
  return useMemo(() => {
    const numbers = new Set([...byId.values()].map(({ number }) => number));
    return (number) => numbers.has(number);
  }, [byId]);
}
