import { readFormula } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { type FormulaCells, formulaInCells } from './formulaInCells.ts';
import { amountFormat, percentFormat, rounded } from './workbookAmounts.ts';

const cells: FormulaCells = {
  days: 31,
  inCells: (key) => ({ sales: 'B1', costs: 'B2', tax: '-B3' })[key] ?? 'NA()',
  between: (from, to) => (from === 'sales' && to === 'tax' ? ['sales', 'costs', 'tax'] : null),
};

function written(text: string): string {
  const formula = readFormula(text);
  if (!formula.ok) throw new Error(`${text}: ${formula.failure.code}`);
  return formulaInCells(formula.value, cells);
}

describe('a formula over lines, written over cells', () => {
  it.each([
    ['sales - costs', '(B1-B2)'],
    ['(sales - costs) / sales', '((B1-B2)/B1)'],
    ['sales - (costs - tax)', '(B1-(B2--B3))'],
    ['-sales', '-(B1)'],
    ['sum(sales to tax)', '(B1+B2+-B3)'],
    ['max(sales, costs)', 'MAX(B1,B2)'],
    ['if(sales > costs and costs > 0, sales, 0.5)', 'IF(AND(B1>B2,B2>0),B1,0.5)'],
    ['sales / days', '(B1/31)'],
  ])('%s is %s', (text, expected) => {
    expect(written(text)).toBe(expected);
  });
});

describe('amounts of a workbook', () => {
  it('are shown as on screen: grouped, parentheses for what is below nil, a dash for nil, as many decimals as the currency has', () => {
    expect(amountFormat(2)).toBe('#,##0.00_);(#,##0.00);"–"_)');
    expect(amountFormat(0, { negatives: 'minus', nil: 'zero' })).toBe('#,##0_);\u2212#,##0_);#,##0_)');
    expect(percentFormat(1)).toBe('#,##0.0%_);(#,##0.0%);"–"_);@_)');
    expect(rounded('B1-B2', 2)).toBe('ROUND(B1-B2,2)');
  });
});
