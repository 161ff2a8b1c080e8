import { useMemo } from 'react';
import { usePlacement } from '../rehearsal/index.ts';
import { type ChartNumbers, dash } from './typedRange.ts';

/** Of all accounts of the chart, wherever they stand. */
export function useChartNumbers(): ChartNumbers {
  const { byId } = usePlacement().model;
  return useMemo(() => {
    const numbers = new Set([...byId.values()].map(({ number }) => number));
    return { has: (number) => numbers.has(number), haveDashes: [...numbers].some((number) => dash.test(number)) };
  }, [byId]);
}
