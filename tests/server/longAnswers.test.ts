import type { JournalImport, JournalLook, TrialBalanceCheckBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { createCompany, handIn, rehearse } from '../support/trialBalance.ts';

let server: TestServer;
let id: number;
beforeAll(async () => {
  server = await TestServer.start();
  ({ id } = await createCompany(server));
});
afterAll(() => server.stop());

const refusedFile = async (content: string) => {
  const fileId = await handIn(server, id, content);
  return server.refused('POST', `/companies/${id}/trial-balance-files/${fileId}/rehearsal`, { date: '2026-09-30' });
};
const imported = async (content: string) => {
  const head = new TextEncoder().encode('Date,Document,Account,Debit,Credit\n2026-09-30,1,1000,1,\n2026-09-30,1,2000,,1\n');
  const { separator, encoding, reading } = await server.ok<JournalLook>('POST', `/companies/${id}/journal-looks`, head);
  const bytes = new TextEncoder().encode(content);
  const begun = await server.ok<{ id: number }>('POST', `/companies/${id}/journal-imports`, {
    name: 'load.csv',
    bytes: bytes.length,
    separator,
    encoding,
    reading,
  });
  return server.ok<JournalImport>('POST', `/companies/${id}/journal-imports/${begun.id}/content`, bytes);
};

describe('a file that is made to take long', () => {
  it('of XML that nests without end is refused at its hundredth level', async () => {
    const deep = `<?xml version="1.0"?><AuditFile>${'<a>'.repeat(30_000)}${'</a>'.repeat(30_000)}</AuditFile>`;
    expect(await refusedFile(deep)).toMatchObject({ code: 'file_unreadable', facts: { reason: 'malformed' } });
    expect((await imported(deep)).summary?.faults.map(({ code }) => code)).toEqual(['file_malformed']);
  });

  it('of a header with more texts than any has is refused', async () => {
    const many = `<?xml version="1.0"?><AuditFile><Header>${Array.from({ length: 3000 }, (_, at) => `<a${at}>x</a${at}>`).join('')}</Header></AuditFile>`;
    expect(await refusedFile(many)).toMatchObject({ code: 'file_unreadable' });
  });

  it('of lines without anything is refused by their count, or read past them', async () => {
    expect(await refusedFile(`Number,Name,Balance${'\n'.repeat(1_100_000)}1000,Bank,0`)).toMatchObject({
      code: 'file_limit_exceeded',
      facts: { limit: 'rows' },
    });
    expect(await refusedFile(`Number,Name,Balance\n${'\n'.repeat(200_000)}1000,Bank,0`)).toMatchObject({
      code: 'file_limit_exceeded',
      facts: { limit: 'rows' },
    });
    const { summary } = await imported(`Date,Document,Account,Debit,Credit\n${'\n'.repeat(500_000)}2026-09-30,1,9999,1,`);
    // What is wrong is said of the row where it stands: a year and an account that are not there, and a document of one line.
    expect(summary?.faults.map(({ row, code }) => [row, code])).toEqual([
      [500_002, 'day_outside_calendar'],
      [500_002, 'account_unknown'],
      [500_002, 'entry_of_one_line'],
    ]);
  });

  it('of empty lines between others keeps the numbers of its rows; those at its end are nothing', async () => {
    const fileId = await handIn(server, id, `Number,Name,Element,Balance\n\n\n1000,Bank,asset,100\n\n3000,Capital,equity,x${'\n'.repeat(50_000)}`);
    const { problems, rows } = await rehearse(server, id, fileId, { date: '2026-09-30' });
    expect(problems.map(({ row }) => row)).toContain(6);
    expect(rows.find(({ number }) => number === '1000')?.row).toBe(4);
  });
});

describe('an answer that takes long', () => {
  it('keeps nobody else waiting, and ends when who asked goes away; the next is answered all the same', async () => {
    const accounts = Array.from(
      { length: 20_000 },
      (_, at) => `${100_000 + at},Harbour ${at},${at % 2 === 0 ? 'asset' : 'liability'},${at % 2 === 0 ? 5 : -5}`,
    );
    const fileId = await handIn(server, id, ['Number,Name,Element,Balance', ...accounts].join('\n'));
    const path = `/companies/${id}/trial-balance-files/${fileId}/rehearsal`;
    const gone = new AbortController();
    const asked = fetch(`${server.url}/api${path}`, {
      method: 'POST',
      signal: gone.signal,
      headers: { Origin: server.url, 'X-Ivory-Ladder': '1', Cookie: server.cookie, 'Content-Type': 'application/json' },
      body: JSON.stringify({ date: '2026-09-30' }),
    }).catch((error: Error) => error.name);
    let answered = 0;
    for (let look = 0; look < 10; look++) if ((await server.call('GET', '/health')).status === 200) answered++;
    expect(answered).toBe(10);
    gone.abort();
    expect(await asked).toBe('AbortError');
    expect((await server.ok<TrialBalanceCheckBody>('POST', path, { date: '2026-09-30' })).rows).toHaveLength(20_000);
  });

  it('is asked for by one person so often at once and no more; the rest hears when to come again', async () => {
    const answers = await Promise.all(Array.from({ length: 20 }, () => server.call<{ code?: string }>('GET', `/companies/${id}/chart/file?kind=xlsx`)));
    const statuses = answers.map(({ status }) => status);
    expect(new Set(statuses)).toEqual(new Set([200, 429]));
    const refused = answers.find(({ status }) => status === 429);
    expect(Number(refused?.headers.get('retry-after'))).toBeGreaterThan(0);
  });
});
