import type { Fraction } from './fraction.ts';

/** The characters of the text that a part of a formula stands in. */
export interface InText {
  readonly at: number;
  readonly length: number;
}

export type ArithmeticSign = '+' | '-' | '*' | '/';
export type ComparisonSign = '<' | '<=' | '=' | '<>' | '>=' | '>';

export type NamedLine = InText & { readonly kind: 'line'; readonly key: string };

/** What a formula over other lines of a layout is made of. */
export type Formula = InText &
  (
    | { readonly kind: 'number'; readonly value: Fraction }
    /** The amount of a line, on the line's side. */
    | NamedLine
    /** Days of the column's span, both its ends counted. */
    | { readonly kind: 'days' }
    | { readonly kind: 'negative'; readonly inner: Formula }
    | { readonly kind: 'arithmetic'; readonly sign: ArithmeticSign; readonly left: Formula; readonly right: Formula }
    | { readonly kind: 'call'; readonly name: 'min' | 'max' | 'abs'; readonly inner: readonly Formula[] }
    /** Of lines and of spans of siblings. */
    | { readonly kind: 'sum'; readonly inner: readonly (Formula | SiblingSpan)[] }
    | { readonly kind: 'if'; readonly condition: Condition; readonly then: Formula; readonly otherwise: Formula }
  );

/** From one line to another beside it, both included. */
export interface SiblingSpan extends InText {
  readonly kind: 'span';
  readonly from: NamedLine;
  readonly to: NamedLine;
}

export type Condition = InText &
  (
    | { readonly kind: 'comparison'; readonly sign: ComparisonSign; readonly left: Formula; readonly right: Formula }
    | { readonly kind: 'and' | 'or'; readonly left: Condition; readonly right: Condition }
  );

/** A line, or those from one to another, with its place in the text. */
export type Named = NamedLine | SiblingSpan;

/** What a formula names, in the order of its text. */
export function namedIn(formula: Formula): Named[] {
  switch (formula.kind) {
    case 'number':
    case 'days':
      return [];
    case 'line':
      return [formula];
    case 'negative':
      return namedIn(formula.inner);
    case 'arithmetic':
      return [...namedIn(formula.left), ...namedIn(formula.right)];
    case 'call':
      return formula.inner.flatMap(namedIn);
    case 'sum':
      return formula.inner.flatMap((part) => (part.kind === 'span' ? [part] : namedIn(part)));
    case 'if':
      return [...namedInCondition(formula.condition), ...namedIn(formula.then), ...namedIn(formula.otherwise)];
  }
}

function namedInCondition({ kind, left, right }: Condition): Named[] {
  return kind === 'comparison' ? [...namedIn(left), ...namedIn(right)] : [...namedInCondition(left), ...namedInCondition(right)];
}
