import { writeFileSync } from 'node:fs';
import type { LayoutDetail, LineCommentBody, RanSet, SetPartBody, StatementSetBody, StatementSetList } from '@ivory-ladder/contract';
import { usualPlans } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readPdf } from '../support/readPdf.ts';
import { TestServer } from '../support/server.ts';
import { statement } from '../support/trialBalance.ts';

let server: TestServer;
let id: number;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  id = await server.companyId();
});
afterAll(() => server.stop());

const query = 'from=2026-01-01&to=2026-09-30';
const part = (statement: SetPartBody['statement'], more: Partial<SetPartBody> = {}): SetPartBody => ({
  key: statement.replaceAll('-', '_'),
  statement,
  title: '',
  columns: null,
  detail: 2,
  zeroLines: false,
  ...more,
});
const three = [part('balance-sheet'), part('income-statement'), part('cash-flow')];
const add = (name: string, parts: readonly SetPartBody[], more: Record<string, unknown> = {}): Promise<StatementSetBody> =>
  server.ok('POST', `/companies/${id}/sets`, {
    name,
    definition: { parts, scale: { unit: 'thousands', rounding: 'footed' }, language: null, ...more },
  });
const run = (set: StatementSetBody, dates = query): Promise<RanSet> => server.ok('GET', `/companies/${id}/sets/${set.id}/statements?${dates}`);
const proofOf = ({ proofs }: RanSet, name: RanSet['proofs'][number]['name']) => proofs.find((proof) => proof.name === name);

