import { describe, expect, it } from 'vitest';
import { elementsOfTitle } from './sectionTitle.ts';

describe('a title in a trial balance', () => {
  it.each([
    ['ASSETS', ['asset']],
    ['Non-current assets', ['asset']],
    ['2. Current liabilities:', ['liability']],
    ['Shareholders’ equity', ['equity']],
    ['Capital and reserves', ['equity']],
    ['Other operating income', ['income']],
    ['Cost of sales', ['expense']],
    ['Equity and liabilities', ['liability', 'equity']],
    ['Profit and loss', ['income', 'expense']],
    ['Balance sheet accounts', ['asset', 'liability', 'equity']],
  ])('«%s» names %j (common practice)', (text, named) => {
    expect(elementsOfTitle(text)).toEqual(named);
  });

  it.each(['Page 2', 'Eiderholm Boatyard', 'Trial balance', 'Bank accounts', 'Sales ledger'])('«%s» names none', (text) => {
    expect(elementsOfTitle(text)).toBeNull();
  });
});
