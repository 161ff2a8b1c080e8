import { performance } from 'node:perf_hooks';
import { undisturbed } from './stolenTime.ts';

/** One line of the report; figures in `unit`, best and worst round beside the median. */
export interface Result {
  readonly name: string;
  readonly product: number;
  readonly productMin: number;
  readonly productMax: number;
  readonly yardstick: number | null;
  readonly yardstickMin: number | null;
  readonly yardstickMax: number | null;
  readonly unit: string;
  /** Yardstick ÷ product, the median of the rounds; `null` for an absolute bar. */
  readonly ratio: number | null;
  readonly bar: string;
  readonly holds: boolean;
}

const rounds = 5;
const sliceSeconds = 2;

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
}

/** A fixed loop of integer arithmetic: shows when the machine itself was slower. */
export function calibrate(): number {
  const began = performance.now();
  let state = 1;
  for (let index = 0; index < 20_000_000; index++) state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
  return performance.now() - began + (state === 0 ? 1 : 0);
}

/** Median milliseconds of each round, product and yardstick in turn, so that both meet the same machine. */
export async function alternate(
  what: string,
  product: () => Promise<void>,
  yardstick: (() => Promise<void>) | null,
): Promise<{ product: number[]; yardstick: number[] }> {
  const times = await undisturbed(what, rounds, async () => ({ product: await slice(product), yardstick: yardstick ? await slice(yardstick) : null }));
  return { product: times.map(({ product: took }) => took), yardstick: times.flatMap(({ yardstick: took }) => took ?? []) };
}

async function slice(work: () => Promise<void>): Promise<number> {
  const times: number[] = [];
  const end = performance.now() + sliceSeconds * 1000;
  while (performance.now() < end) {
    const began = performance.now();
    await work();
    times.push(performance.now() - began);
  }
  return median(times);
}

/** An absolute bar holds on the best round. */
export function againstBar(name: string, times: { product: readonly number[]; yardstick: readonly number[] }, barMilliseconds: number): Result {
  const ratios = times.product.map((value, at) => (times.yardstick[at] ?? 0) / value);
  const hasYardstick = times.yardstick.length > 0;
  return {
    name,
    product: median(times.product),
    productMin: Math.min(...times.product),
    productMax: Math.max(...times.product),
    yardstick: hasYardstick ? median(times.yardstick) : null,
    yardstickMin: hasYardstick ? Math.min(...times.yardstick) : null,
    yardstickMax: hasYardstick ? Math.max(...times.yardstick) : null,
    unit: 'ms',
    ratio: hasYardstick ? median(ratios) : null,
    bar: `under ${barMilliseconds} ms`,
    holds: Math.min(...times.product) < barMilliseconds,
  };
}

/** Figures of rounds that are measured against a bar alone. */
export function ofRounds(name: string, rounds: readonly number[], { unit, bar, holds }: Pick<Result, 'unit' | 'bar' | 'holds'>): Result {
  return {
    name,
    product: median(rounds),
    productMin: Math.min(...rounds),
    productMax: Math.max(...rounds),
    yardstick: null,
    yardstickMin: null,
    yardstickMax: null,
    unit,
    ratio: null,
    bar,
    holds,
  };
}

/** The yardstick takes at least so many times as long, by the median of the rounds' own ratios. */
export function timesAsFast(name: string, times: { product: readonly number[]; yardstick: readonly number[] }, bar: number): Result {
  const result = againstBar(name, times, 0);
  const ratio = result.ratio ?? 0;
  return { ...result, bar: bar === 1 ? 'faster' : `${bar} times as fast`, holds: ratio >= bar };
}
