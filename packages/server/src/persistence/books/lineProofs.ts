import type { DataSource } from 'typeorm';
import { type BalanceDifference, findDifferences } from './derivedBalances.ts';

interface Known {
  readonly revision: number;
  readonly at: number;
  readonly took: number;
  readonly differences: readonly BalanceDifference[];
}

const patienceMilliseconds = 400;
/** Somebody may have changed rows by hand, which moves no revision. */
const trustedMilliseconds = 30_000;
/** A scan of a large ledger is not begun again before so many times what it took. */
const rest = 20;

/**
 * What the kept balances differ from the lines by, company by company. It is a pass over all lines: a small ledger is
 * compared at once with each posting, a large one beside the work, and until then what was found last is told.
 */
export class LineProofs {
  private readonly known = new Map<number, Known>();
  private readonly running = new Map<number, Promise<Known>>();

  constructor(private readonly database: DataSource) {}

  /** `null` while it is not known yet. */
  async differences(companyId: number, revision: number): Promise<readonly BalanceDifference[] | null> {
    const kept = this.known.get(companyId);
    const age = kept ? Date.now() - kept.at : Number.POSITIVE_INFINITY;
    const isFresh = kept !== undefined && ((kept.revision === revision && age < trustedMilliseconds) || age < kept.took * rest);
    if (isFresh) return kept.differences;
    const found = await Promise.race([this.scan(companyId, revision), new Promise<null>((resolve) => setTimeout(resolve, patienceMilliseconds, null))]);
    return (found ?? kept)?.differences ?? null;
  }

  private scan(companyId: number, revision: number): Promise<Known> {
    const under = this.running.get(companyId);
    if (under) return under;
    const began = Date.now();
    const scan = findDifferences(this.database, companyId)
      .then((differences): Known => {
        const proven = { revision, at: Date.now(), took: Date.now() - began, differences };
        this.known.set(companyId, proven);
        return proven;
      })
      .finally(() => this.running.delete(companyId));
    // Whoever waits hears of a failure; a scan that nobody waits for any more fails in silence and is tried again.
    scan.catch(() => undefined);
    this.running.set(companyId, scan);
    return scan;
  }
}
