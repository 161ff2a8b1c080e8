import type { PlacementRehearsal } from '@ivory-ladder/contract';
import { emptyDraft, type PlacementDraft } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { draftAmended, draftRedone, draftUndone, rehearsalApplied, rehearsalCleared, rehearsalOpened, rehearsalReducer } from './rehearsalSlice.ts';

const companyId = 1;
const moved = (accountId: number): PlacementDraft => ({ categories: [], places: [{ accountId, before: [], after: [{ side: 'any', categoryId: 2 }] }] });
const start = rehearsalReducer(undefined, { type: 'begin' });
const amended = [moved(1), moved(2)].reduce((state, draft, at) => rehearsalReducer(state, draftAmended({ companyId, draft, name: `step ${at + 1}` })), start);

describe('the rehearsal that is worked at', () => {
  it('goes back and forth by steps with their names, and forward no more after another one', () => {
    const back = rehearsalReducer(amended, draftUndone({ companyId }));
    expect([back[1]?.draft, back[1]?.past.at(-1)?.name, back[1]?.future.at(-1)?.name]).toEqual([moved(1), 'step 1', 'step 2']);
    expect(rehearsalReducer(back, draftRedone({ companyId }))).toEqual(amended);
    expect(rehearsalReducer(back, draftAmended({ companyId, draft: moved(3), name: 'other' }))[1]?.future).toEqual([]);
    expect(rehearsalReducer(start, draftUndone({ companyId }))).toEqual(start);
  });

  it('is one for each company', () => {
    expect(rehearsalReducer(amended, rehearsalCleared({ companyId: 2 }))[1]).toEqual(amended[1]);
  });

  it('begins anew with one that was kept, and is shown on until what was applied has come', () => {
    const rehearsal: PlacementRehearsal = {
      id: 7,
      name: 'Travel',
      by: 'Nils Berg',
      isOwn: false,
      state: 'offered',
      word: '',
      wordBy: '',
      draft: { categories: [], places: [] },
      changedAt: '2026-09-30 12:00:00',
      version: 3,
    };
    const opened = rehearsalReducer(amended, rehearsalOpened({ companyId, rehearsal }))[1];
    expect(opened).toMatchObject({ draft: rehearsal.draft, past: [], kept: { id: 7, version: 3 } });
    const applied = rehearsalReducer(amended, rehearsalApplied({ companyId, draft: moved(2), structureVersion: 5 }));
    expect(applied[1]).toMatchObject({ draft: moved(2), past: [], kept: null, appliedTo: 5 });
    expect(rehearsalReducer(applied, rehearsalCleared({ companyId }))[1]).toMatchObject({ draft: emptyDraft, appliedTo: null });
  });
});
