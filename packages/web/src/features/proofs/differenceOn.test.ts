import { describe, expect, it } from 'vitest';
import { differenceOn } from './differenceOn.ts';

const day = '2025-12-31';
const figures = (nets: Readonly<Record<string, string>>) => Object.entries(nets).map(([name, net]) => ({ name, day, net }));

describe('the difference under the figures of a proof', () => {
  it('of cash is what they miss what was posted by, and not their sum', () => {
    const cash = { cash_by_lines: '700', cash_moved: '700', cash_in_balance_sheet: '700' };
    expect(differenceOn({ name: 'cash_ties', state: 'holds', figures: figures(cash) }, day)).toBe(0n);
    expect(differenceOn({ name: 'cash_ties', state: 'fails', figures: figures({ ...cash, cash_in_balance_sheet: '600' }) }, day)).toBe(-100n);
  });

  it('of changes in equity is what opening and changes miss the closing by', () => {
    expect(
      differenceOn({ name: 'equity_ties', state: 'holds', figures: figures({ equity_opening: '-5', equity_changes: '-2', equity_closing: '-7' }) }, day),
    ).toBe(0n);
  });

  it('is none where nothing is held against anything', () => {
    expect(differenceOn({ name: 'coverage', state: 'holds', figures: figures({ accounts_in_scope: '3' }) }, day)).toBeNull();
    expect(differenceOn({ name: 'cash_ties', state: 'not_provable', figures: figures({ no_balances_before: '0' }) }, day)).toBeNull();
  });
});
