import { performance } from 'node:perf_hooks';
import type { Company, JournalLook } from '@ivory-ladder/contract';
import { ApiClient, enterDemo, testAdministrator } from '../tests/support/apiClient.ts';
import { joinCompany } from '../tests/support/joinCompany.ts';
import { askAgainAndAgain } from './askingThread.ts';
import type { Result } from './measure.ts';

const bar = 100;
const millisecondsBetween = 25;
const leastAsked = 100;
const day = '2026-09-30';

/** Hostile and honest loads that used to hold the thread of all requests. Each ends in an answer, whatever it is. */
async function loads(client: ApiClient, ferry: number): Promise<[name: string, run: () => Promise<unknown>][]> {
  const { id } = await client.ok<Company>('POST', '/companies', { name: `Loads ${Date.now()}`, currency: 'EUR', fiscalYearFirstMonth: 1 });
  const path = `/companies/${id}`;
  const bytes = (text: string) => new TextEncoder().encode(text);
  const check = async (content: Uint8Array) => {
    const { fileId } = await client.ok<{ fileId: number }>('POST', `${path}/trial-balance-files?name=load.csv`, content);
    return client.call('POST', `${path}/trial-balance-files/${fileId}/rehearsal`, { date: day });
  };
  const imported = async (content: Uint8Array) => {
    const head = bytes('Date,Document,Account,Debit,Credit\n2026-09-30,1,1000,1,\n2026-09-30,1,2000,,1\n');
    const { separator, encoding, reading } = await client.ok<JournalLook>('POST', `${path}/journal-looks`, head);
    const begun = await client.ok<{ id: number }>('POST', `${path}/journal-imports`, { name: 'load.csv', bytes: content.length, separator, encoding, reading });
    return client.call('POST', `${path}/journal-imports/${begun.id}/content`, content);
  };
  const accounts = Array.from(
    { length: 95_000 },
    (_, at) => `${100_000 + at},Account of the coast and its many small harbours ${at},${at % 2 === 0 ? 'asset' : 'liability'},${at % 2 === 0 ? 500 : -500}.00`,
  );
  const honest = bytes(['Number,Name,Element,Balance', ...accounts].join('\n'));
  const deep = bytes(`<?xml version="1.0"?><AuditFile>${'<a>'.repeat(30_000)}${'</a>'.repeat(30_000)}</AuditFile>`);
  const emptyLines = bytes(`Number,Name,Balance\n${'\n'.repeat(800_000)}1000,Bank,0`);
  const newlines = bytes('\n'.repeat(19 << 20));
  const lines = Array.from(
    { length: 100_000 },
    (_, at) => `${day},L${at >> 1},${100_000 + (at % 2)},${at % 2 === 0 ? '1.00' : ''},${at % 2 === 0 ? '' : '1.00'}`,
  );
  const wide = await widePrint(client, ferry);
  const postText = (body: string) =>
    fetch(`${client.url}/api${path}/entries`, {
      method: 'POST',
      headers: { Origin: client.url, 'X-Ivory-Ladder': '1', Cookie: client.cookie, 'Content-Type': 'application/json' },
      body,
    });
  const keys = `{${Array.from({ length: 1_200_000 }, (_, at) => `"k${at}":1`).join(',')}}`;
  const brackets = `{"date":${'['.repeat(9_000_000)}${']'.repeat(9_000_000)}}`;
  return [
    ['XML nested 30,000 deep', () => check(deep)],
    ['the same as an import', () => imported(deep)],
    ['800,000 empty lines', () => check(emptyLines)],
    ['the same as an import', () => imported(emptyLines)],
    ['19 MB of newlines', () => check(newlines)],
    ['the same as an import', () => imported(newlines)],
    [`an honest file of ${(honest.length / 2 ** 20).toFixed(0)} MB`, () => check(honest)],
    ['100,000 journal lines', () => imported(bytes(['Date,Document,Account,Debit,Credit', ...lines].join('\n')))],
    ['a body of 1.2 million unknown keys', () => postText(keys)],
    ['a body of 18 million brackets', () => postText(brackets)],
    ['a hundred wrong sign-ins at once', () => guess(client.url)],
    ['a PDF of 40 statements with 24 columns', () => client.bytes(wide)],
  ];
}

