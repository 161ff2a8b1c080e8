import { type Condition, evaluateFormula, type Formula, type FormulaColumn, type Fraction, fraction, readFormula, writeFormula } from '@ivory-ladder/core';
import fc from 'fast-check';
import { HyperFormula } from 'hyperformula';
import { expect, it } from 'vitest';
import { anyFormula } from '../support/anyFormula.ts';

/**
 * Against HyperFormula, a general spreadsheet engine: random formulas over random amounts come to the same figure, and have none where
 * it has none. It reckons in floating point, so figures agree to nine digits of the greatest that took part.
 */
const keys = ['a', 'b', 'c', 'd', 'e'] as const;
const days = 92;
const cellOf = (key: string): string => `$${key.toUpperCase()}$1`;

function asSpreadsheet(formula: Formula): string {
  switch (formula.kind) {
    case 'number':
      return `(${formula.value.of}/${formula.value.over})`;
    case 'days':
      return String(days);
    case 'line':
      return cellOf(formula.key);
    case 'negative':
      return `(0-${asSpreadsheet(formula.inner)})`;
    case 'arithmetic':
      return `(${asSpreadsheet(formula.left)}${formula.sign}${asSpreadsheet(formula.right)})`;
    case 'call':
      return `${formula.name.toUpperCase()}(${formula.inner.map(asSpreadsheet).join(',')})`;
    case 'sum':
      return `SUM(${formula.inner.map((part) => (part.kind === 'span' ? `${cellOf(part.from.key)}:${cellOf(part.to.key)}` : asSpreadsheet(part))).join(',')})`;
    case 'if':
      return `IF(${conditionAsSpreadsheet(formula.condition)},${asSpreadsheet(formula.then)},${asSpreadsheet(formula.otherwise)})`;
  }
}

/** Nested IFs, since AND and OR of a spreadsheet reckon both sides. */
function conditionAsSpreadsheet(condition: Condition): string {
  if (condition.kind === 'comparison') return `${asSpreadsheet(condition.left)}${condition.sign}${asSpreadsheet(condition.right)}`;
  const [left, right] = [conditionAsSpreadsheet(condition.left), conditionAsSpreadsheet(condition.right)];
  return condition.kind === 'and' ? `IF(${left},IF(${right},TRUE(),FALSE()),FALSE())` : `IF(${left},TRUE(),IF(${right},TRUE(),FALSE()))`;
}

const asNumber = ({ of, over }: Fraction): number => Number((of * 10n ** 12n) / over) / 1e12;

/** Zero often, so that there is something to divide by in vain. */
const amount = fc.oneof({ weight: 1, arbitrary: fc.constant(0) }, { weight: 2, arbitrary: fc.integer({ min: -5000, max: 5000 }) });

it('random formulas come to what a spreadsheet makes of them', () => {
  const sheet = HyperFormula.buildFromArray([keys.map(() => 0), [0]], { licenseKey: 'gpl-v3', precisionEpsilon: 0, smartRounding: false });
  let reckoned = 0;
  let without = 0;
  fc.assert(
    fc.property(anyFormula([...keys]), fc.array(amount, { minLength: 5, maxLength: 5 }), (formula, given) => {
      const amounts = new Map(keys.map((key, at) => [key as string, fraction(BigInt(given[at] as number))]));
      const column: FormulaColumn = {
        amountOf: (key) => amounts.get(key) ?? null,
        between: (from, to) => {
          // A spreadsheet takes a block from either end; ours is read from the first to the last.
          const [first, last] = [keys.indexOf(from as 'a'), keys.indexOf(to as 'a')].sort((x, y) => x - y) as [number, number];
          return keys.slice(first, last + 1);
        },
        days,
      };
      const read = readFormula(writeFormula(formula));
      if (!read.ok) throw new Error(read.failure.reason);
      const own = evaluateFormula(read.value, column);
      sheet.setCellContents({ sheet: 0, row: 0, col: 0 }, [given]);
      sheet.setCellContents({ sheet: 0, row: 1, col: 0 }, `=${asSpreadsheet(formula)}`);
      const theirs = sheet.getCellValue({ sheet: 0, row: 1, col: 0 });
      if (!own.ok) {
        without++;
        expect(own.failure.code).toBe('divided_by_zero');
        // What is nothing to us may be a rounding error's breadth to floating point.
        if (typeof theirs === 'number') expect(Math.abs(theirs)).toBeGreaterThan(1e9);
        return;
      }
      reckoned++;
      const exact = asNumber(own.value);
      expect(typeof theirs).toBe('number');
      expect(Math.abs((theirs as number) - exact)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(exact)));
    }),
    { numRuns: 400, seed: 606 },
  );
  sheet.destroy();
  expect([reckoned > 250, without > 5]).toEqual([true, true]);
});
