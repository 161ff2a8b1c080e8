import type { StatementBody } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { sheetWidth } from './sheetWidth.ts';

const statement = (columns: number, values: readonly (string | null)[]): Pick<StatementBody, 'columns' | 'rows'> => ({
  columns: Array.from({ length: columns }, () => ({})) as unknown as StatementBody['columns'],
  rows: [{ values }] as unknown as StatementBody['rows'],
});

describe('the width of a statement of many columns', () => {
  it('leaves room for every figure as it is written, whatever its length', () => {
    for (const digits of [1, 5, 9, 12, 18]) {
      const minor = `-${'8'.repeat(digits)}`;
      const written = `(${(Number('8'.repeat(digits)) / 100).toLocaleString('en', { minimumFractionDigits: 2 })})`;
      // Figures of this size are some 7 pixels wide, and 16 stand beside each.
      expect(sheetWidth(statement(13, [null, minor])) - sheetWidth(statement(12, [null, minor]))).toBeGreaterThanOrEqual(written.length * 7 + 16);
    }
  });

  it('is no wider than a page for a few short ones, so that they stand near their captions', () => {
    expect(sheetWidth(statement(5, ['5008', null]))).toBeLessThan(1040);
  });
});
