import { randomBytes } from 'node:crypto';
import { performance } from 'node:perf_hooks';
import type { ChartView, Company } from '@ivory-ladder/contract';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { seeded } from '../tests/support/seeded.ts';
import { KeptConnections } from './keptConnections.ts';
import { median, ofRounds, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const companies = 20;
const accounts = 400;
const readers = 50;
const posters = 8;
const rounds = 5;
const secondsOfRound = 4;
const bar = 150;
const millisecondsBetweenReading = 1000;
const millisecondsBetweenPosting = 100;
const kinds = ['balance-sheet', 'income-statement', 'cash-flow', 'changes-in-equity'] as const;

interface Read {
  readonly path: string;
  readonly accountIds: readonly number[];
}

/** Readers of many companies, each looking at another statement every second, while others post into the same companies. */
export async function measureManyReaders(client: ApiClient): Promise<Result[]> {
  const read: Read[] = [];
  for (let at = 0; at < companies; at++) read.push(await openCompany(client, at));
  const kept = new KeptConnections(client);
  const random = seeded(41);
  const any = <One>(from: readonly One[]): One => from[random(from.length)] as One;
  const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds * (0.5 + random(1000) / 1000)));
  const again = async (until: number, between: number, work: () => Promise<void>) => {
    await pause(between);
    while (performance.now() < until) {
      await work();
      await pause(between);
    }
  };
  const measured = await undisturbed('readers beside posting', rounds, async () => {
    let entries = 0;
    const until = performance.now() + secondsOfRound * 1000;
    const times: number[] = [];
    const look = async () => {
      const began = performance.now();
      await kept.call('GET', `${any(read).path}/statements/${any(kinds)}?from=2026-01-01&to=2026-0${1 + random(9)}-28`);
      times.push(performance.now() - began);
    };
    const post = async () => {
      const { path, accountIds } = any(read);
      const amount = String(1 + random(100_000));
      const lines = [
        { accountId: any(accountIds), debit: amount },
        { accountId: any(accountIds), credit: amount },
      ];
      await kept.call(
        'POST',
        `${path}/entries`,
        { date: '2026-09-15', description: 'Beside readers', lines },
        { 'Idempotency-Key': randomBytes(12).toString('hex') },
      );
      entries++;
    };
    await Promise.all([
      ...Array.from({ length: readers }, () => again(until, millisecondsBetweenReading, look)),
      ...Array.from({ length: posters }, () => again(until, millisecondsBetweenPosting, post)),
    ]);
    return { p99: [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.99)] ?? 0, answers: times.length, entries };
  });
  kept.close();
  const aSecond = (counts: readonly number[]) => Math.round(median(counts) / secondsOfRound);
  const p99 = measured.map((round) => round.p99);
  return [
    ofRounds(
      `${readers} readers over ${companies} companies (${aSecond(measured.map(({ answers }) => answers))} statements a second) beside ${posters} posting clients (${aSecond(measured.map(({ entries }) => entries))} entries a second): p99 of reading`,
      p99,
      { unit: 'ms', bar: `under ${bar} ms`, holds: Math.min(...p99) < bar },
    ),
  ];
}

async function openCompany(client: ApiClient, number: number): Promise<Read> {
  const { id } = await client.ok<Company>('POST', '/companies', { name: `Read ${number}`, currency: 'EUR', fiscalYearFirstMonth: 1 });
  const path = `/companies/${id}`;
  const random = seeded(number + 1);
  for (const date of ['2025-12-31', '2026-03-31', '2026-06-30']) {
    const amounts = Array.from({ length: accounts - 1 }, () => random(200_000) - 100_000);
    const rows = [...amounts, -amounts.reduce((sum, amount) => sum + amount, 0)].map((amount, at) => {
      const element = ['asset', 'liability', 'income', 'expense', 'equity'][at % 5];
      return `${1000 + at},Account ${at},${element},${element} ${at % 40},${amount}`;
    });
    const { fileId } = await client.ok<{ fileId: number }>(
      'POST',
      `${path}/trial-balance-files?name=${date}.csv`,
      Buffer.from(['Number,Name,Element,Category,Balance', ...rows].join('\n')),
    );
    await client.ok('POST', `${path}/trial-balance-files/${fileId}/posting`, {
      date,
      retainedEarnings: '1004',
      figures: { kind: 'year_to_date' },
      confirmElements: true,
    });
  }
  const { accounts: chart } = await client.ok<ChartView>('GET', `${path}/chart?from=2026-01-01&to=2026-09-30`);
  return { path, accountIds: chart.map((account) => account.id) };
}
