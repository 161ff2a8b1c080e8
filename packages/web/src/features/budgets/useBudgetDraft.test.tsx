// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { useBudgetDraft } from './useBudgetDraft.ts';

afterEach(cleanup);
beforeEach(() => localStorage.clear());

const key = 'budget 1 of company 1, all';
const typing = (cell: string, amount: bigint) => (draft: ReadonlyMap<string, bigint>) => new Map([...draft, [cell, amount]]);

describe('what is typed into a budget and not saved', () => {
  it('goes back and forth by steps with their names, and forth no more once something else is typed', () => {
    const { result } = renderHook(() => useBudgetDraft(key));
    act(() => result.current.take(typing('1 1', 500n), 'January of 4060'));
    act(() => result.current.take(typing('1 2', 600n), 'February of 4060'));
    act(() => result.current.undo());
    expect([[...result.current.draft], result.current.undoName, result.current.redoName]).toEqual([[['1 1', 500n]], 'January of 4060', 'February of 4060']);
    act(() => result.current.redo());
    expect([result.current.draft.size, result.current.redoName]).toEqual([2, null]);
    act(() => result.current.undo());
    act(() => result.current.take(typing('1 3', 700n), 'March of 4060'));
    expect([[...result.current.draft.keys()], result.current.undoName, result.current.redoName]).toEqual([['1 1', '1 3'], 'March of 4060', null]);
    // Further back than there is anything is nowhere.
    for (let times = 0; times < 4; times++) act(() => result.current.undo());
    expect([result.current.draft.size, result.current.undoName]).toEqual([0, null]);
  });

  it('two changes in one moment are both there', () => {
    const { result } = renderHook(() => useBudgetDraft(key));
    act(() => {
      result.current.take(typing('1 1', 1n), 'one');
      result.current.take(typing('1 2', 2n), 'two');
    });
    expect([...result.current.draft]).toEqual([
      ['1 1', 1n],
      ['1 2', 2n],
    ]);
  });

  it('is there again with the page, as one step that can be taken back; once saved, nothing of it is', () => {
    const first = renderHook(() => useBudgetDraft(key));
    act(() => first.result.current.take(typing('1 1', -(2n ** 60n)), 'one'));
    first.unmount();
    const { result } = renderHook(() => useBudgetDraft(key));
    expect([[...result.current.draft], result.current.undoName]).toEqual([[['1 1', -(2n ** 60n)]], 'what was typed here before']);
    act(() => result.current.clear());
    expect([result.current.draft.size, result.current.undoName, localStorage.getItem(key)]).toEqual([0, null, null]);
  });

  it('begins with nothing where what the browser kept cannot be read', () => {
    localStorage.setItem(key, '[["1 1","many"]]');
    expect(renderHook(() => useBudgetDraft(key)).result.current.draft.size).toBe(0);
  });
});
