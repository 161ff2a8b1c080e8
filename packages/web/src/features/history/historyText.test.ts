import type { History } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { historyLines } from './historyText.ts';

const event = (fields: Partial<History['events'][number]>): History['events'][number] => ({
  id: 1,
  thing: 'account',
  thingId: 1,
  label: '6200 Insurance',
  action: 'changed',
  before: null,
  after: null,
  happenedAt: '2026-09-30 12:00:00.000',
  actor: 'Preparer',
  actorId: 1,
  who: 'Preparer',
  ...fields,
});

describe('history in words', () => {
  it('names each field that was changed, before and after', () => {
    expect(historyLines(event({ before: { name: 'Fees', purpose: '' }, after: { name: 'Licence fees', purpose: 'Yearly' } }))).toEqual([
      'Name: «Fees» → «Licence fees»',
      'Purpose: none → «Yearly»',
    ]);
  });

  it('tells an entry by its text, and says that it is an adjustment', () => {
    const posted = (after: unknown) => historyLines(event({ thing: 'entry', action: 'posted', after }));
    expect(posted({ date: '2026-09-30', layer: 'ledger', text: 'Wages, September', lines: 2 })).toEqual(['Posted: «Wages, September»']);
    expect(posted({ date: '2026-09-30', layer: 'adjustment', text: '', lines: 2 })).toEqual(['Posted as an adjustment']);
  });

  it('says what happened rather than which value it has', () => {
    expect(historyLines(event({ before: { active: true }, after: { active: false } }))).toEqual(['Retired']);
    expect(historyLines(event({ thing: 'company', before: { numbered: true }, after: { numbered: false } }))).toEqual([
      'Accounts have names only from here on',
    ]);
    expect(historyLines(event({ before: { parent: '6200 Insurance' }, after: { parent: '', order: [1, 2] } }))).toEqual([
      'Below: «6200 Insurance» → none',
      'Order among its siblings changed',
    ]);
    expect(historyLines(event({ action: 'added' }))).toEqual(['Added']);
    expect(historyLines(event({ thing: 'place', action: 'added', after: { place: 'Revenue › Tickets' } }))).toEqual(['Placed in «Revenue › Tickets»']);
    expect(historyLines(event({ thing: 'place', before: { place: '' }, after: { place: 'Revenue' } }))).toEqual(['Category: none → «Revenue»']);
  });

  it('tells who came, went and became what', () => {
    expect(historyLines(event({ thing: 'invitation', action: 'added', after: { invited: 'a@example.org', role: 'reader' } }))).toEqual([
      'a@example.org invited as reader',
    ]);
    expect(historyLines(event({ thing: 'person', action: 'added', after: { name: 'A', role: 'reader' } }))).toEqual(['Added as reader']);
    expect(historyLines(event({ thing: 'person', before: { role: 'reader' }, after: { role: 'preparer' } }))).toEqual(['Role: «reader» → «preparer»']);
    expect(historyLines(event({ thing: 'person', action: 'deleted', before: { role: 'preparer' } }))).toEqual(['Removed; was preparer']);
  });

  it('says of a category only what is another, its numbers and captions among it', () => {
    const before = { name: 'Fuel', term: null, ranges: [], captions: [{ language: 'de', caption: 'Öl' }] };
    const after = {
      name: 'Fuel',
      term: null,
      ranges: [
        { side: 'any', text: '52*' },
        { side: 'credit', text: '53' },
      ],
      captions: [{ language: 'de', caption: 'Treibstoff' }],
      order: [],
    };
    expect(historyLines(event({ thing: 'category', before, after }))).toEqual([
      'Account numbers: none → «52*; 53 while in credit»',
      'Caption in German: «Öl» → «Treibstoff»',
    ]);
  });

  it('tells which codes of a list were set and which are gone, and when a period was locked and opened', () => {
    const [a, b, c] = ['A', 'B', 'C'].map((code) => ({ code }));
    expect(historyLines(event({ thing: 'code_list', before: { name: 'Tax', codes: [a, b] }, after: { name: 'Tax form', codes: [b, c] } }))).toEqual([
      'Name: «Tax» → «Tax form»',
      'Set: B, C',
      'Until then: A',
    ]);
    expect(historyLines(event({ thing: 'period', before: { locked: false }, after: { locked: true, reason: 'Closed' } }))).toEqual(['Locked: Closed']);
    expect(historyLines(event({ thing: 'period', before: { locked: true }, after: { locked: false, reason: 'Late' } }))).toEqual(['Opened again: Late']);
  });

  it('a change that nobody has words for is still a line', () => {
    expect(historyLines(event({ after: { something: 1 } }))).toEqual(['Changed']);
  });

  it('tell how many amounts of a budget and rates were set, and the first of them', () => {
    const cell = (amount: string) => ({ account: '6100 Rent', period: 1, amount });
    expect(historyLines(event({ thing: 'budget', before: { cells: [cell('–')] }, after: { count: 7, cells: [cell('10.00')] } }))).toEqual([
      '7 amounts set',
      '6100 Rent, period 1: – → 10.00',
      'and 6 more',
    ]);
    const rate = (value: string | null) => ({ currency: 'USD', kind: 'closing', day: '2026-09-30', rate: value });
    expect(historyLines(event({ thing: 'rate', before: { rates: [rate(null)] }, after: { count: 1, rates: [rate('1.09')] } }))).toEqual([
      '1 rate set',
      'USD, closing, 30 Sep 2026: none → 1.09',
    ]);
    expect(historyLines(event({ thing: 'year', before: { adjustingPeriod: false }, after: { adjustingPeriod: true } }))).toEqual([
      'Has a period for adjustments from here on',
    ]);
  });
});
