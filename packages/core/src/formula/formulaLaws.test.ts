import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyFormula } from '../../../../tests/support/anyFormula.ts';
import type { Condition, Formula } from './formula.ts';
import { fractionOfDecimal } from './fraction.ts';
import { readFormula } from './readFormula.ts';
import { writeFormula } from './writeFormula.ts';

/** Without the places in the text, which differ by what parentheses and spaces were written. */
const told = (part: Formula | Condition): string =>
  JSON.stringify(part, (key, value) => (key === 'at' || key === 'length' ? undefined : typeof value === 'bigint' ? String(value) : value));

it('text that is written reads back to the same formula', () => {
  fc.assert(
    fc.property(anyFormula(['revenue', 'to', 'Wages.1', 'net 12', 'a"b', 'days']), (formula) => {
      const read = readFormula(writeFormula(formula));
      expect(read.ok && told(read.value)).toBe(told(formula));
    }),
    { numRuns: 400, seed: 66 },
  );
});

it('any text at all is read, or refused at a place within it', () => {
  const piece = fc.constantFrom('a', 'sum', 'if', '(', ')', ',', '+', '-', '*', '/', '<', '=', '12', '1.5', ' ', 'to', 'and', '"', '"x"', '%', '×', 'days');
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
      const text = pieces.join('');
      const read = readFormula(text);
      if (read.ok) expect(readFormula(writeFormula(read.value)).ok).toBe(true);
      else {
        expect(read.failure.at).toBeGreaterThanOrEqual(0);
        expect(read.failure.at + read.failure.length).toBeLessThanOrEqual(text.length);
      }
    }),
    { numRuns: 2000, seed: 67 },
  );
});

it('a decimal is the fraction it says', () => {
  fc.assert(
    fc.property(fc.nat(), fc.nat({ max: 999_999 }), (whole, rest) => {
      const { of, over } = fractionOfDecimal(`${whole}.${String(rest).padStart(6, '0')}`);
      expect(of * (1_000_000n / over)).toBe(BigInt(whole) * 1_000_000n + BigInt(rest));
    }),
  );
});
