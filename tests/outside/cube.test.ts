import { DuckDBInstance } from '@duckdb/node-api';
import {
  addDays,
  type BalanceRow,
  balanceAt,
  buildCube,
  groupFacetBalances,
  type Layer,
  layers,
  makeCalendar,
  makeMonthlyYear,
  movementOver,
  narrowCube,
  periodIndexOf,
  shiftMonths,
} from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seeded } from '../support/seeded.ts';

const calendar = makeCalendar([2024, 2025, 2026].flatMap((year) => makeMonthlyYear(year, 1).periods));
/** Accounts 1 to 6 are of the balance sheet, 3 has retained earnings; 7 to 12 begin each year at zero. */
const accountIds = Array.from({ length: 12 }, (_, at) => at + 1);
const traits = { resets: Uint8Array.from(accountIds, (id) => (id > 6 ? 1 : 0)), retainedEarnings: 2 };
const sets = [0, 1, 2, 3, 4];

const random = seeded(20_261_126);
const lines = Array.from({ length: 6000 }, () => {
  const cents = BigInt(1 + random(1_000_000));
  const isDebit = random(2) === 0;
  return {
    account: 1 + random(12),
    day: addDays('2024-01-01', random(1096)),
    layer: layers[random(10) === 0 ? 1 : 0] as Layer,
    set: sets[random(sets.length)] as number,
    debit: isDebit ? cents : 0n,
    credit: isDebit ? 0n : cents,
  };
});
const rows = lines.map(({ account, day, layer, set, debit, credit }): BalanceRow & { facetSetId: number } => ({
  accountId: account,
  layer,
  origin: 'ordinary',
  periodIndex: periodIndexOf(calendar, day),
  facetSetId: set,
  debit,
  credit,
}));
const whole = buildCube(1, calendar, accountIds, rows);
const facetBalances = groupFacetBalances(
  whole,
  rows.filter(({ facetSetId }) => facetSetId !== 0),
);

const instance = await DuckDBInstance.create(':memory:');
const duck = await instance.connect();
beforeAll(async () => {
  await duck.run('CREATE TABLE line (account INTEGER, day DATE, layer VARCHAR, facet_set INTEGER, debit BIGINT, credit BIGINT)');
  const values = lines.map(({ account, day, layer, set, debit, credit }) => `(${account}, '${day}', '${layer}', ${set}, ${debit}, ${credit})`);
  await duck.run(`INSERT INTO line VALUES ${values.join(', ')}`);
});
afterAll(() => duck.closeSync());

async function inDuck(sql: string): Promise<Record<string, unknown>[]> {
  return (await duck.runAndReadAll(sql)).getRowObjects() as Record<string, unknown>[];
}

describe('balances in memory against DuckDB over the lines (a general-purpose database)', () => {
  it('movements of random spans of months, by layer and facet, each account and the total of all (ROLLUP)', async () => {
    for (let round = 0; round < 40; round++) {
      const [a, b] = [random(36), random(36)];
      const span = { firstDay: shiftMonths('2024-01-01', Math.min(a, b)), lastDay: addDays(shiftMonths('2024-01-01', Math.max(a, b) + 1), -1) };
      const chosen = ([['ledger'], ['adjustment'], ['ledger', 'adjustment']] as const)[random(3)] as readonly Layer[];
      const ids = new Set(sets.slice(1).filter(() => random(2) === 0));
      const withoutAny = random(2) === 0;
      const cube = narrowCube(whole, facetBalances, { ids, withoutAny });
      const ours = movementOver(cube, chosen, span);
      const wanted = [...ids, ...(withoutAny ? [0] : [])];
      const theirs = await inDuck(
        `SELECT account, SUM(debit - credit)::VARCHAR AS net FROM line
          WHERE day BETWEEN '${span.firstDay}' AND '${span.lastDay}' AND layer IN (${chosen.map((layer) => `'${layer}'`).join(', ')}) AND facet_set IN (${[-1, ...wanted].join(', ')})
          GROUP BY ROLLUP (account)`,
      );
      const byAccount = new Map(theirs.map(({ account, net }) => [account, BigInt(String(net ?? 0))]));
      for (const [at, id] of accountIds.entries()) expect(ours[at]).toBe(byAccount.get(id) ?? 0n);
      expect(ours.reduce((sum, net) => sum + net, 0n)).toBe(byAccount.get(null) ?? 0n);
    }
  });

  it('balances at random month ends: balance sheet accounts run on, others hold their year, the rest is carried to retained earnings', async () => {
    for (let round = 0; round < 24; round++) {
      const month = random(36);
      const day = addDays(shiftMonths('2024-01-01', month + 1), -1);
      const yearBegins = `${day.slice(0, 4)}-01-01`;
      const { net } = balanceAt(whole, traits, layers, day);
      const theirs = await inDuck(
        `SELECT account, SUM(CASE WHEN account <= 6 OR day >= '${yearBegins}' THEN debit - credit ELSE 0 END)::VARCHAR AS net,
                SUM(CASE WHEN account > 6 AND day < '${yearBegins}' THEN debit - credit ELSE 0 END)::VARCHAR AS carried
           FROM line WHERE day <= '${day}' GROUP BY account`,
      );
      const carried = theirs.reduce((sum, row) => sum + BigInt(String(row.carried)), 0n);
      for (const row of theirs) {
        const id = Number(row.account);
        expect(net[id - 1]).toBe(BigInt(String(row.net)) + (id === 3 ? carried : 0n));
      }
    }
  });
});
