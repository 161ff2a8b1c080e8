import { randomBytes } from 'node:crypto';
import { performance } from 'node:perf_hooks';
import mysql from 'mysql2/promise';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { seeded } from '../tests/support/seeded.ts';
import { KeptConnections } from './keptConnections.ts';
import type { LargeLedger } from './largeLedger.ts';
import { median, ofRounds, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const clients = 8;
const busy = 40;
const linesOfEntry = 10;
const rounds = 5;
const secondsOfRound = 3;
const slowest = 100;

type Line = readonly [accountId: number, cents: number];

/** Ten lines on some of 40 busy accounts, which balance. */
function lines(random: (below: number) => number, accountIds: readonly number[]): Line[] {
  let sum = 0;
  return Array.from({ length: linesOfEntry }, (_, line) => {
    const cents = line === linesOfEntry - 1 ? -sum : 1 + random(100_000);
    sum += cents;
    return [accountIds[1010 + random(busy)] as number, cents] as const;
  });
}

/** Entries a second of 8 clients over HTTP, against a bare client that writes the same rows of every table in one transaction each, sorted by key. */
export async function measurePosting(client: ApiClient, databaseUrl: string, { company, accountIds }: LargeLedger): Promise<Result[]> {
  const pool = mysql.createPool({ uri: databaseUrl, connectionLimit: clients, supportBigNumbers: true, bigNumberStrings: true });
  const random = seeded(23);
  let times: number[] = [];
  const kept = new KeptConnections(client);
  const overHttp = async () => {
    const began = performance.now();
    await kept.call(
      'POST',
      `/companies/${company.id}/entries`,
      {
        date: '2026-11-15',
        description: 'Posted by the benchmark',
        lines: lines(random, accountIds).map(([accountId, cents]) =>
          cents > 0 ? { accountId, debit: String(cents), facets: {} } : { accountId, credit: String(-cents), facets: {} },
        ),
      },
      { 'Idempotency-Key': randomBytes(12).toString('hex') },
    );
    times.push(performance.now() - began);
  };
  let entryId = 2_000_000_000;
  const bare = () => writeBare(pool, company.id, entryId++, lines(random, accountIds));
  const measured = await undisturbed('posting', rounds, async () => {
    times = [];
    const product = await rateOf(overHttp);
    const answered = times;
    return { product, answered, yardstick: await rateOf(bare) };
  });
  const rates = { product: measured.map(({ product }) => product), yardstick: measured.map(({ yardstick }) => yardstick) };
  await pool.query('DELETE FROM journal_line WHERE company_id = ? AND entry_id >= 2000000000', [company.id]);
  await pool.query('DELETE FROM journal_entry WHERE company_id = ? AND id >= 2000000000', [company.id]);
  await pool.query('DELETE FROM entry_search WHERE company_id = ? AND entry_id >= 2000000000', [company.id]);
  await pool.query('DELETE FROM audit_event WHERE company_id = ? AND id >= 2000000000', [company.id]);
  await pool.end();
  kept.close();
  const ratio = median(rates.product.map((rate, at) => rate / (rates.yardstick[at] ?? 1)));
  const p99 = measured.map(({ answered }) => [...answered].sort((a, b) => a - b)[Math.floor(answered.length * 0.99)] ?? 0);
  return [
    {
      name: `entries of ${linesOfEntry} lines posted through HTTP by ${clients} clients on ${busy} busy accounts; against the same rows by a bare client`,
      product: median(rates.product),
      productMin: Math.min(...rates.product),
      productMax: Math.max(...rates.product),
      yardstick: median(rates.yardstick),
      yardstickMin: Math.min(...rates.yardstick),
      yardstickMax: Math.max(...rates.yardstick),
      unit: 'entries a second',
      ratio,
      bar: 'at least a quarter',
      holds: ratio >= 1 / 4,
    },
    ofRounds(`the slowest of a hundred of these answers (p99 of each round, ${median(measured.map(({ answered }) => answered.length))} answers)`, p99, {
      unit: 'ms',
      bar: `under ${slowest} ms`,
      holds: Math.min(...p99) < slowest,
    }),
  ];
}

async function rateOf(work: () => Promise<void>): Promise<number> {
  const end = performance.now() + secondsOfRound * 1000;
  let done = 0;
  const began = performance.now();
  await Promise.all(
    Array.from({ length: clients }, async () => {
      while (performance.now() < end) {
        await work();
        done++;
      }
    }),
  );
  return done / ((performance.now() - began) / 1000);
}

/** What a posting writes, and the locks it takes, in its order. */
async function writeBare(pool: mysql.Pool, companyId: number, entryId: number, entryLines: readonly Line[]): Promise<void> {
  for (;;) {
    const connection = await pool.getConnection();
    try {
      await connection.beginTransaction();
      const key = randomBytes(12).toString('hex');
      await connection.query('INSERT INTO idempotency (company_id, request_key, request_hash, outcome, created_at) VALUES (?, ?, ?, NULL, NOW())', [
        companyId,
        key,
        randomBytes(32),
      ]);
      await connection.query('SELECT locked_at FROM fiscal_period WHERE company_id = ? AND year = 2026 AND number = 11 LOCK IN SHARE MODE', [companyId]);
      const ids = [...new Set(entryLines.map(([id]) => id))].sort((a, b) => a - b);
      await connection.query('SELECT id FROM account WHERE company_id = ? AND id IN (?) ORDER BY id LOCK IN SHARE MODE', [companyId, ids]);
      await connection.query(
        "INSERT INTO journal_entry (company_id, id, entry_date, year, period, document_number, description, layer, source, revision, posted_at, posted_by) VALUES (?, ?, '2026-11-15', 2026, 11, '', 'Posted by the benchmark', 'ledger', 'manual', 0, NOW(), 'bench')",
        [companyId, entryId],
      );
      await connection.query(
        'INSERT INTO journal_line (company_id, entry_id, line_number, account_id, entry_date, layer, closing, debit, credit, text, facet_set_id) VALUES ?',
        [
          entryLines.map(([accountId, cents], at) => [
            companyId,
            entryId,
            at + 1,
            accountId,
            '2026-11-15',
            'ledger',
            0,
            Math.max(cents, 0),
            Math.max(-cents, 0),
            '',
            0,
          ]),
        ],
      );
      await connection.query(
        "INSERT INTO audit_event (company_id, id, thing, thing_id, action, state_before, state_after, happened_at, actor) VALUES (?, ?, 'entry', ?, 'posted', NULL, '{}', NOW(), 'bench')",
        [companyId, entryId, entryId],
      );
      await connection.query(
        "INSERT INTO entry_search (company_id, entry_date, entry_id, layer, source, series_id, posted_by, texts, marks) VALUES (?, '2026-11-15', ?, 'ledger', 'manual', 0, 'bench', 'posted by the benchmark', '')",
        [companyId, entryId],
      );
      const sums = new Map<number, number>();
      for (const [accountId, cents] of entryLines) sums.set(accountId, (sums.get(accountId) ?? 0) + cents);
      await connection.query(
        'INSERT INTO balance (company_id, scenario, layer, origin, account_id, year, period, debit, credit) VALUES ? ON DUPLICATE KEY UPDATE debit = debit + VALUES(debit), credit = credit + VALUES(credit)',
        [ids.map((id) => [companyId, 0, 'ledger', 'ordinary', id, 2026, 11, Math.max(sums.get(id) ?? 0, 0), Math.max(-(sums.get(id) ?? 0), 0)])],
      );
      await connection.query('SELECT revision, next_document FROM company WHERE id = ? FOR UPDATE', [companyId]);
      await connection.query('UPDATE company SET revision = revision + 1, next_document = next_document + 1 WHERE id = ?', [companyId]);
      await connection.query("UPDATE journal_entry SET revision = 1, document_number = '1' WHERE company_id = ? AND id = ?", [companyId, entryId]);
      await connection.query("UPDATE idempotency SET outcome = '{}' WHERE company_id = ? AND request_key = ?", [companyId, key]);
      await connection.commit();
      return;
    } catch (error) {
      await connection.rollback();
      if (![1213, 1205, 1020].includes((error as { errno?: number }).errno ?? 0)) throw error;
    } finally {
      connection.release();
    }
  }
}
