import type { History, NoteList, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testAdministrator } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const company = () => openShop(server);

describe('an account retired', () => {
  it('is possible with a zero balance; it leaves no history and takes no postings until it is reopened', async () => {
    const books = await company();
    await books.add({ number: '6400' });
    expect(await books.change('6400', { active: false })).toMatchObject({ active: false });
    const [retired, bank] = [await books.find('6400'), await books.find('1000')];
    const entry = {
      date: '2026-10-01',
      lines: [
        { accountId: retired.id, debit: '5' },
        { accountId: bank.id, credit: '5' },
      ],
    };
    expect(await server.refused('POST', `${books.path}/entries`, entry)).toMatchObject({ code: 'account_takes_no_postings', facts: { reason: 'inactive' } });
    await books.change('6400', { active: true });
    await server.ok('POST', `${books.path}/entries`, entry);
  });

  it('is refused with what stands in the way: a balance, active sub-accounts, a role', async () => {
    const books = await company();
    expect(await books.changeRefused('6200', { active: false })).toMatchObject({
      status: 409,
      code: 'account_not_retirable',
      facts: { balance: '30000', subAccounts: 0, role: null },
    });
    expect(await books.changeRefused('3100', { active: false })).toMatchObject({ facts: { balance: '-20000', role: 'retained_earnings' } });
    const parent = await books.add({ number: '7000' });
    await books.add({ number: '7100', parentId: parent.id });
    expect(await books.changeRefused('7000', { active: false })).toMatchObject({ facts: { balance: '0', subAccounts: 1 } });
    await books.change('7100', { active: false });
    await books.change('7000', { active: false });
    expect(await books.changeRefused('7100', { active: true })).toMatchObject({ code: 'account_parent_inactive', facts: { number: '7000' } });
  });

  it('counts the year alone for income and expense, and never loses a race with a posting', async () => {
    const books = await company();
    const [travel, bank] = [await books.find('6300'), await books.find('1000')];
    const post = () =>
      server.call('POST', `${books.path}/entries`, {
        date: '2026-10-01',
        lines: [
          { accountId: travel.id, debit: '7' },
          { accountId: bank.id, credit: '7' },
        ],
      });
    await server.ok('POST', `${books.path}/years`, { day: '2027-06-30' });
    // A new year has begun: what 2026 left on the account is carried over.
    const retire = () => server.call('PATCH', `${books.path}/accounts/${travel.id}`, { version: travel.version, active: false });
    const outcomes = await Promise.all([post(), retire(), post(), post()]);
    const posted = [outcomes[0], outcomes[2], outcomes[3]].filter((outcome) => outcome?.status === 201).length;
    const view = await server.ok<TrialBalanceViewBody>('GET', `${books.path}/trial-balance?from=2026-01-01&to=2026-12-31`);
    expect(view.accounts.find(({ number }) => number === '6300')?.closing).toBe(String(10_000 + 7 * posted));
    expect([200, 409]).toContain(outcomes[1]?.status);
  });
});

describe('a role', () => {
  it('is given to another account of its element and leaves its holder with that, both told in history; retained earnings are never just taken away', async () => {
    const books = await company();
    expect(await books.changeRefused('3100', { role: null })).toMatchObject({ code: 'account_role_refused', facts: { reason: 'needed' } });
    expect(await books.changeRefused('1000', { role: 'retained_earnings' })).toMatchObject({ code: 'account_role_refused', facts: { reason: 'element' } });
    const { id: former } = await books.find('3100');
    await books.change('3200', { role: 'retained_earnings' });
    expect([(await books.find('3100')).role, (await books.find('3200')).role]).toEqual([null, 'retained_earnings']);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${former}`);
    expect(events[0]).toMatchObject({ action: 'changed', before: { role: 'retained_earnings' }, after: { role: null } });
  });

  it('cash has several holders, and keeps none from losing it; suspense has one', async () => {
    const books = await company();
    await books.add({ number: '1010', element: 'asset' });
    for (const number of ['1000', '1010']) await books.change(number, { role: 'cash' });
    expect([(await books.find('1000')).role, (await books.find('1010')).role]).toEqual(['cash', 'cash']);
    // Retired, it was cash all the same; a role of one holder keeps it.
    expect(await books.change('1010', { active: false })).toMatchObject({ active: false, role: 'cash' });
    await books.change('1010', { active: true });
    await books.change('1010', { role: 'suspense' });
    expect(await books.changeRefused('1010', { active: false })).toMatchObject({ code: 'account_not_retirable', facts: { role: 'suspense' } });
    await books.change('1000', { role: 'suspense' });
    expect([(await books.find('1000')).role, (await books.find('1010')).role]).toEqual(['suspense', null]);
    await books.change('1000', { role: null });
    await books.change('1010', { active: false });
    expect(await books.changeRefused('1010', { role: 'cash' })).toMatchObject({ facts: { reason: 'inactive' } });
  });
});

describe('an account deleted', () => {
  it('is gone with its place, while nothing holds it; else the answer says what does', async () => {
    const books = await company();
    const parent = await books.add({ number: '7000' });
    await books.add({ number: '7100', parentId: parent.id });
    const remove = async (number: string) => server.refused('DELETE', `${books.path}/accounts/${(await books.find(number)).id}`);
    expect(await remove('6200')).toMatchObject({ status: 409, code: 'account_held', facts: { lines: 1, subAccounts: 0 } });
    expect(await remove('7000')).toMatchObject({ facts: { lines: 0, subAccounts: 1 } });
    expect(await remove('3100')).toMatchObject({ facts: { role: 'retained_earnings' } });
    await server.ok('DELETE', `${books.path}/accounts/${(await books.find('7100')).id}`);
    expect(await books.numbers()).not.toContain('. 7100');
  });
});

describe('notes about an account', () => {
  it('bear day and writer, are never changed, are found in the chart, told in history, and go with the account', async () => {
    const books = await company();
    const { id } = await books.add({ number: '6900', name: 'Sundries' });
    const path = `${books.path}/accounts/${id}/notes`;
    await server.ok('POST', path, { content: ' Cleared by Pia every quarter ' });
    const { notes } = await server.ok<NoteList>('POST', path, { content: 'Ask Pia' });
    expect(notes.map(({ content, writtenBy }) => [content, writtenBy])).toEqual([
      ['Ask Pia', testAdministrator.name],
      ['Cleared by Pia every quarter', testAdministrator.name],
    ]);
    expect(notes[0]?.writtenAt).toMatch(/^\d{4}-\d\d-\d\d /);
    expect((await books.find('6900')).notes).toEqual(['Ask Pia', 'Cleared by Pia every quarter']);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${id}`);
    expect(events[0]).toMatchObject({ action: 'noted', after: { note: 'Ask Pia' } });
    expect(await server.refused('POST', path, { content: '  ' })).toMatchObject({ status: 400 });
    expect(await server.refused('POST', `${books.path}/accounts/999999/notes`, { content: 'x' })).toMatchObject({ status: 404 });
    await server.ok('DELETE', `${books.path}/accounts/${id}`);
    expect((await server.ok<NoteList>('GET', path)).notes).toEqual([]);
  });
});
