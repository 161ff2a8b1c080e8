import { describe, expect, it } from 'vitest';
import { checkFormula, neededBy } from './checkFormula.ts';
import { evaluateFormula, type FormulaColumn } from './evaluateFormula.ts';
import type { Formula } from './formula.ts';
import { formulaGuide } from './formulaGuide.ts';
import { decimalOf, fraction, roundFraction } from './fraction.ts';
import { orderByNeed } from './orderByNeed.ts';
import { readFormula } from './readFormula.ts';
import { renderFormula, writeFormula } from './writeFormula.ts';

const keys = ['revenue', 'wages', 'repairs', 'harbour', 'net.12', 'nothing'];
const amounts = new Map([
  ['revenue', fraction(1_000_00n, 100n)],
  ['wages', fraction(-400_50n, 100n)],
  ['repairs', fraction(-100n)],
  ['harbour', fraction(-50n)],
  ['net.12', fraction(7n)],
]);
const between = (from: string, to: string) => {
  const [first, last] = [keys.indexOf(from), keys.indexOf(to)];
  return first < 0 || last < first ? null : keys.slice(first, last + 1);
};
const column: FormulaColumn = { amountOf: (key) => amounts.get(key) ?? null, between, days: 273 };

function read(text: string): Formula {
  const formula = readFormula(text);
  if (!formula.ok) throw new Error(`${text}: ${formula.failure.reason}`);
  return formula.value;
}

describe('a formula', () => {
  it.each([
    ['revenue + wages', '599.5'],
    ['1 - 2 - 3', '-4'],
    ['12 / 2 / 3', '2'],
    ['2 + 3 * 4', '14'],
    ['(2 + 3) × 4', '20'],
    ['−(2 + 3) ÷ 4', '-1.25'],
    ['-2 * -3', '6'],
    ['sum(wages to harbour)', '-550.5'],
    ['sum(revenue, wages to repairs, 1)', '500.5'],
    ['min(3, 1, 2) + max(3, 1, 2) * 10', '31'],
    ['abs(wages)', '400.5'],
    ['"net.12" * 2', '14'],
    ['NET', null],
    ['if(revenue > 0 and wages < 0, 1, 2)', '1'],
    ['if(revenue < 0 or wages < 0 and repairs > 0, 1, 2)', '2'],
    ['if(revenue = 1000, days, 0)', '273'],
    ['if(1 <> 1, nothing / 0, 5)', '5'],
    ['if(1 ≤ 1, 5, nothing)', '5'],
  ])('%s', (text, value) => {
    const outcome = evaluateFormula(read(text), column);
    expect(outcome.ok ? decimalOf(outcome.value) : null).toBe(value);
  });

  it.each([
    ['', 'empty', ''],
    ['   ', 'empty', ''],
    ['revenue +', 'value_missing', ''],
    ['revenue + )', 'value_missing', ')'],
    ['(revenue', 'parenthesis_missing', ''],
    ['revenue wages', 'left_over', 'wages'],
    ['revenue = 1', 'left_over', '='],
    ['if(revenue, 1, 2)', 'comparison_missing', ','],
    ['if(revenue > 1, 2)', 'comma_missing', ')'],
    ['average(revenue)', 'function_unknown', 'average'],
    ['revenue to wages', 'left_over', 'to'],
    ['max(revenue to wages)', 'span_outside_sum', 'to'],
    ['sum(1 to wages)', 'span_outside_sum', 'to'],
    ['sum', 'value_missing', 'sum'],
    ['"revenue', 'quote_left_open', '"revenue'],
    ['revenue % 2', 'character_unknown', '%'],
    [`${'('.repeat(70)}1${')'.repeat(70)}`, 'too_deep', '('],
  ])('refuses «%s» at the place of the fault', (text, reason, wrong) => {
    const outcome = readFormula(text);
    expect(outcome.ok).toBe(false);
    if (outcome.ok) return;
    const { at, length } = outcome.failure;
    expect([outcome.failure.reason, text.slice(at, at + length)]).toEqual([reason, wrong]);
  });

  it.each([
    ['revenue / (wages - wages)', { code: 'divided_by_zero' }, '(wages - wages)'],
    ['1 + nothing', { code: 'operand_missing', key: 'nothing' }, 'nothing'],
    ['sum(harbour to nothing)', { code: 'operand_missing', key: 'nothing' }, 'harbour to nothing'],
    ['sum(harbour to wages)', { code: 'span_unknown', key: 'wages' }, 'harbour to wages'],
    ['if(1 / 0 > 1, 1, 2)', { code: 'divided_by_zero' }, '0'],
  ])('%s has no value, and says why', (text, fault, wrong) => {
    const outcome = evaluateFormula(read(text), column);
    expect(outcome.ok).toBe(false);
    if (outcome.ok) return;
    expect(outcome.failure).toMatchObject(fault);
    expect(text.slice(outcome.failure.at, outcome.failure.at + outcome.failure.length)).toBe(wrong);
  });

  it('is written with the parentheses it needs, and read out with captions', () => {
    expect(writeFormula(read('((a)+(b*c)) - (d - (e+f)) / "to"'))).toBe('a + b * c - (d - (e + f)) / "to"');
    const rendered = renderFormula(read('if(revenue <> 0, -wages / revenue * 100, sum(wages to harbour))'), (key) => `${key[0]?.toUpperCase()}${key.slice(1)}`);
    expect(rendered).toBe('if(Revenue ≠ 0, −Wages ÷ Revenue × 100, sum(Wages to Harbour))');
  });
});

