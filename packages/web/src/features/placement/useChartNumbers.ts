import { useMemo } from 'react';
import { usePlacement } from '../rehearsal/index.ts';
import { type ChartNumbers, chartNumbers } from './typedRange.ts';

/** Of all accounts of the chart, wherever they stand. */
export function useChartNumbers(): ChartNumbers {
  const { byId } = usePlacement().model;
  return useMemo(() => chartNumbers([...byId.values()].map(({ number }) => number)), [byId]);
}
