import type { Element } from '../chart/element.ts';
import type { LayoutKind } from '../layout/line.ts';

export type CoverageState = 'unplaced' | 'half_placed';

export interface CoverageFault {
  /** Dense number of the account. */
  readonly account: number;
  readonly state: CoverageState;
  /** Balance at stake, debit positive. */
  readonly net: bigint;
}

export interface Coverage {
  readonly inScope: number;
  readonly faults: readonly CoverageFault[];
  /** Sum of absolute amounts at fault, and their net effect beside it. */
  readonly atStake: bigint;
  readonly netEffect: bigint;
}

export interface CoverageAccount {
  readonly account: number;
  readonly element: Element;
  readonly isParent: boolean;
}

/** Balance sheet: asset, liability, equity; income statement: income, expense. */
export function isInScope(kind: LayoutKind, element: Element): boolean {
  return (element === 'income' || element === 'expense') === (kind === 'income_statement');
}

/**
 * Whether every account in a layout's scope stands in a line exactly once: posting accounts, and parents that bear
 * an amount of their own. With one place for each side an account cannot be doubled; it is half-placed when only
 * one of its sides has a line.
 */
export function coverageOf(
  kind: LayoutKind,
  accounts: readonly CoverageAccount[],
  lineOfDebit: Int32Array,
  lineOfCredit: Int32Array,
  net: BigInt64Array,
): Coverage {
  let inScope = 0;
  let atStake = 0n;
  let netEffect = 0n;
  const faults: CoverageFault[] = [];
  for (const { account, element, isParent } of accounts) {
    const amount = net[account] as bigint;
    if (!isInScope(kind, element) || (isParent && amount === 0n)) continue;
    inScope++;
    const hasDebit = (lineOfDebit[account] as number) >= 0;
    const hasCredit = (lineOfCredit[account] as number) >= 0;
    if (hasDebit && hasCredit) continue;
    const missed = (amount > 0n ? hasDebit : hasCredit) ? 0n : amount;
    faults.push({ account, state: hasDebit || hasCredit ? 'half_placed' : 'unplaced', net: missed });
    atStake += missed < 0n ? -missed : missed;
    netEffect += missed;
  }
  return { inScope, faults, atStake, netEffect };
}
