import { describe, expect, it } from 'vitest';
import type { Portions } from '../placement/place.ts';
import { compileLayout, shownAmount } from './compileLayout.ts';
import type { AccountsLine, Layout, Line } from './line.ts';

const base = { caption: '', side: 'debit', reversed: false, rung: 0 } as const;
const accounts = (categoryId: number): AccountsLine => ({ ...base, kind: 'accounts', key: `category.${categoryId}`, categoryId });
const group = (key: string, children: Line[]): Line => ({ ...base, kind: 'group', key, totalCaption: '', children });
const layout = (lines: Line[]): Layout => ({ kind: 'balance_sheet', language: 'en', title: 'Test', lines });
const nobody = new Map<number, Portions>();

describe('a compiled layout', () => {
  it('has parents before their children, and knows the group around each line', () => {
    const { lines, parentAt } = compileLayout(layout([group('a', [accounts(1), group('b', [accounts(2)])]), accounts(3)]), [], nobody);
    expect(lines.map(({ key }) => key)).toEqual(['a', 'category.1', 'b', 'category.2', 'category.3']);
    expect([...parentAt]).toEqual([-1, 0, 0, 2, -1]);
  });

  it('sends the debit balance and the credit balance of an account each to its own line, or to none', () => {
    const portions = new Map<number, Portions>([
      [10, { debit: 1, credit: 2 }],
      [20, { debit: 2, credit: null }],
      [30, { debit: 99, credit: 99 }],
    ]);
    const { lineOfDebit, lineOfCredit } = compileLayout(layout([accounts(1), accounts(2)]), [10, 20, 30, 40], portions);
    expect([...lineOfDebit]).toEqual([0, 1, -1, -1]);
    expect([...lineOfCredit]).toEqual([1, -1, -1, -1]);
  });

  it('shows a result within the figure of the line that it names, and adds it there only once', () => {
    const result: Line = { ...base, kind: 'result', key: 'result', of: 'year_to_date', within: { key: 'category.1', accountId: 1 } };
    const compiled = compileLayout(layout([group('equity', [accounts(1), result])]), [], nobody);
    const amounts = BigInt64Array.of(-150n, -100n, -50n);
    expect([shownAmount(compiled, amounts, 1), shownAmount(compiled, amounts, 0)]).toEqual([-150n, -150n]);
  });

  it('asks once for an amount that several lines take, however their facet values are written', () => {
    const taking = (key: string, values: readonly string[], measure: 'column' | 'mean'): Line => ({
      ...accounts(0),
      key,
      categoryId: null,
      selection: { accounts: Int32Array.of(0), sides: Uint8Array.of(3) },
      reading: { measure, facets: { 'facet:1': values } },
    });
    const { readings, takes } = compileLayout(
      layout([
        taking('a', ['TERN', 'GULL'], 'column'),
        taking('b', ['GULL'], 'column'),
        taking('c', ['GULL', 'TERN'], 'column'),
        taking('d', ['GULL'], 'mean'),
      ]),
      [10],
      nobody,
    );
    expect(readings.map(({ measure, facets }) => [measure, facets['facet:1']])).toEqual([
      ['column', ['TERN', 'GULL']],
      ['column', ['GULL']],
      ['mean', ['GULL']],
    ]);
    expect(takes.map(({ reading }) => reading)).toEqual([0, 1, 0, 2]);
  });

  it('is not made of two lines with one key, nor of a sum over a line that is not there', () => {
    expect(() => compileLayout(layout([accounts(1), accounts(1)]), [], nobody)).toThrow(/one key/);
    expect(() => compileLayout(layout([{ ...base, kind: 'sum', key: 's', terms: [{ key: 'gone', sign: 1 }], final: false }]), [], nobody)).toThrow(
      /names gone/,
    );
  });
});