describe('a set', () => {
  it('is run as its statements are run alone, in its order, scale and rounding', async () => {
    const set = await add('For the bank', three);
    const { parts } = await run(set);
    expect(parts.map(({ key, failure }) => [key, failure])).toEqual(three.map(({ key }) => [key, null]));
    for (const { statement: kind, key } of three) {
      const alone = await statement(server, id, kind as 'balance-sheet', '2026-01-01', '2026-09-30', '&detail=2&scale=thousands&rounding=footed');
      expect(parts.find((one) => one.key === key)?.statement).toEqual(alone);
    }
  });

  it('proves its statements together: both sides, the result in each, cash in each', async () => {
    const ran = await run(await add('Proved', three));
    expect(ran.proofs.map(({ name }) => name)).toEqual(['balances', 'profit', 'cash', 'coverage']);
    const [balances, cash] = [proofOf(ran, 'balances'), proofOf(ran, 'cash')];
    // At the day and at the last fiscal year end.
    expect(cash?.ties.map(({ day }) => day)).toEqual(['2026-09-30', '2025-09-30']);
    expect(cash?.state).toBe('holds');
    for (const { figures } of cash?.ties ?? []) expect(new Set(figures.map(({ net }) => net)).size).toBe(1);
    // The demo has accounts that nobody has placed: the proofs say so, and by how much.
    const unplaced =
      ran.proofs.find(({ name }) => name === 'coverage')?.faults.flatMap(({ part: key, accounts }) => accounts.map(({ net }) => [key, net])) ?? [];
    const missing = (part: string) => unplaced.reduce((sum, [key, net]) => (key === part ? sum + BigInt(net as string) : sum), 0n);
    // Of its balance sheet accounts none is, so the first proof holds and the second does not.
    expect([balances?.state, proofOf(ran, 'profit')?.state]).toEqual(['holds', 'fails']);
    expect([missing('balance_sheet'), missing('income_statement') === 0n]).toEqual([0n, false]);
    expect(BigInt(proofOf(ran, 'profit')?.difference ?? '0')).toBe(-missing('income_statement'));
  });

  it('takes a composed balance sheet for the generated one, and claims nothing of a column that is a part of the ledger', async () => {
    const begun = await server.ok<LayoutDetail>('POST', `/companies/${id}/layouts`, { name: 'Sheet of the set', from: 'balance_sheet' });
    const used = await server.ok<LayoutDetail>('POST', `/companies/${id}/layouts/${begun.id}/use`, { version: begun.version, reason: 'as it is' });
    const [first] = await server
      .ok<{ lists: { key: string; kind: string; codes: { code: string }[] }[] }>('GET', `/companies/${id}/code-lists`)
      .then(({ lists }) => lists.filter(({ kind }) => kind === 'facet'));
    const plan = usualPlans[0]?.definition.columns.find(({ kind }) => kind === 'amounts');
    const { id: planId } = await server.ok<{ id: number }>('POST', `/companies/${id}/column-plans`, {
      name: 'All, and a part',
      definition: {
        columns: [
          { ...plan, key: 'all' },
          { ...plan, key: 'a_part', facets: { [first?.key ?? '']: [first?.codes[0]?.code] } },
        ],
      },
    });
    const own = part(`layout-${used.id}`, { columns: { plan: 'composed', planId } });
    const ran = await run(await add('Composed', [own, part('income-statement', { columns: { plan: 'composed', planId } }), part('cash-flow')]));
    expect(proofOf(ran, 'balances')?.ties.map(({ unprovable }) => unprovable)).toEqual([null, 'facets']);
    expect(proofOf(ran, 'profit')?.ties.map(({ part: key, unprovable }) => [key, unprovable])).toEqual([
      [own.key, null],
      [own.key, 'facets'],
    ]);
    expect([proofOf(ran, 'cash')?.state, proofOf(ran, 'cash')?.ties[0]?.figures.at(-1)?.part]).toEqual(['holds', own.key]);
    expect(await server.refused('DELETE', `/companies/${id}/layouts/${used.id}`)).toMatchObject({ code: 'layout_in_use', facts: { sets: ['Composed'] } });
    expect(await server.refused('DELETE', `/companies/${id}/column-plans/${planId}`)).toMatchObject({
      code: 'column_plan_in_use',
      facts: { sets: ['Composed'] },
    });
  });

  it('foots its statements to its own balance sheet: cash, equity and the result are the same figures in each, month by month', async () => {
    const { sets } = await server.ok<StatementSetList>('GET', `/companies/${id}/sets`);
    const ofBank = sets.find(({ name }) => name === 'Statements for Nordskerry Bank') as StatementSetBody;
    const set = await add('In whole units', ofBank.definition.parts, { scale: { unit: 'units', rounding: 'footed' } });
    for (const to of ['01-31', '02-28', '03-31', '04-30', '05-31', '06-30', '07-31', '08-31']) {
      const { parts } = await run(set, `from=2026-01-01&to=2026-${to}&compare=none`);
      const shown = (part: string, key: string, at = 0) =>
        Number(
          parts
            .find((one) => one.key === part)
            ?.statement?.rows.findLast((row) => row.lineKey === key)
            ?.values.at(at) ?? 0,
        );
      expect(shown('cash_flow', 'cash_closing'), to).toBe(shown('balance_sheet', 'cash') - shown('balance_sheet', 'overdraft'));
      expect(shown('equity', 'closing', -1), to).toBe(shown('balance_sheet', 'equity'));
    }
  });

  it('says of a statement that cannot be run why, and runs the others; it is not printed then', async () => {
    const draft = await server.ok<LayoutDetail>('POST', `/companies/${id}/layouts`, { name: 'A draft only', from: 'nothing' });
    const set = await add('With a draft', [part(`layout-${draft.id}`), part('income-statement')]);
    const { parts } = await run(set);
    expect(parts.map(({ statement: body, failure }) => [body?.kind ?? null, failure?.code ?? null])).toEqual([
      [null, 'layout_not_in_use'],
      ['income_statement', null],
    ]);
    expect((await server.refused('GET', `/companies/${id}/sets/${set.id}/print?${query}`)).code).toBe('layout_not_in_use');
  });

  it('is kept, changed by those who looked at what is there, recorded and deleted', async () => {
    const path = `/companies/${id}/sets`;
    const set = await add('Month end', three);
    const { name, definition, version } = set;
    expect((await server.refused('POST', path, { name: 'month END', definition })).code).toBe('set_name_taken');
    const twice = { ...definition, parts: [part('balance-sheet'), part('balance-sheet')] };
    expect((await server.refused('POST', path, { name: 'Twice', definition: twice })).code).toBe('set_part_twice');
    const unknown = { ...definition, parts: [part('layout-999')] };
    expect((await server.refused('POST', path, { name: 'Unknown', definition: unknown })).code).toBe('not_found');
    const changed = await server.ok<StatementSetBody>('PUT', `${path}/${set.id}`, { name, definition: { ...definition, parts: three.slice(1) }, version });
    expect(changed.definition.parts.map(({ statement: kind }) => kind)).toEqual(['income-statement', 'cash-flow']);
    expect((await server.refused('PUT', `${path}/${set.id}`, { name, definition, version })).code).toBe('version_conflict');
    // Somebody has changed it since it was looked at.
    expect(await server.refused('DELETE', `${path}/${set.id}?version=${version}`)).toMatchObject({ status: 409, code: 'version_conflict' });
    await server.ok('DELETE', `${path}/${set.id}?version=${changed.version}`);
    const { sets } = await server.ok<StatementSetList>('GET', path);
    expect(sets.some((one) => one.id === set.id)).toBe(false);
    const { events } = await server.ok<{ events: { action: string; name: string }[] }>('GET', `/companies/${id}/history?thing=statement_set`);
    expect(events.slice(0, 3).map(({ action }) => action)).toEqual(['deleted', 'changed', 'added']);
  });
});

