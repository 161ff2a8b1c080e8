import { describe, expect, it } from 'vitest';
import { type Command, type CommandScreen, commandDone, commandRedone, commandsForgotten, commandUndone, undoReducer } from './undoSlice.ts';

const move = (name: string, screen: CommandScreen = 'placement'): Command => ({ id: name, screen, kind: 'places', companyId: 1, name, changes: [] });
const start = undoReducer(undefined, { type: 'begin' });
const names = (state: typeof start) => [state.done.map(({ name }) => name), state.undone.map(({ name }) => name)];
const afterDoing = (...commands: Command[]) => commands.reduce((before, command) => undoReducer(before, commandDone(command)), start);

describe('undo and redo', () => {
  it('take back a thing done, and do it again', () => {
    const undone = undoReducer(afterDoing(move('a'), move('b')), commandUndone(move('b')));
    expect(names(undone)).toEqual([['a'], ['b']]);
    expect(names(undoReducer(undone, commandRedone(move('b'))))).toEqual([['a', 'b'], []]);
  });

  it('a new thing done leaves nothing to redo on its screen, and what was undone elsewhere as it is', () => {
    const undone = [move('a'), move('c', 'chart')].reduce(
      (before, command) => undoReducer(before, commandUndone(command)),
      afterDoing(move('a'), move('c', 'chart')),
    );
    expect(names(undoReducer(undone, commandDone(move('b'))))).toEqual([['b'], ['c']]);
  });

  it('keeps the last hundred', () => {
    const many = afterDoing(...Array.from({ length: 130 }, (_, at) => move(String(at))));
    expect([many.done.length, many.done[0]?.name]).toEqual([100, '30']);
  });

  it('forgets what was done on a screen once somebody else has changed what would be taken back', () => {
    const state = afterDoing(move('a'), move('c', 'chart'));
    expect(names(undoReducer(state, commandsForgotten({ screen: 'placement', companyId: 1 })))).toEqual([['c'], []]);
    expect(names(undoReducer(state, commandsForgotten({ screen: 'placement', companyId: 2 })))).toEqual([['a', 'c'], []]);
  });
});
