import { beginLayout, buildCategoryTree, defaultLayoutOptions, type LayoutFacts, newLine } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { beginSteps, steppedBack, steppedForth } from '../../shared/state/undoSteps.ts';
import { edited } from './composition.ts';

const tree = buildCategoryTree([]);
const facts: LayoutFacts = {
  accounts: [],
  tree,
  natures: new Map(),
  portions: new Map(),
  order: 'by_value',
  retainedEarningsId: null,
  language: 'en',
  scope: [],
  lists: [],
};
const begun = beginSteps(beginLayout('balance_sheet', { tree, options: defaultLayoutOptions, language: 'en' }));
const must = (outcome: ReturnType<typeof edited>) => {
  if (!outcome.ok) throw new Error(outcome.failure.code);
  return outcome.value;
};
const titled = (of: typeof begun, title: string, merge?: string) => must(edited(of, [{ kind: 'set', settings: { title } }], `Title ${title}`, facts, merge));

describe('a layout being composed', () => {
  it('is taken back and done again step by step, each by its name', () => {
    const twice = titled(titled(begun, 'One'), 'Two');
    const once = steppedBack(twice);
    expect([once.now.title, once.past.map(({ name }) => name), once.future.map(({ name }) => name)]).toEqual(['One', ['Title One'], ['Title Two']]);
    expect(steppedBack(once).now).toBe(begun.now);
    expect(steppedForth(steppedForth(steppedBack(once))).now).toBe(twice.now);
    expect(steppedBack(steppedBack(steppedBack(once)))).toEqual(steppedBack(once));
  });

  it('takes what is typed into one field back at once, and another field by itself', () => {
    const typed = titled(titled(titled(begun, 'B', 'title'), 'Ba', 'title'), 'Bal', 'title');
    expect([typed.past.length, steppedBack(typed).now.title]).toEqual([1, begun.now.title]);
    expect(titled(typed, 'Else', 'other').past.length).toBe(2);
    expect(titled(steppedBack(typed), 'New', 'title').future).toEqual([]);
  });

  it('stays as it is where an edit is refused, with its facts', () => {
    const outcome = edited(begun, [{ kind: 'insert', lines: [newLine('text', 'asset', 'Twice')], spot: { within: null, after: null } }], 'Add', facts);
    expect(outcome).toEqual({ ok: false, failure: { code: 'line_key_taken', line: 'asset' } });
  });
});
