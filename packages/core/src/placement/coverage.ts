import type { Element } from '../chart/element.ts';
import type { LayoutKind } from '../layout/line.ts';

/** `doubled`: ranges of unrelated categories take it, so that it stands in none of them. */
export type CoverageState = 'unplaced' | 'doubled' | 'half_placed';

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
  /** Accounts that are not in scope because somebody left them out, and that stand in no line for their balance. */
  readonly leftOut: readonly CoverageFault[];
  /** Sum of absolute amounts at fault, and their net effect beside it. */
  readonly atStake: bigint;
  readonly netEffect: bigint;
}

export interface CoverageAccount {
  readonly account: number;
  readonly element: Element;
  readonly isParent: boolean;
  readonly isDoubled?: boolean;
  /** By somebody, with a reason. */
  readonly isLeftOut?: boolean;
}

/** Balance sheet: asset, liability, equity; income statement: income, expense. */
export function isInScope(kind: LayoutKind, element: Element): boolean {
  return (element === 'income' || element === 'expense') === (kind === 'income_statement');
}

/**
 * Whether every account in a layout's scope stands in a line exactly once: posting accounts, and parents that bear
 * an amount of their own. With one place for each side an account cannot be in two lines; doubled is one that two
 * lines would take, half-placed one that has a line for one of its sides only.
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
  const leftOut: CoverageFault[] = [];
  for (const { account, element, isParent, isDoubled = false, isLeftOut = false } of accounts) {
    const amount = net[account] as bigint;
    if (!isInScope(kind, element) || (isParent && amount === 0n)) continue;
    const hasDebit = (lineOfDebit[account] as number) >= 0;
    const hasCredit = (lineOfCredit[account] as number) >= 0;
    if (!isLeftOut) inScope++;
    if (hasDebit && hasCredit) continue;
    const missed = (amount > 0n ? hasDebit : hasCredit) ? 0n : amount;
    const fault: CoverageFault = { account, state: isDoubled ? 'doubled' : hasDebit || hasCredit ? 'half_placed' : 'unplaced', net: missed };
    if (isLeftOut) {
      leftOut.push(fault);
      continue;
    }
    faults.push(fault);
    atStake += missed < 0n ? -missed : missed;
    netEffect += missed;
  }
  return { inScope, faults, leftOut, atStake, netEffect };
}
