import { type Operation, operations } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { changedBy, shownBy, tagOf } from './tags.ts';

type Tags = readonly string[];
const shown = Object.entries(shownBy).map(
  ([name, tags]) => [name, typeof tags === 'function' ? tags({ plan: 'budget', currency: 'USD' }) : tags] as [string, Tags],
);
const changed = Object.entries(changedBy).map(([name, tags]): [string, Tags] => {
  const all =
    typeof tags === 'function' ? (tags as (args: unknown) => Tags)({ body: { name: 'Spring' } }) : 'done' in tags ? [...tags.done, ...tags.refused] : tags;
  return [name, all];
});

describe('what answers show and changes change', () => {
  it.each([...shown, ...changed])('%s speaks only of what its request names', (name, tags) => {
    const { path } = operations[name as keyof typeof operations] as Operation;
    for (const tag of tags) {
      const [, parameter] = tag.split('/');
      if (parameter !== undefined) expect(path).toContain(`{${parameter}}`);
      if (tagOf(tag as never, { companyId: 7 }).id !== 'all') expect(path).toContain('{companyId}');
    }
  });

  it('whatever a change changes, an answer shows: nothing is told to nobody', () => {
    const seen = new Set(shown.flatMap(([, tags]) => tags));
    expect([...new Set(changed.flatMap(([, tags]) => tags))].filter((tag) => !seen.has(tag))).toEqual([]);
  });

  it('is of one company, and of one thing where it names one', () => {
    expect(tagOf('Ledger', { companyId: 7 })).toEqual({ type: 'Ledger', id: '7' });
    expect(tagOf('Notes/accountId', { companyId: 7, accountId: 12 })).toEqual({ type: 'Notes', id: '7/12' });
    expect(tagOf('Companies', undefined)).toEqual({ type: 'Companies', id: 'all' });
  });
});
