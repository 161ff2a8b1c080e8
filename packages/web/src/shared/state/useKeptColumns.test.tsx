// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { useKeptColumns } from './useKeptColumns.ts';

describe('widths of columns that are kept', () => {
  beforeEach(() => localStorage.clear());

  it('are there again for the same table, and for no other', () => {
    const { result, rerender } = renderHook(({ table }) => useKeptColumns(table), { initialProps: { table: 'entries' } });
    expect(result.current[0]).toEqual([]);
    act(() => result.current[1]([{ id: 'text', width: 300 }]));
    expect(result.current[0]).toEqual([{ id: 'text', width: 300 }]);
    rerender({ table: 'budget of 12 periods' });
    expect(result.current[0]).toEqual([]);
    rerender({ table: 'entries' });
    expect(renderHook(() => useKeptColumns('entries')).result.current[0]).toEqual([{ id: 'text', width: 300 }]);
  });

  it('that are none are left alone', () => {
    for (const [kept, read] of [
      ['nonsense', []],
      ['{"id":"text"}', []],
      ['[null, {"id":7,"width":1}, {"id":"date","width":"wide"}, {"id":"by","width":null}]', [{ id: 'by', width: null }]],
    ] as const) {
      localStorage.setItem('columns of entries', kept);
      expect(renderHook(() => useKeptColumns('entries')).result.current[0], kept).toEqual(read);
    }
  });
});
