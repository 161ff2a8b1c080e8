import type { CheckedRow } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { fileComesTo } from './fileComesTo.ts';

const row = (element: CheckedRow['element'], amount: string | null) => ({ element, amount });

describe('what a file comes to', () => {
  const rows = [row('asset', '900'), row('asset', '-100'), row('liability', '-300'), row('equity', '-350'), row('income', '-1000'), row('expense', '850')];

  it('is each element on its natural side, contra accounts taken off, and what the year brought', () => {
    expect(fileComesTo(rows)).toEqual({ assets: 800n, liabilities: 300n, equity: 350n, profit: 150n });
  });

  it('balances where the file does: assets are liabilities, equity and profit', () => {
    const found = fileComesTo(rows);
    expect(found && found.assets - found.liabilities - found.equity - found.profit).toBe(0n);
  });

  it('is not said while an amount or an element is missing', () => {
    expect(fileComesTo([...rows, row('asset', null)])).toBeNull();
    expect(fileComesTo([...rows, row(null, '5')])).toBeNull();
    expect(fileComesTo([])).toBeNull();
  });
});
