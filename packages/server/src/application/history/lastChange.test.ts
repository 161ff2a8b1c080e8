import { describe, expect, it } from 'vitest';
import type { HistoryEvent, Ports } from '../ports/index.ts';
import { withLastChange } from './lastChange.ts';

const event = (id: number, action: string, actor: string, after: unknown = {}): HistoryEvent => ({
  id,
  thing: 'account',
  thingId: 7,
  action,
  before: null,
  after,
  happenedAt: `2026-09-30 10:00:0${id}.000`,
  actor,
  actorId: id,
  isNameShared: false,
});
const told = async (thing: string, ...events: readonly HistoryEvent[]) => {
  const chart = { history: async () => ({ events: [...events], next: null }) } as unknown as Ports['chart'];
  return (await withLastChange({ chart }, 1, { code: 'version_conflict', thing, id: 7, current: null })).last;
};

describe('who made the version that stands', () => {
  it('is whoever changed the thing last, and not who wrote a note, attached a file or filled a list since', async () => {
    const since = [
      event(5, 'noted', 'Signe Tarn', { note: 'Odd' }),
      event(4, 'changed', 'Ebbe Skua', { attached: 'lease.pdf' }),
      event(3, 'changed', 'Ebbe Skua', { detached: 'lease.pdf' }),
      event(2, 'filled', 'Ebbe Skua'),
    ];
    expect(await told('account', ...since, event(1, 'changed', 'Runa Holm', { name: 'Bank' }))).toEqual({ by: 'Runa Holm', at: '2026-09-30 10:00:01.000' });
  });

  it('is nobody where none of what is on record made it, or where what stands beside the thing has its name', async () => {
    expect(await told('account', event(2, 'noted', 'Signe Tarn'))).toBeUndefined();
    for (const thing of ['statement_set', 'budget', 'layout', 'person', 'view'])
      expect(await told(thing, event(1, 'changed', 'Runa Holm')), thing).toBeUndefined();
  });
});