describe('formulas of a layout', () => {
  const lines = { has: (key: string) => keys.includes(key) || key.startsWith('f'), between };
  const order = (given: Record<string, string>) => {
    const formulas = new Map(Object.entries(given).map(([key, text]) => [key, read(text)]));
    return orderByNeed(formulas.keys(), (key) => {
      const formula = formulas.get(key);
      return formula ? neededBy(formula, lines) : key === 'revenue' ? ['fare'] : [];
    });
  };

  it('are reckoned behind what they need, also through the lines that add it up', () => {
    const { order: keysInOrder, cycles } = order({ fa: 'fb + 1', fb: 'sum(revenue to wages)', fare: '3' });
    expect([keysInOrder.filter((key) => key.startsWith('f')), cycles]).toEqual([['fare', 'fb', 'fa'], []]);
  });

  it('in a circle are named with its lines, and what needs them is not reckoned either', () => {
    expect(order({ fa: 'fb', fb: '2 * fc', fc: 'abs(fb)', fd: '1' })).toEqual({ order: ['fd'], cycles: [['fb', 'fc']] });
    expect(order({ fare: 'sum(revenue to wages)' }).cycles).toEqual([['fare', 'revenue']]);
  });

  it('that name no line say where', () => {
    expect(checkFormula(read('1 + gone'), lines)).toEqual([{ code: 'formula_line_unknown', named: 'gone', at: 4, length: 4 }]);
    expect(checkFormula(read('sum(wages to revenue)'), lines)).toMatchObject([{ code: 'formula_span_unknown', from: 'wages', to: 'revenue', at: 4 }]);
    expect(checkFormula(read('sum(revenue to wages) / days'), lines)).toEqual([]);
  });
});

describe('a fraction', () => {
  it('is rounded half away from zero, once', () => {
    expect([1n, 3n, -1n, -3n].map((of) => roundFraction(fraction(of, 2n), 0))).toEqual([1n, 2n, -1n, -2n]);
    expect(roundFraction(fraction(2n, 3n), 2)).toBe(67n);
    expect([decimalOf(fraction(1n, 3n)), decimalOf(fraction(-1n, 40n)), decimalOf(fraction(300n, 3n))]).toEqual([null, '-0.025', '100']);
  });
});

it('the guide to formulas is made from the catalogue', async () => {
  await expect(formulaGuide()).toMatchFileSnapshot('../../../../docs/formulas.md');
});
