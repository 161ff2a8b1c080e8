import { describe, expect, it } from 'vitest';
import { sideByName } from './contraSide.ts';

describe('the side that an account has by its name', () => {
  it.each([
    ['asset', 'Vans', 'debit'],
    ['asset', 'Vans, accumulated depreciation', 'credit'],
    ['asset', 'Provision for doubtful debts', 'credit'],
    ['liability', 'Provision for claims', 'credit'],
    ['liability', 'Unamortised bond discount', 'debit'],
    ['equity', 'Drawings', 'debit'],
    ['equity', 'Share capital', 'credit'],
    ['income', 'Sales returns', 'debit'],
    ['income', 'Sales of rope', 'credit'],
    ['expense', 'Depreciation of vans', 'debit'],
    ['expense', 'Purchase returns', 'credit'],
  ] as const)('of %s «%s» is %s (common practice)', (element, name, side) => {
    expect(sideByName(element, name)).toBe(side);
  });
});
