import { seededRandom } from './random.ts';

const seed = 1_126;
/** At the end of December 2023. */
export const firstKroner = 11.3;
const step = 0.12;

/** Invented Norwegian kroner for one euro: at the end of a month, counted from January 2024 as 0, and on average over it. */
export function kronerRates(months: number): { readonly closing: number; readonly average: number }[] {
  const random = seededRandom(seed);
  let rate = firstKroner;
  return Array.from({ length: months }, () => {
    const begun = rate;
    rate += (random() - 0.5) * 2 * step;
    const told = (value: number) => Number(value.toFixed(4));
    return { closing: told(rate), average: told((begun + rate) / 2) };
  });
}
