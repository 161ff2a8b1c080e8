import { describe, expect, it } from 'vitest';
import { restoreMarks, showMarks } from './shownMarks.ts';

describe('marks that nobody sees', () => {
  it('are shown, so that a name is not taken for another, and go back as they were', () => {
    const name = 'invoice\u202efdp.exe, Signe\u200b Tarn, \u2067שלום\u2069';
    expect(showMarks(name)).toBe('invoice⟦RLO⟧fdp.exe, Signe⟦ZWSP⟧ Tarn, ⟦RLI⟧שלום⟦PDI⟧');
    expect(restoreMarks(showMarks(name))).toBe(name);
  });

  it('leave alone what writing needs, and what only looks like one', () => {
    const text = 'می\u200cخواهم 👩\u200d👧 ⟦PDX⟧ Æøå';
    expect([showMarks(text), restoreMarks(text)]).toEqual([text, text]);
  });
});
