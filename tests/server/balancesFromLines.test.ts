import { execFile } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import type { CodeListBody, ProofList } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

async function byHand(sql: string, parameters: unknown[]): Promise<void> {
  const connection = await mysql.createConnection(server.databaseUrl);
  await connection.query(sql, parameters);
  await connection.end();
}

/** The command as it is shipped, on the database of the test. */
async function ledgerCommand(task: string): Promise<{ code: number; said: string }> {
  const run = promisify(execFile)(process.execPath, [join(root, 'packages', 'server', 'dist', 'ledger.js'), task], {
    env: { ...process.env, IVORY_LADDER_DATABASE_URL: server.databaseUrl },
  });
  return run.then(
    ({ stdout }) => ({ code: 0, said: stdout }),
    (error: { code: number; stdout: string }) => ({ code: error.code, said: error.stdout }),
  );
}

/** Seen by a server that has just started: one that runs trusts what it found for half a minute. */
async function proofSeenAnew(path: string) {
  const second = await TestServer.start({ databaseUrl: server.databaseUrl });
  try {
    second.cookie = server.cookie;
    const { proofs } = await second.ok<ProofList>('GET', `${path}/proofs?from=2026-01-01&to=2026-09-30`);
    return proofs.find(({ name }) => name === 'balances_from_lines');
  } finally {
    await second.serving.stop();
  }
}

describe('the proof that balances are what the lines add up to', () => {
  it('holds, fails once a row of either table or a line is changed by hand, and holds again when they are made anew', async () => {
    const shop = await openShop(server);
    const { key } = await server.ok<CodeListBody>('POST', `${shop.path}/code-lists`, { kind: 'facet', name: 'Vessel', codes: [{ code: 'TERN', caption: '' }] });
    const insurance = (await shop.find('6200')).id;
    const bank = (await shop.find('1000')).id;
    await server.ok('POST', `${shop.path}/entries`, {
      date: '2026-08-14',
      lines: [
        { accountId: insurance, debit: '70', facets: { [key]: 'TERN' } },
        { accountId: bank, credit: '70' },
      ],
    });
    expect(await proofSeenAnew(shop.path)).toMatchObject({ state: 'holds', difference: '0', accounts: [] });
    expect(await ledgerCommand('verify')).toEqual({ code: 0, said: 'Test company: balances are what the lines add up to\n' });

    const tampering: [string, unknown[], { number: string; net: string }][] = [
      ['UPDATE balance SET debit = debit + 5 WHERE company_id = ? AND account_id = ? AND period = 8', [shop.id, insurance], { number: '6200', net: '-5' }],
      ['UPDATE facet_balance SET debit = debit - 3 WHERE company_id = ? AND account_id = ?', [shop.id, insurance], { number: '6200', net: '3' }],
      ['DELETE FROM balance WHERE company_id = ? AND account_id = ? AND period = 8', [shop.id, bank], { number: '1000', net: '-70' }],
      ['UPDATE journal_line SET credit = credit + 1 WHERE company_id = ? AND account_id = ? AND credit = 70', [shop.id, bank], { number: '1000', net: '-1' }],
    ];
    for (const [sql, parameters, fault] of tampering) {
      await byHand(sql, parameters);
      expect(await proofSeenAnew(shop.path)).toMatchObject({ state: 'fails', accounts: [{ ...fault, reason: 'not_from_lines' }] });
      expect(await ledgerCommand('verify')).toMatchObject({ code: 1, said: expect.stringContaining('1 balances differ from the lines') });
      expect(await ledgerCommand('rebuild')).toMatchObject({ code: 0, said: expect.stringContaining('made anew from the lines') });
      expect(await proofSeenAnew(shop.path)).toMatchObject({ state: 'holds' });
    }
    // A line that was changed by hand is the truth then, and no balance of its entry: the trial balance says so.
    const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.find(({ name }) => name === 'trial_balance')).toMatchObject({ state: 'fails', difference: '-1' });
  });

  it('goes for what entries are sought by too', async () => {
    const shop = await openShop(server);
    await byHand("UPDATE entry_search SET texts = 'something else' WHERE company_id = ? ORDER BY entry_id LIMIT 1", [shop.id]);
    expect(await ledgerCommand('verify')).toMatchObject({ code: 1, said: expect.stringContaining('1 entries are not sought by what they say') });
    expect(await ledgerCommand('rebuild')).toMatchObject({ code: 0 });
    expect((await ledgerCommand('verify')).code).toBe(0);
  });

  it('counts a closing entry in the last period of the year that it closes', async () => {
    const shop = await openShop(server);
    expect(await proofSeenAnew(shop.path)).toMatchObject({ state: 'holds' });
    await byHand("UPDATE journal_entry SET closes_year = 2026 WHERE company_id = ? AND entry_date = '2026-09-30'", [shop.id]);
    const proof = await proofSeenAnew(shop.path);
    expect(proof?.state).toBe('fails');
    await ledgerCommand('rebuild');
    expect(await proofSeenAnew(shop.path)).toMatchObject({ state: 'holds' });
  });
});
