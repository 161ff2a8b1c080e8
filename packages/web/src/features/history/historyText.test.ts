import type { History } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { historyLines } from './historyText.ts';

const event = (fields: Partial<History['events'][number]>): History['events'][number] => ({
  id: 1,
  thing: 'account',
  thingId: 1,
  action: 'changed',
  before: null,
  after: null,
  happenedAt: '2026-09-30 12:00:00.000',
  actor: 'Preparer',
  ...fields,
});

describe('history in words', () => {
  it('names each field that was changed, before and after', () => {
    expect(historyLines(event({ before: { name: 'Fees', purpose: '' }, after: { name: 'Licence fees', purpose: 'Yearly' } }))).toEqual([
      'Name: «Fees» → «Licence fees»',
      'Purpose: none → «Yearly»',
    ]);
  });

  it('says what happened rather than which value it has', () => {
    expect(historyLines(event({ before: { active: true }, after: { active: false } }))).toEqual(['Retired']);
    expect(historyLines(event({ before: { parentId: 3 }, after: { parentId: null, order: [1, 2] } }))).toEqual([
      'Taken to the top level',
      'Order among its siblings changed',
    ]);
    expect(historyLines(event({ action: 'added' }))).toEqual(['Added']);
  });

  it('a change that nobody has words for is still a line', () => {
    expect(historyLines(event({ after: { something: 1 } }))).toEqual(['Changed']);
  });
});
