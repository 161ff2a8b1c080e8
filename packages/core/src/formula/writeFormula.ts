import type { Condition, Formula, SiblingSpan } from './formula.ts';
import { formulaWords } from './formulaFunctions.ts';
import { decimalOf } from './fraction.ts';

interface Manner {
  readonly line: (key: string) => string;
  readonly signs: Readonly<Record<string, string>>;
}

const plainWord = /^[\p{L}_][\p{L}\p{N}_.]*$/u;
/** A key as formulas name it: in quotes where it is no plain word. */
export function writeKey(key: string): string {
  return plainWord.test(key) && !formulaWords.has(key.toLowerCase()) ? key : `"${key.replaceAll('"', '""')}"`;
}

const asTyped: Manner = { line: writeKey, signs: {} };
const printed: Manner['signs'] = { '*': '×', '/': '÷', '-': '−', '<=': '≤', '>=': '≥', '<>': '≠' };

/** The text that reads back to the same formula. */
export function writeFormula(formula: Formula): string {
  return written(formula, asTyped);
}

/** For reading: captions in the place of keys, and the signs of print. */
export function renderFormula(formula: Formula, captionOf: (key: string) => string): string {
  return written(formula, { line: captionOf, signs: printed });
}

function written(formula: Formula, manner: Manner): string {
  const sign = (of: string): string => manner.signs[of] ?? of;
  switch (formula.kind) {
    case 'number':
      return decimalOf(formula.value) ?? '';
    case 'line':
      return manner.line(formula.key);
    case 'days':
      return 'days';
    case 'negative':
      return `${sign('-')}${within(formula.inner, manner, formula.inner.kind === 'arithmetic')}`;
    case 'arithmetic': {
      const isProduct = formula.sign === '*' || formula.sign === '/';
      const { left, right } = formula;
      const leftIsSum = left.kind === 'arithmetic' && (left.sign === '+' || left.sign === '-');
      // From left to right: what stands in parentheses at the right was reckoned first.
      const rightNeeds = right.kind === 'arithmetic' && (isProduct || right.sign === '+' || right.sign === '-');
      return `${within(left, manner, isProduct && leftIsSum)} ${sign(formula.sign)} ${within(right, manner, rightNeeds)}`;
    }
    case 'call':
      return `${formula.name}(${formula.inner.map((part) => written(part, manner)).join(', ')})`;
    case 'sum':
      return `sum(${formula.inner.map((part) => partOfSum(part, manner)).join(', ')})`;
    case 'if':
      return `if(${condition(formula.condition, manner)}, ${written(formula.then, manner)}, ${written(formula.otherwise, manner)})`;
  }
}

function within(formula: Formula, manner: Manner, inParentheses: boolean): string {
  return inParentheses ? `(${written(formula, manner)})` : written(formula, manner);
}

function partOfSum(part: Formula | SiblingSpan, manner: Manner): string {
  return part.kind === 'span' ? `${manner.line(part.from.key)} to ${manner.line(part.to.key)}` : written(part, manner);
}

/** Conditions have no parentheses: «and» binds before «or», as it was read. */
function condition(test: Condition, manner: Manner): string {
  if (test.kind !== 'comparison') return `${condition(test.left, manner)} ${test.kind} ${condition(test.right, manner)}`;
  return `${written(test.left, manner)} ${manner.signs[test.sign] ?? test.sign} ${written(test.right, manner)}`;
}
