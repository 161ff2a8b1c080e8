import type { PlacementView } from '@ivory-ladder/contract';
import { usePlacement } from '../rehearsal/index.ts';
import { type ChartNumbers, chartNumbers } from './typedRange.ts';

/** Made once for all fields of a screen: a table of ranges has hundreds. */
const made = new WeakMap<PlacementView['accounts'], ChartNumbers>();

/** Of all accounts of the chart, wherever they stand. */
export function useChartNumbers(): ChartNumbers {
  const { accounts } = usePlacement().view;
  const numbers = made.get(accounts) ?? chartNumbers(accounts.map(({ number }) => number));
  made.set(accounts, numbers);
  return numbers;
}
