import { fail, type Outcome, succeed } from '../outcome.ts';
import type { Condition, Formula, InText } from './formula.ts';
import { add, compareFractions, divide, type Fraction, fraction, multiply, negate, zero } from './fraction.ts';

/** Why a formula has no value in a column, at the part of its text that is the cause. */
export type FormulaFault = InText &
  (
    | { readonly code: 'divided_by_zero' | 'amount_too_large' }
    | { readonly code: 'operand_missing'; readonly key: string }
    | { readonly code: 'span_unknown'; readonly key: string }
  );

/** What a formula is reckoned over: one column of a run. */
export interface FormulaColumn {
  /** Of a line on its own side; `null` where it has none, because its own formula failed or it is no line with an amount. */
  amountOf(key: string): Fraction | null;
  /** Keys of the lines from one to the other among their siblings; `null` where they do not stand beside each other. */
  between(from: string, to: string): readonly string[] | null;
  readonly days: number;
}

/** The exact value; what is not chosen by an `if` is not reckoned. Cost: parts of the formula and the lines of its spans. */
export function evaluateFormula(formula: Formula, column: FormulaColumn): Outcome<Fraction, FormulaFault> {
  switch (formula.kind) {
    case 'number':
      return succeed(formula.value);
    case 'days':
      return succeed(fraction(BigInt(column.days)));
    case 'line':
      return amountOf(formula.key, formula, column);
    case 'negative': {
      const inner = evaluateFormula(formula.inner, column);
      return inner.ok ? succeed(negate(inner.value)) : inner;
    }
    case 'arithmetic': {
      const values = valuesOf([formula.left, formula.right], column);
      return values.ok ? reckoned(formula, values.value as [Fraction, Fraction]) : values;
    }
    case 'call': {
      const values = valuesOf(formula.inner, column);
      if (!values.ok) return values;
      const [first = zero, ...others] = values.value;
      if (formula.name === 'abs') return succeed(first.of < 0n ? negate(first) : first);
      const isBetter = (a: Fraction, b: Fraction): boolean => compareFractions(a, b) === (formula.name === 'max' ? 1 : -1);
      return succeed(others.reduce((best, one) => (isBetter(one, best) ? one : best), first));
    }
    case 'sum': {
      let total = zero;
      for (const part of formula.inner) {
        const held = part.kind === 'span' ? sumOfSpan(part, column) : evaluateFormula(part, column);
        if (!held.ok) return held;
        total = add(total, held.value);
      }
      return succeed(total);
    }
    case 'if': {
      const holds = evaluateCondition(formula.condition, column);
      return holds.ok ? evaluateFormula(holds.value ? formula.then : formula.otherwise, column) : holds;
    }
  }
}

function reckoned({ sign, right }: Extract<Formula, { kind: 'arithmetic' }>, [a, b]: readonly [Fraction, Fraction]): Outcome<Fraction, FormulaFault> {
  switch (sign) {
    case '+':
      return succeed(add(a, b));
    case '-':
      return succeed(add(a, negate(b)));
    case '*':
      return succeed(multiply(a, b));
    case '/': {
      const quotient = divide(a, b);
      return quotient ? succeed(quotient) : fail({ code: 'divided_by_zero', at: right.at, length: right.length });
    }
  }
}

function evaluateCondition(condition: Condition, column: FormulaColumn): Outcome<boolean, FormulaFault> {
  if (condition.kind !== 'comparison') {
    const left = evaluateCondition(condition.left, column);
    if (!left.ok || left.value === (condition.kind === 'or')) return left;
    return evaluateCondition(condition.right, column);
  }
  const values = valuesOf([condition.left, condition.right], column);
  if (!values.ok) return values;
  const order = compareFractions(...(values.value as [Fraction, Fraction]));
  switch (condition.sign) {
    case '<':
      return succeed(order < 0);
    case '<=':
      return succeed(order <= 0);
    case '=':
      return succeed(order === 0);
    case '<>':
      return succeed(order !== 0);
    case '>=':
      return succeed(order >= 0);
    case '>':
      return succeed(order > 0);
  }
}

function valuesOf(formulas: readonly Formula[], column: FormulaColumn): Outcome<Fraction[], FormulaFault> {
  const values: Fraction[] = [];
  for (const formula of formulas) {
    const value = evaluateFormula(formula, column);
    if (!value.ok) return value;
    values.push(value.value);
  }
  return succeed(values);
}

function sumOfSpan(
  { from, to, at, length }: InText & { readonly from: { readonly key: string }; readonly to: { readonly key: string } },
  column: FormulaColumn,
): Outcome<Fraction, FormulaFault> {
  const keys = column.between(from.key, to.key);
  if (!keys) return fail({ code: 'span_unknown', key: to.key, at, length });
  let total = zero;
  for (const key of keys) {
    const held = amountOf(key, { at, length }, column);
    if (!held.ok) return held;
    total = add(total, held.value);
  }
  return succeed(total);
}

function amountOf(key: string, { at, length }: InText, column: FormulaColumn): Outcome<Fraction, FormulaFault> {
  const amount = column.amountOf(key);
  return amount ? succeed(amount) : fail({ code: 'operand_missing', key, at, length });
}