describe('a comment on a line of a set', () => {
  it('stays with the last day it was written for, is offered for the next, and is nobody’s to overwrite unseen', async () => {
    const set = await add('Commented', three);
    const path = `/companies/${id}/sets/${set.id}/comments`;
    const place = { partKey: 'income_statement', lineKey: 'profit', day: '2026-06-30' };
    const kept = await server.ok<LineCommentBody>('PUT', path, { ...place, text: 'A good spring.', version: 0 });
    expect([kept.text, kept.version]).toEqual(['A good spring.', 1]);
    expect((await server.refused('PUT', path, { ...place, text: 'Another', version: 0 })).code).toBe('version_conflict');
    await server.ok('PUT', path, { ...place, text: 'A very good spring.', version: 1 });
    const june = await run(set, 'from=2026-01-01&to=2026-06-30');
    expect(june.comments.map(({ text, version }) => [text, version])).toEqual([['A very good spring.', 2]]);
    const september = await run(set);
    expect([september.comments, september.earlier.map(({ day, text }) => [day, text])]).toEqual([[], [['2026-06-30', 'A very good spring.']]]);
    expect(await server.ok('PUT', path, { ...place, text: '', version: 2 })).toBeNull();
    expect((await run(set, 'from=2026-01-01&to=2026-06-30')).comments).toEqual([]);
  });
});

describe('the print of a set', () => {
  it('has contents whose page numbers are true, every figure of the statements, marked comments and a number on each page', async () => {
    const wide = usualPlans.find(({ name }) => /month/i.test(name));
    const { id: planId } = await server.ok<{ id: number }>('POST', `/companies/${id}/column-plans`, { name: 'Month by month', definition: wide?.definition });
    const months = part('income-statement', { key: 'months', title: 'Income statement by month', columns: { plan: 'composed', planId }, detail: 'accounts' });
    const set = await add('For Nordbank', [...three, months]);
    await server.ok('PUT', `/companies/${id}/sets/${set.id}/comments`, {
      partKey: 'income_statement',
      lineKey: 'profit',
      day: '2026-09-30',
      text: 'Diesel for the Ørsted fell; Dvořák’s charter to Πάρος ended.',
      version: 0,
    });
    const bytes = await server.bytes(`/companies/${id}/sets/${set.id}/print?${query}`);
    if (process.env.IVORY_LADDER_KEEP_PRINT) writeFileSync(process.env.IVORY_LADDER_KEEP_PRINT, bytes);
    const pages = await readPdf(bytes);
    const { parts, proofs } = await run(set);
    const [cover] = pages;
    expect(cover?.lines.slice(0, 3)).toEqual(['Eiderholm Ferry Company', 'For Nordbank', '30 September 2026']);
    expect(cover?.lines.includes('Not final: the statements do not tie yet.')).toBe(proofs.some(({ state }) => state === 'fails'));
    const contents = cover?.lines.slice((cover?.lines.indexOf('Contents') ?? 0) + 1).map((line) => /^(.*) (\d+)$/.exec(line)?.slice(1)) ?? [];
    expect(contents.map((entry) => entry?.[0])).toEqual(parts.map(({ statement: body }) => body?.title));
    for (const [place, entry] of contents.entries()) {
      const page = pages[Number(entry?.[1]) - 1];
      expect(page?.lines[0]).toBe(entry?.[0]);
      expect(page?.isLandscape).toBe(place === 3);
    }
    for (const [at, { lines }] of pages.entries())
      if (at > 0) expect(lines.at(-1)).toBe(`Eiderholm Ferry Company · For Nordbank Page ${at + 1} of ${pages.length}`);
    const income = pages[Number(contents[1]?.[1]) - 1]?.lines ?? [];
    const profit = parts[1]?.statement?.rows.findLast(({ lineKey }) => lineKey === 'profit');
    const shown = Number(profit?.values[0]).toLocaleString('en');
    expect(income.filter((line) => line.startsWith('Profit for the period a ') && line.includes(shown))).toHaveLength(1);
    expect(income.some((line) => line === 'a Profit for the period: Diesel for the Ørsted fell; Dvořák’s charter to Πάρος ended.')).toBe(true);
    const ofMonths = pages.slice(Number(contents[3]?.[1]) - 1).flatMap(({ lines }) => lines);
    const captions = new Set(parts[3]?.statement?.rows.filter(({ role }) => role === 'account').map(({ caption }) => caption));
    expect(captions.size).toBeGreaterThan(30);
    expect(ofMonths.filter((line) => [...captions].some((caption) => line.startsWith(`${caption} `))).length).toBeGreaterThanOrEqual(captions.size);
  });
});
