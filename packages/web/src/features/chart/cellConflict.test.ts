import { describe, expect, it } from 'vitest';
import { theirsIn } from './cellConflict.ts';
import { chartAccount as account } from './chartAccount.fixture.ts';

describe('a cell that somebody else changed meanwhile', () => {
  const seen = account(1, '4000', { name: 'Sales' });
  const conflict = (current: object | null) => ({ code: 'version_conflict', facts: { current } });

  it('says what stands in it now, or that it was another field', () => {
    expect(theirsIn(conflict({ ...seen, name: 'Charters' }), 'name', seen)).toContain('to «Charters»');
    expect(theirsIn(conflict({ ...seen, purpose: 'Tickets' }), 'name', seen)).toContain('something else');
  });

  it('says nothing of its own where it was refused for another reason, or not at all', () => {
    expect([
      theirsIn(null, 'name', seen),
      theirsIn({ code: 'account_number_taken', facts: {} }, 'number', seen),
      theirsIn(conflict(null), 'name', seen),
    ]).toEqual([null, null, null]);
  });
});
