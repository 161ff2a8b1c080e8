import type { BalanceVector } from '../cube/vector.ts';
import type { AccountFlows } from '../statement/accountAmounts.ts';
import { needKey, type VectorNeed } from './need.ts';

/** What was provided for the needs of a plan. A need that nobody provided for is a bug of whoever asked. */
export class Vectors {
  private readonly amounts = new Map<string, BalanceVector>();
  private readonly flowing = new Map<string, AccountFlows>();

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

  of(need: VectorNeed): BalanceVector {
    const found = this.amounts.get(needKey(need));
    if (!found) throw new Error(`nobody provided ${needKey(need)}`);
    return found;
  }

  flows(need: VectorNeed): AccountFlows {
    const found = this.flowing.get(needKey(need));
    if (!found) throw new Error(`nobody provided ${needKey(need)}`);
    return found;
  }
}
