import { describe, expect, it } from 'vitest';
import { proposeTermAndStep } from './proposeTermAndStep.ts';

describe('a new top category', () => {
  it.each([
    ['asset', 'Property, plant and equipment', { term: 'non_current', step: null }],
    ['asset', 'Stock', { term: 'current', step: null }],
    ['liability', 'Long-term loans', { term: 'non_current', step: null }],
    ['income', 'Sales', { term: null, step: 'revenue' }],
    ['income', 'Other income', { term: null, step: 'other_operating' }],
    ['expense', 'Cost of sales', { term: null, step: 'cost_of_sales' }],
    ['expense', 'Interest', { term: null, step: 'financing' }],
    ['expense', 'Income tax', { term: null, step: 'income_tax' }],
    ['equity', 'Reserves', { term: null, step: null }],
  ] as const)('of %s named %s is %j', (element, name, expected) => {
    expect(proposeTermAndStep(element, true, name)).toEqual(expected);
  });

  it('gives nothing to one below another', () => {
    expect(proposeTermAndStep('expense', false, 'Interest')).toEqual({ term: null, step: null });
  });
});
