import type { Layer } from '@ivory-ladder/core';
import type { DemoLine } from './ferryFacets.ts';
import { seededRandom } from './random.ts';

export interface DemoEntry {
  readonly date: string;
  readonly description: string;
  readonly layer: Layer;
  /** They add to zero. */
  readonly lines: readonly DemoLine[];
}

export type Amounts = Readonly<Record<string, number>>;

/** The entries of an invented company as its generator writes them; amounts in units of its currency, debit positive. */
export class DemoLedger {
  readonly entries: DemoEntry[] = [];
  protected readonly random: () => number;
  private readonly balance: Map<string, number>;
  private profitOfYear = 0;
  private taxOfYear = 0;

  constructor(
    seed: number,
    opening: Amounts,
    /** What facets make of one line. */
    private readonly cut: (number: string, cents: number) => readonly DemoLine[],
    /** Accounts of income and expense before income tax begin so. */
    private readonly ofResult: RegExp,
  ) {
    this.random = seededRandom(seed);
    this.balance = new Map(Object.entries(opening).map(([number, units]) => [number, units * 100]));
  }

  protected held(number: string): number {
    return (this.balance.get(number) ?? 0) / 100;
  }

  protected beginYear(): void {
    this.profitOfYear = this.taxOfYear = 0;
  }

  /** What is still to be provided of the tax on the year's profit so far; a loss is taxed by nothing. */
  protected taxToProvide(rate: number): number {
    const due = Math.max(0, this.profitOfYear * rate) - this.taxOfYear;
    this.taxOfYear += due;
    return due / 100;
  }

  protected jitter(units: number, share: number): number {
    return units * (1 + (this.random() * 2 - 1) * share);
  }

  protected spread(amounts: Amounts, factor: number, share: number): Record<string, number> {
    return Object.fromEntries(Object.entries(amounts).map(([number, units]) => [number, Math.round(this.jitter(units * factor, share) * 100) / 100]));
  }

  protected sum(amounts: Amounts): number {
    return Object.values(amounts).reduce((total, units) => total + units, 0);
  }

  /** Rounds each line to cents; what is left by rounding goes to `last`, or to the last line, a bank or supplier account. */
  protected post(date: string, description: string, units: Amounts, { layer = 'ledger', last, foreign }: { layer?: Layer; last?: string; foreign?: Readonly<Record<string, DemoLine['foreign']>> } = {}): void {
    const lines = new Map(Object.entries(units).map(([number, amount]) => [number, Math.round(amount * 100)]));
    const difference = [...lines.values()].reduce((total, cents) => total + cents, 0);
    const rest = last ?? [...lines.keys()].at(-1) ?? '';
    lines.set(rest, (lines.get(rest) ?? 0) - difference);
    for (const [number, cents] of lines) {
      if (cents === 0) lines.delete(number);
      else this.balance.set(number, (this.balance.get(number) ?? 0) + cents);
      if (this.ofResult.test(number)) this.profitOfYear -= cents;
    }
    const cutLines = [...lines].flatMap(([number, cents]) => this.cut(number, cents).map((line) => (foreign?.[number] ? { ...line, foreign: foreign[number] } : line)));
    if (lines.size > 1) this.entries.push({ date, description, layer, lines: cutLines });
  }

  /** In order of their dates. */
  sorted(): DemoEntry[] {
    return this.entries.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  }
}

export function negate(amounts: Amounts): Record<string, number> {
  return Object.fromEntries(Object.entries(amounts).map(([number, units]) => [number, -units]));
}
