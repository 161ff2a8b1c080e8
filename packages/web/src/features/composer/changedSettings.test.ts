import { newLine, type OwnLineKind, ownLineKinds } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { changedSettings, settingNames } from './changedSettings.ts';

describe('how a line is made otherwise', () => {
  it('is said in the words of its panel, each once, and that it stands elsewhere', () => {
    expect(changedSettings({ state: 'changed', fields: ['sources', 'byAccount', 'byTree'], isMoved: true })).toBe('what it takes, detail; moved');
    expect(changedSettings({ state: 'changed', fields: [], isMoved: true })).toBe('moved');
    expect(changedSettings({ state: 'removed', fields: [], isMoved: false })).toBe('gone');
  });

  it('has words for every field that a line of any kind begins with', () => {
    const inside = ['key', 'children'];
    const fields = ownLineKinds.flatMap((kind: OwnLineKind) => Object.keys(newLine(kind, 'line', 'Line'))).filter((field) => !inside.includes(field));
    expect(fields.filter((field) => /[a-z][A-Z]/.test(settingNames([field])) || settingNames([field]) === '')).toEqual([]);
  });
});
