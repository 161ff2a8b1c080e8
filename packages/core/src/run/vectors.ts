import type { KnownWithoutCash } from '../cash/cashMoves.ts';
import type { BalanceVector } from '../cube/vector.ts';
import type { AccountFlows } from '../statement/accountAmounts.ts';
import { needKey, type VectorNeed } from './need.ts';

/** What was provided for the needs of a plan. A need that nobody provided for is a bug of whoever asked. */
export class Vectors {
  /** `accounts`: so many have nothing in what nobody provided yet; without it, reading that is a bug. */
  constructor(private readonly accounts: number | null = null) {}

  private readonly amounts = new Map<string, BalanceVector>();
  private readonly flowing = new Map<string, AccountFlows>();
  private readonly apart = new Map<string, KnownWithoutCash>();

  has(need: VectorNeed): boolean {
    const key = needKey(need);
    return this.amounts.has(key) || this.flowing.has(key);
  }

  give(need: VectorNeed, vector: BalanceVector): void {
    this.amounts.set(needKey(need), vector);
  }

  giveFlows(need: VectorNeed, flows: AccountFlows): void {
    this.flowing.set(needKey(need), flows);
  }

  giveWithoutCash(need: VectorNeed, known: KnownWithoutCash): void {
    this.apart.set(needKey(need), known);
  }

  /** What the amounts of such a need consist of; nothing where they came without. */
  withoutCash(need: VectorNeed): KnownWithoutCash {
    return this.apart.get(needKey(need)) ?? { entries: [], broughtIn: [] };
  }

  of(need: VectorNeed): BalanceVector {
    const found = this.amounts.get(needKey(need));
    if (found) return found;
    return { net: this.nothing(need), notAllotted: 0n, carried: 0n };
  }

  flows(need: VectorNeed): AccountFlows {
    const found = this.flowing.get(needKey(need));
    if (found) return found;
    const none = this.nothing(need);
    return { increases: none, raised: none, exchange: none, transfers: { raised: none, lowered: none } };
  }

  private nothing(need: VectorNeed): BigInt64Array {
    if (this.accounts === null) throw new Error(`nobody provided ${needKey(need)}`);
    return new BigInt64Array(this.accounts);
  }
}
