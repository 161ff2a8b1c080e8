import type { EntryBody, EntryList, PostedEntryBody, SeriesList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const path = `${shop.path}/series`;
  const [insurance, bank] = [(await shop.find('6200')).id, (await shop.find('1000')).id];
  const draft = (series: number, more: object = {}) => ({
    date: '2026-09-15',
    description: 'Premium',
    series,
    lines: [
      { accountId: insurance, debit: '700' },
      { accountId: bank, credit: '700' },
    ],
    ...more,
  });
  const post = (series: number, headers: Record<string, string> = {}) => server.ok<PostedEntryBody>('POST', `${shop.path}/entries`, draft(series), headers);
  const add = async (code: string, nextNumber = 1) => {
    const { series } = await server.ok<SeriesList>('POST', path, { code, name: `Series ${code}`, nextNumber });
    return series.find((one) => one.code === code) ?? { id: 0, version: 0 };
  };
  return { ...shop, seriesPath: path, draft, post, add };
}

describe('a document series', () => {
  it('numbers its documents from its first number on without gaps, beside the plain ones, whatever is refused in between', async () => {
    const books = await open();
    const adjustments = await books.add('ADJ', 40);
    const plain = Number((await books.post(0)).documentNumber);
    expect((await books.post(adjustments.id)).documentNumber).toBe('ADJ-40');
    expect(await server.refused('POST', `${books.path}/entries`, books.draft(adjustments.id, { date: '2031-01-01' }))).toMatchObject({
      code: 'day_outside_calendar',
    });
    expect((await books.post(adjustments.id)).documentNumber).toBe('ADJ-41');
    expect((await books.post(0)).documentNumber).toBe(String(plain + 1));
    const posted = await Promise.all(Array.from({ length: 24 }, (_, at) => books.post(at % 3 === 0 ? 0 : adjustments.id)));
    const numbers = posted.map(({ documentNumber }) => documentNumber);
    const inSeries = numbers.filter((number) => number.startsWith('ADJ-')).map((number) => Number(number.slice(4)));
    expect(inSeries.sort((a, b) => a - b)).toEqual(Array.from({ length: 16 }, (_, at) => 42 + at));
    const others = numbers.filter((number) => !number.startsWith('ADJ-')).map(Number);
    expect(others.sort((a, b) => a - b)).toEqual(Array.from({ length: 8 }, (_, at) => plain + 2 + at));
    const { series, nextPlain } = await server.ok<SeriesList>('GET', books.seriesPath);
    expect(series).toMatchObject([{ code: 'ADJ', nextNumber: 58, documents: 18 }]);
    expect(nextPlain).toBe(plain + 10);
  });

  it('is what a reversal of its document is numbered in, what a repeated request is answered with, and what entries are sought by', async () => {
    const books = await open();
    const { id } = await books.add('BANK');
    const first = await books.post(id, { 'Idempotency-Key': 'premium of September' });
    expect(await books.post(id, { 'Idempotency-Key': 'premium of September' })).toEqual(first);
    const reversal = await server.ok<PostedEntryBody>('POST', `${books.path}/entries/${first.entryId}/reversal`, { date: '2026-09-16' });
    expect(reversal.documentNumber).toBe('BANK-2');
    expect(await server.ok<EntryBody>('GET', `${books.path}/entries/${reversal.entryId}`)).toMatchObject({ series: id, documentNumber: 'BANK-2' });
    const { entries } = await server.ok<EntryList>('GET', `${books.path}/entries?series=${id}`);
    expect(entries.map(({ documentNumber }) => documentNumber)).toEqual(['BANK-2', 'BANK-1']);
    const plain = await server.ok<EntryList>('GET', `${books.path}/entries?series=0`);
    expect(plain.entries.some(({ documentNumber }) => documentNumber.startsWith('BANK'))).toBe(false);
    const byNumber = await server.ok<EntryList>('GET', `${books.path}/entries?text=BANK-1`);
    // The reversal names it in its text.
    expect(byNumber.entries.map(({ documentNumber }) => documentNumber)).toEqual(['BANK-2', 'BANK-1']);
  });

  it('takes no new documents once it is ended, keeps those it has, and goes only while it has none', async () => {
    const books = await open();
    const { id, version } = await books.add('CASH');
    await books.post(id);
    expect(await server.refused('DELETE', `${books.seriesPath}/${id}`)).toMatchObject({ code: 'series_held', facts: { documents: 1 } });
    expect(await server.refused('POST', books.seriesPath, { code: 'CASH', name: 'Again' })).toMatchObject({ code: 'series_code_taken' });
    const ended = await server.ok<SeriesList>('PATCH', `${books.seriesPath}/${id}`, { version, active: false });
    expect(ended.series).toMatchObject([{ active: false, documents: 1 }]);
    expect(await server.refused('POST', `${books.path}/entries`, books.draft(id))).toMatchObject({ code: 'series_ended' });
    expect(await server.refused('PATCH', `${books.seriesPath}/${id}`, { version, name: 'Late' })).toMatchObject({ code: 'version_conflict' });
    const unused = await books.add('NONE');
    await server.ok('DELETE', `${books.seriesPath}/${unused.id}`);
    expect((await server.ok<SeriesList>('GET', books.seriesPath)).series.map(({ code }) => code)).toEqual(['CASH']);
  });
});
