import { type ArithmeticSign, type ComparisonSign, type Condition, type Formula, fractionOfDecimal, type SiblingSpan } from '@ivory-ladder/core';
import fc from 'fast-check';

const nowhere = { at: 0, length: 0 };
const deepest = 4;

/** Random formulas over lines of these keys, to a depth; conditions as they can be written, «and» below «or». */
export function anyFormula(keys: readonly string[]): fc.Arbitrary<Formula> {
  const key = fc.constantFrom(...keys);
  const line = key.map((named): Formula => ({ kind: 'line', key: named, ...nowhere }));
  const number = fc
    .tuple(fc.nat({ max: 9999 }), fc.constantFrom('', '.5', '.25', '.04'))
    .map(([whole, decimals]): Formula => ({ kind: 'number', value: fractionOfDecimal(`${whole}${decimals}`), ...nowhere }));
  const leaf = fc.oneof(
    { weight: 4, arbitrary: line },
    { weight: 3, arbitrary: number },
    { weight: 1, arbitrary: fc.constant<Formula>({ kind: 'days', ...nowhere }) },
  );
  const span = fc.tuple(key, key).map(
    ([from, to]): SiblingSpan => ({
      kind: 'span',
      from: { kind: 'line', key: from, ...nowhere },
      to: { kind: 'line', key: to, ...nowhere },
      ...nowhere,
    }),
  );
  const build = (depth: number): fc.Arbitrary<Formula> => {
    if (depth === 0) return leaf;
    const inner = build(depth - 1);
    const comparison = fc
      .tuple(fc.constantFrom<ComparisonSign>('<', '<=', '=', '<>', '>=', '>'), inner, inner)
      .map(([sign, left, right]): Condition => ({ kind: 'comparison', sign, left, right, ...nowhere }));
    const both = fc
      .array(comparison, { minLength: 1, maxLength: 2 })
      .map((all) => all.reduce((left, right): Condition => ({ kind: 'and', left, right, ...nowhere })));
    const condition = fc
      .array(both, { minLength: 1, maxLength: 2 })
      .map((all) => all.reduce((left, right): Condition => ({ kind: 'or', left, right, ...nowhere })));
    return fc.oneof(
      { weight: 2, arbitrary: leaf },
      { weight: 1, arbitrary: inner.map((one): Formula => ({ kind: 'negative', inner: one, ...nowhere })) },
      {
        weight: 5,
        arbitrary: fc
          .tuple(fc.constantFrom<ArithmeticSign>('+', '-', '*', '/'), inner, inner)
          .map(([sign, left, right]): Formula => ({ kind: 'arithmetic', sign, left, right, ...nowhere })),
      },
      {
        weight: 1,
        arbitrary: fc
          .tuple(fc.constantFrom('min' as const, 'max' as const), fc.array(inner, { minLength: 1, maxLength: 3 }))
          .map(([name, parts]): Formula => ({ kind: 'call', name, inner: parts, ...nowhere })),
      },
      { weight: 1, arbitrary: inner.map((one): Formula => ({ kind: 'call', name: 'abs', inner: [one], ...nowhere })) },
      {
        weight: 1,
        arbitrary: fc.array(fc.oneof(inner, span), { minLength: 1, maxLength: 3 }).map((parts): Formula => ({ kind: 'sum', inner: parts, ...nowhere })),
      },
      {
        weight: 1,
        arbitrary: fc
          .tuple(condition, inner, inner)
          .map(([given, then, otherwise]): Formula => ({ kind: 'if', condition: given, then, otherwise, ...nowhere })),
      },
    );
  };
  return build(deepest);
}
