import { describe, expect, it } from 'vitest';
import { pastedCodes } from './pastedCodes.ts';

const known = { code: '1.10', caption: 'Vessels', element: 'asset' as const, side: null, parent: null, retired: true, accounts: 2 };

const list = { codes: [known] };

describe('codes pasted from a spreadsheet', () => {
  it('add those that are new and change those that are there, whatever their case', () => {
    expect(pastedCodes('Code\tCaption\n1.10\tShips\nA1\tFuel\t1.10\texpense\tDebit\n', list)).toEqual([
      { was: '1.10', code: '1.10', caption: 'Ships', element: 'asset', side: null, parent: null, retired: true },
      { was: null, code: 'A1', caption: 'Fuel', element: 'expense', side: 'debit', parent: '1.10', retired: false },
    ]);
  });

  it('of one column leave the rest as it is', () => {
    expect(pastedCodes('1.10', list)).toEqual([{ was: '1.10', code: '1.10', caption: 'Vessels', element: 'asset', side: null, parent: null, retired: true }]);
  });

  it('are none where nothing stands in the first column', () => {
    expect(pastedCodes('\n\t\n', list)).toBeNull();
  });
});
