import { describe, expect, it } from 'vitest';
import { checkCodes, codeFinder, isListKey, type ListedCode, oddityOf } from './codeList.ts';

const listed = (code: string, fields: Partial<ListedCode> = {}): ListedCode => ({ code, caption: '', element: null, side: null, parent: null, ...fields });

describe('a list of codes', () => {
  it('finds a code in whatever case it is typed', () => {
    const find = codeFinder({ codes: [listed('A1'), listed('b2')] });
    expect([find('a1')?.code, find(' B2 ')?.code, find('B')]).toEqual(['A1', 'b2', undefined]);
  });

  it('is one where each has a code, none twice, and those above are among them', () => {
    expect(checkCodes([listed('A'), listed('A.1', { parent: 'a' }), listed('B')])).toBeNull();
    expect(checkCodes([listed(' ')])).toEqual({ code: 'list_code_missing' });
    expect(checkCodes([listed('A'), listed('a')])).toEqual({ code: 'list_code_twice', listed: 'a' });
    expect(checkCodes([listed('A', { parent: 'B' })])).toEqual({ code: 'list_code_parent_unknown', listed: 'A', parent: 'B' });
    expect(checkCodes([listed('A', { parent: 'B' }), listed('B', { parent: 'A' })])).toEqual({ code: 'list_code_nested_in_itself', listed: 'A' });
  });

  it('says what of an account is at odds with its code', () => {
    const fuel = { element: 'expense', normalSide: 'debit' } as const;
    expect(oddityOf(listed('A', { element: 'income' }), fuel)).toBe('element');
    expect(oddityOf(listed('A', { element: 'expense', side: 'credit' }), fuel)).toBe('side');
    expect(oddityOf(listed('A', { element: 'expense', side: 'debit' }), fuel)).toBeNull();
    expect(oddityOf(listed('A'), fuel)).toBeNull();
  });

  it.each([
    ['report:7', true],
    ['facet:1', true],
    ['report:', false],
    ['name', false],
  ])('%s is a key of one: %s', (text, is) => {
    expect(isListKey(text)).toBe(is);
  });
});
