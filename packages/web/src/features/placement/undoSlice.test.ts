import { describe, expect, it } from 'vitest';
import { commandDone, commandRedone, commandsForgotten, commandUndone, type PlacementCommand, undoReducer } from './undoSlice.ts';

const move = (name: string): PlacementCommand => ({ kind: 'places', companyId: 1, name, changes: [] });
const start = undoReducer(undefined, { type: 'begin' });
const names = (state: typeof start) => [state.done.map(({ name }) => name), state.undone.map(({ name }) => name)];

describe('undo and redo of the placement', () => {
  it('take back the last thing done, and do it again', () => {
    let state = [move('a'), move('b')].reduce((before, command) => undoReducer(before, commandDone(command)), start);
    state = undoReducer(state, commandUndone());
    expect(names(state)).toEqual([['a'], ['b']]);
    expect(names(undoReducer(state, commandRedone()))).toEqual([['a', 'b'], []]);
  });

  it('a new thing done leaves nothing to redo', () => {
    const undone = undoReducer(undoReducer(start, commandDone(move('a'))), commandUndone());
    expect(names(undoReducer(undone, commandDone(move('b'))))).toEqual([['b'], []]);
  });

  it('undoing with nothing done changes nothing', () => {
    expect(names(undoReducer(undoReducer(start, commandUndone()), commandRedone()))).toEqual([[], []]);
  });

  it('keeps the last hundred, and forgets all once somebody else has changed what would be taken back', () => {
    const many = Array.from({ length: 130 }, (_, at) => move(String(at))).reduce((before, command) => undoReducer(before, commandDone(command)), start);
    expect([many.done.length, many.done[0]?.name]).toEqual([100, '30']);
    expect(names(undoReducer(many, commandsForgotten()))).toEqual([[], []]);
  });
});