/** Junk of one origin, and in the midst of it somebody whose browser is known. */
async function guess(url: string): Promise<unknown> {
  const administrator = await enterDemo(url, 'administrator');
  const email = `known${Date.now()}@example.org`;
  await joinCompany(administrator, await administrator.companyId(), { email, role: 'reader' });
  const nobody = new ApiClient(url);
  const signIn = (body: object, cookie = '') => nobody.call<unknown>('POST', '/session', body, cookie === '' ? {} : { Cookie: cookie });
  const mine = { email, password: testAdministrator.password };
  const kept =
    (await signIn(mine)).headers
      .getSetCookie()
      .find((one) => one.startsWith('ivory_ladder_browser='))
      ?.split(';')[0] ?? '';
  const junk = Promise.all(Array.from({ length: 100 }, (_, at) => signIn({ email: `junk${at}@example.org`, password: 'guessing on and on' })));
  const began = performance.now();
  const { status } = await signIn(mine, kept);
  process.stdout.write(`  somebody in a known browser: ${status} after ${((performance.now() - began) / 1000).toFixed(1)} s\n`);
  return (await junk).at(-1);
}

/** A set of many statements, each by month and compared, as PDF. */
async function widePrint(client: ApiClient, ferry: number): Promise<string> {
  const parts = Array.from({ length: 40 }, (_, at) => ({
    key: `part${at}`,
    statement: at % 2 === 0 ? 'income-statement' : 'balance-sheet',
    title: '',
    columns: { plan: 'periods' },
    detail: 4,
    zeroLines: true,
  }));
  const set = await client.ok<{ id: number }>('POST', `/companies/${ferry}/sets`, {
    name: `Load ${Date.now()}`,
    definition: { parts, scale: { unit: 'exact', rounding: 'footed' }, language: null },
  });
  return `/companies/${ferry}/sets/${set.id}/print?from=2025-01-01&to=${day}`;
}

/** While each load is handled or refused, health and a statement are asked again and again: the slowest of a hundred of each. */
export async function measureNothingStops(client: ApiClient): Promise<Result[]> {
  const ferry = await client.companyId();
  const asked: [string, string][] = [
    ['health', '/health'],
    ['a statement', `/companies/${ferry}/statements/income-statement?from=2026-01-01&to=${day}`],
  ];
  for (const [, path] of asked) await client.call('GET', path);
  const results: Result[] = [];
  for (const [name, run] of await loads(client, ferry)) {
    const asking = await Promise.all(
      asked.map(async ([what, path]) => ({ what, ...(await askAgainAndAgain(client, path, { least: leastAsked, pause: millisecondsBetween })) })),
    );
    const began = performance.now();
    const answer = (await run().catch((error: unknown) => error)) as { status?: number } | undefined;
    const seconds = (performance.now() - began) / 1000;
    process.stdout.write(`  ${name}: answered ${answer?.status ?? 'whole'} in ${seconds.toFixed(1)} s\n`);
    for (const { what, stop } of asking) results.push(slowestOf(`${what} beside ${name}`, await stop()));
  }
  return results;
}

function slowestOf(name: string, all: readonly number[]): Result {
  const sorted = [...all].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  return {
    name: `${name}, p99`,
    product: at(0.99),
    productMin: at(0),
    productMax: at(1),
    yardstick: null,
    yardstickMin: null,
    yardstickMax: null,
    unit: 'ms',
    ratio: null,
    bar: `${bar} ms`,
    holds: at(0.99) <= bar,
  };
}
