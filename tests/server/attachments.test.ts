import { randomBytes } from 'node:crypto';
import { request } from 'node:http';
import type { AttachmentList, History } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient, testAdministrator } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const { id } = await shop.add({ number: '0600', name: 'Quay lease' });
  const path = `${shop.path}/accounts/${id}/attachments`;
  const attach = (name: string, content: Uint8Array) =>
    server.call<AttachmentList & { code: string }>('POST', `${path}?name=${encodeURIComponent(name)}`, content);
  const list = async () => (await server.ok<AttachmentList>('GET', path)).attachments;
  return { ...shop, accountId: id, attach, list, file: (attachmentId: number | undefined) => `${shop.path}/attachments/${attachmentId}`, listPath: path };
}

const parts = async () =>
  (await server.serving.database.query('SELECT (SELECT COUNT(*) FROM attachment) AS files, (SELECT COUNT(*) FROM attachment_part) AS parts')) as [
    { files: string; parts: string },
  ];

describe('files attached to an account', () => {
  it('come back byte for byte, as downloads of plain bytes that no browser guesses about', async () => {
    const books = await open();
    // Two whole parts of 1 MB and a rest.
    const content = new Uint8Array(Buffer.concat([Buffer.from('%PDF-1.7\n'), randomBytes(2 * (1 << 20) + 8)]));
    const added = await books.attach('Lease – quay "1".pdf', content);
    expect([added.status, added.body.attachments.map(({ name, bytes, addedBy }) => [name, bytes, addedBy])]).toEqual([
      201,
      [['Lease – quay "1".pdf', content.length, testAdministrator.name]],
    ]);
    const [attachment] = await books.list();
    const answer = await fetch(`${server.url}/api${books.file(attachment?.id)}`, { headers: { Cookie: server.cookie } });
    expect(Buffer.from(await answer.arrayBuffer()).equals(Buffer.from(content))).toBe(true);
    expect(['content-type', 'content-length', 'x-content-type-options'].map((name) => answer.headers.get(name))).toEqual([
      'application/octet-stream',
      String(content.length),
      'nosniff',
    ]);
    expect(answer.headers.get('content-disposition')).toBe(`attachment; filename*=UTF-8''${encodeURIComponent('Lease – quay "1".pdf')}`);
    await server.ok('DELETE', books.file(attachment?.id));
    expect([await books.list(), (await server.refused('GET', books.file(attachment?.id))).status]).toEqual([[], 404]);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${books.accountId}`);
    expect(events.slice(0, 2).map(({ after }) => after)).toEqual([{ detached: 'Lease – quay "1".pdf' }, { attached: 'Lease – quay "1".pdf' }]);
  });

  it.each(['page.html', 'drawing.svg', 'run.exe', 'no ending', 'lease.pdf.js'])('of another kind are refused: %s', async (name) => {
    const books = await open();
    expect(await books.attach(name, new Uint8Array([1]))).toMatchObject({ status: 422, body: { code: 'attachment_kind_refused' } });
    expect(await books.list()).toEqual([]);
  });

  it('beyond 25 MB, or empty, leave nothing behind', async () => {
    const books = await open();
    const before = await parts();
    expect(await books.attach('large.txt', new Uint8Array(25 * (1 << 20) + 1).fill(65))).toMatchObject({ status: 413, body: { code: 'attachment_too_large' } });
    expect(await books.attach('empty.txt', new Uint8Array())).toMatchObject({ status: 422, body: { code: 'attachment_incomplete' } });
    expect([await books.list(), await parts()]).toEqual([[], before]);
    expect((await books.attach('just.txt', new Uint8Array(25 * (1 << 20)).fill(65))).status).toBe(201);
  });

  it('cut off on their way are not there, and leave nothing behind', async () => {
    const books = await open();
    const before = await parts();
    const url = new URL(`${server.url}/api${books.listPath}?name=cut.txt`);
    const headers = {
      Origin: server.url,
      'X-Ivory-Ladder': '1',
      Cookie: server.cookie,
      'Content-Type': 'application/octet-stream',
      'Content-Length': String(9 << 20),
    };
    const sending = request(url, { method: 'POST', headers });
    sending.on('error', () => undefined);
    sending.write(Buffer.alloc(3 << 20, 'a'));
    await expect.poll(async () => Number((await parts())[0].parts) - Number(before[0].parts)).toBeGreaterThan(1);
    expect(await books.list()).toEqual([]);
    sending.destroy();
    await expect.poll(parts).toEqual(before);
  });

  it('are nobody’s of another company, whatever id is asked for', async () => {
    const books = await open();
    await books.attach('ours.txt', new Uint8Array([65]));
    const [ours] = await books.list();
    const theirs = await open();
    expect(await server.refused('GET', `${theirs.path}/attachments/${ours?.id}`)).toMatchObject({ status: 404, code: 'not_found' });
    expect(await server.refused('DELETE', `${theirs.path}/attachments/${ours?.id}`)).toMatchObject({ status: 404 });
    expect((await server.ok<AttachmentList>('GET', `${theirs.path}/accounts/${books.accountId}/attachments`)).attachments).toEqual([]);
    expect(await new ApiClient(server.url).refused('GET', books.file(ours?.id))).toMatchObject({ status: 401 });
    expect((await books.list()).map(({ name }) => name)).toEqual(['ours.txt']);
  });
});

describe('files attached to an entry', () => {
  it('come back with it and stand in its history; an entry that is not there takes none', async () => {
    const shop = await openShop(server);
    const { entryId } = await server.ok<{ entryId: number }>('POST', `${shop.path}/entries`, {
      date: '2026-09-30',
      lines: [
        { accountId: (await shop.find('6200')).id, debit: '100' },
        { accountId: (await shop.find('1000')).id, credit: '100' },
      ],
    });
    const path = `${shop.path}/entries/${entryId}/attachments`;
    const { attachments } = await server.ok<AttachmentList>('POST', `${path}?name=invoice.pdf`, new TextEncoder().encode('%PDF-1.7 an invoice'));
    expect(attachments.map(({ name, bytes }) => [name, bytes])).toEqual([['invoice.pdf', 19]]);
    expect(new TextDecoder().decode(await server.bytes(`${shop.path}/attachments/${attachments[0]?.id}`))).toBe('%PDF-1.7 an invoice');
    const { events } = await server.ok<History>('GET', `${shop.path}/history?thing=entry&thingId=${entryId}`);
    expect(events.map(({ label, action, after }) => [label, action, after])[0]).toEqual([
      'Entry of 2026-09-30',
      'changed',
      { attached: 'invoice.pdf', date: '2026-09-30' },
    ]);
    expect(await server.refused('POST', `${shop.path}/entries/999999/attachments?name=invoice.pdf`, new TextEncoder().encode('%PDF-1.7'))).toMatchObject({
      status: 404,
    });
    const csv = new TextDecoder().decode(await server.bytes(`${shop.path}/entry-list/csv?from=2026-09-01&to=2026-09-30&source=manual`));
    expect(csv.split('\r\n').slice(0, 2)).toEqual([
      'Date,Document,Text,Layer,Source,Lines,Amount,Posted by,Reversed',
      `2026-09-30,2,,ledger,manual,2,1.00,${testAdministrator.name},`,
    ]);
  });
});
