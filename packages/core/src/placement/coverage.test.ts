import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import { coverageOf } from './coverage.ts';

const account = (index: number, element: Element, isParent = false) => ({ account: index, element, isParent });
const nowhere = -1;

/** Line of debit, line of credit and balance of one asset account, and whether it has sub-accounts. */
function coverageOfOne(lineOfDebit: number, lineOfCredit: number, net: bigint, isParent = false) {
  return coverageOf('balance_sheet', [account(0, 'asset', isParent)], Int32Array.of(lineOfDebit), Int32Array.of(lineOfCredit), BigInt64Array.of(net));
}

describe('coverage', () => {
  it('an account without a line is unplaced, with its whole balance at stake', () => {
    expect(coverageOfOne(nowhere, nowhere, -50n)).toEqual({
      inScope: 1,
      faults: [{ account: 0, state: 'unplaced', net: -50n }],
      leftOut: [],
      atStake: 50n,
      netEffect: -50n,
    });
  });

  it('an account with a line for its debit balances only is half-placed, and at stake only while in credit', () => {
    expect(coverageOfOne(3, nowhere, 50n)).toMatchObject({ faults: [{ state: 'half_placed', net: 0n }], atStake: 0n });
    expect(coverageOfOne(3, nowhere, -50n)).toMatchObject({ faults: [{ state: 'half_placed', net: -50n }], atStake: 50n });
  });

  it('an account with a line for each side is placed, the same or another', () => {
    expect(coverageOfOne(3, 3, 50n).faults).toEqual([]);
    expect(coverageOfOne(3, 7, -50n).faults).toEqual([]);
  });

  it('a parent is in scope only while it bears an amount of its own', () => {
    expect(coverageOfOne(nowhere, nowhere, 0n, true)).toEqual({ inScope: 0, faults: [], leftOut: [], atStake: 0n, netEffect: 0n });
    expect(coverageOfOne(nowhere, nowhere, 412n, true)).toMatchObject({ inScope: 1, atStake: 412n });
  });

  it('an account that ranges of two categories would take is doubled', () => {
    const doubled = { ...account(0, 'asset'), isDoubled: true };
    expect(coverageOf('balance_sheet', [doubled], Int32Array.of(nowhere), Int32Array.of(nowhere), BigInt64Array.of(7n))).toMatchObject({
      faults: [{ state: 'doubled', net: 7n }],
      atStake: 7n,
    });
  });

  it('one that somebody left out is not in scope, and is named while it stands in no line', () => {
    const out = { ...account(0, 'asset'), isLeftOut: true };
    const covered = (line: number) => coverageOf('balance_sheet', [out], Int32Array.of(line), Int32Array.of(line), BigInt64Array.of(7n));
    expect(covered(nowhere)).toEqual({ inScope: 0, faults: [], leftOut: [{ account: 0, state: 'unplaced', net: 7n }], atStake: 0n, netEffect: 0n });
    expect(covered(2)).toEqual({ inScope: 0, faults: [], leftOut: [], atStake: 0n, netEffect: 0n });
  });

  it('a posting account without a balance is still to be placed', () => {
    expect(coverageOfOne(nowhere, nowhere, 0n)).toMatchObject({ inScope: 1, faults: [{ state: 'unplaced', net: 0n }], atStake: 0n });
  });

  it('each statement looks at its own elements; amounts at stake add up without their signs, the net effect with them', () => {
    const elements: Element[] = ['asset', 'liability', 'equity', 'income', 'expense'];
    const accounts = elements.map((element, index) => account(index, element));
    const none = new Int32Array(5).fill(nowhere);
    const net = BigInt64Array.of(10n, -3n, -2n, -9n, 4n);
    expect(coverageOf('balance_sheet', accounts, none, none, net)).toMatchObject({ inScope: 3, atStake: 15n, netEffect: 5n });
    expect(coverageOf('income_statement', accounts, none, none, net)).toMatchObject({ inScope: 2, atStake: 13n, netEffect: -5n });
  });
});
