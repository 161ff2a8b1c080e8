import type { PlacementRehearsal } from '@ivory-ladder/contract';
import { emptyDraft, type PlacementDraft } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import {
  draftAmended,
  draftRedone,
  draftUndone,
  rehearsalApplied,
  rehearsalCleared,
  rehearsalOpened,
  rehearsalReducer,
  rehearsedKey,
} from './rehearsalSlice.ts';

const rehearsed = rehearsedKey(1, 1);
const moved = (accountId: number): PlacementDraft => ({ categories: [], places: [{ accountId, before: [], after: [{ side: 'any', categoryId: 2 }] }] });
const start = rehearsalReducer(undefined, { type: 'begin' });
const amended = [moved(1), moved(2)].reduce((state, draft, at) => rehearsalReducer(state, draftAmended({ rehearsed, draft, name: `step ${at + 1}` })), start);

describe('the rehearsal that is worked at', () => {
  it('goes back and forth by steps with their names, and forward no more after another one', () => {
    const back = rehearsalReducer(amended, draftUndone({ rehearsed }));
    const steps = back[rehearsed]?.steps;
    expect([steps?.now, steps?.past.at(-1)?.name, steps?.future.at(-1)?.name]).toEqual([moved(1), 'step 1', 'step 2']);
    expect(rehearsalReducer(back, draftRedone({ rehearsed }))).toEqual(amended);
    expect(rehearsalReducer(back, draftAmended({ rehearsed, draft: moved(3), name: 'other' }))[rehearsed]?.steps.future).toEqual([]);
    expect(rehearsalReducer(start, draftUndone({ rehearsed }))).toEqual(start);
  });

  it('is one for each classification of a company', () => {
    expect(rehearsalReducer(amended, rehearsalCleared({ rehearsed: rehearsedKey(1, 2) }))[rehearsed]).toEqual(amended[rehearsed]);
  });

  it('begins anew with one that was kept, and is shown on until what was applied has come', () => {
    const rehearsal: PlacementRehearsal = {
      id: 7,
      classificationId: 1,
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
    const opened = rehearsalReducer(amended, rehearsalOpened({ rehearsed, rehearsal }))[rehearsed];
    expect(opened).toMatchObject({ steps: { now: rehearsal.draft, past: [] }, kept: { id: 7, version: 3 } });
    const applied = rehearsalReducer(amended, rehearsalApplied({ rehearsed, draft: moved(2), structureVersion: 5 }));
    expect(applied[rehearsed]).toMatchObject({ steps: { now: moved(2), past: [] }, kept: null, appliedTo: 5 });
    expect(rehearsalReducer(applied, rehearsalCleared({ rehearsed }))[rehearsed]).toMatchObject({ steps: { now: emptyDraft }, appliedTo: null });
  });
});
