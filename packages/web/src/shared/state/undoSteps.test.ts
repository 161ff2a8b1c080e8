import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beginSteps, stepped, steppedAside, steppedBack, steppedForth } from './undoSteps.ts';

const names = (steps: readonly { readonly name: string }[]) => steps.map(({ name }) => name);

describe('steps back and forth', () => {
  it('of one field that is typed in are one, until another is, or one was taken back', () => {
    let steps = beginSteps('');
    for (const text of ['B', 'Ba', 'Bank']) steps = stepped(steps, text, 'Caption', 'caption a');
    expect([steps.past.length, steppedBack(steps).now]).toEqual([1, '']);
    steps = stepped(steps, 'Bank!', 'Caption', 'caption b');
    steps = stepped(steppedBack(steps), 'Bank?', 'Caption', 'caption a');
    // The same field as before what was taken back: a step of its own, so that nothing is taken back along with it.
    expect([steps.past.length, steppedBack(steps).now]).toEqual([2, 'Bank']);
    steps = stepped(stepped(beginSteps('a'), 'b', 'One', 'x'), 'c', 'Other');
    expect(names(steps.past)).toEqual(['One', 'Other']);
  });

  it('stay the same where nothing is another', () => {
    const steps = beginSteps({});
    expect(stepped(steps, steps.now, 'Nothing')).toBe(steps);
    expect(steppedBack(steps)).toBe(steps);
    expect(steppedForth(steps)).toBe(steps);
  });

  it('lead through every state that there was, and a new one ends the way forth', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 30 }), fc.array(fc.boolean(), { maxLength: 60 }), (changes, walk) => {
        const states = [0];
        for (const change of changes) states.push((states.at(-1) as number) * 10 + change);
        let steps = beginSteps(0);
        for (const state of states.slice(1)) steps = stepped(steps, state, `to ${state}`);
        let at = states.length - 1;
        for (const isBack of walk) {
          steps = isBack ? steppedBack(steps) : steppedForth(steps);
          at = isBack ? Math.max(0, at - 1) : Math.min(states.length - 1, at + 1);
          expect(steps.now).toBe(states[at]);
          expect(steps.past.length + steps.future.length).toBe(states.length - 1);
          expect(steps.past.at(-1)?.name).toBe(at === 0 ? undefined : `to ${states[at]}`);
        }
        expect(stepped(steps, -1, 'Another').future).toEqual([]);
      }),
    );
  });

  it('have what somebody else changed in every state, so that going back takes nothing of theirs', () => {
    let steps = stepped(stepped(beginSteps(['mine']), ['mine', 'more'], 'More'), ['mine', 'more', 'most'], 'Most');
    steps = steppedAside(steppedBack(steps), (state) => ['theirs', ...state]);
    expect(steps.now).toEqual(['theirs', 'mine', 'more']);
    expect(steppedBack(steps).now).toEqual(['theirs', 'mine']);
    expect(steppedForth(steps).now).toEqual(['theirs', 'mine', 'more', 'most']);
  });

  it('are two hundred at most, the latest', () => {
    let steps = beginSteps(0);
    for (let state = 1; state <= 250; state++) steps = stepped(steps, state, `to ${state}`);
    expect([steps.past.length, steps.past[0]?.state]).toEqual([200, 50]);
  });
});
