import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  CategoryEntity,
  ChosenColumnsEntity,
  ColumnPlanEntity,
  changeIn,
  changeRows,
  changeVersioned,
  deleteIn,
  findIn,
  findRows,
  insertIn,
  MembershipEntity,
  PersonEntity,
} from '@ivory-ladder/server';
import type { DataSource } from 'typeorm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { createCompany } from '../support/trialBalance.ts';

let server: TestServer;
let database: DataSource;
let companies: readonly number[];
const plan = (name: string) => ({ name, definition: '{}', changedAt: '2026-03-29 02:30:00.125', changedBy: 'Nils Berg', changedById: null });

beforeAll(async () => {
  server = await TestServer.start();
  database = server.serving.database;
  companies = [];
  for (const name of ['Rows of one', 'Rows of another']) companies = [...companies, (await createCompany(server, { name })).id];
});
afterAll(() => server?.stop());

describe('rows of a company', () => {
  it('are found, changed and deleted in that company alone, whatever their ids', async () => {
    const [one, another] = companies as [number, number];
    for (const companyId of [one, another]) await insertIn(database, ChosenColumnsEntity, companyId, { personId: 1, columnsShown: 'before' });
    expect(await changeIn(database, ChosenColumnsEntity, one, { personId: 1 }, { columnsShown: 'after' })).toBe(1);
    expect((await findIn(database, ChosenColumnsEntity, another)).map(({ columnsShown }) => columnsShown)).toEqual(['before']);
    expect(await deleteIn(database, ChosenColumnsEntity, one, { personId: [1, 2] })).toBe(1);
    expect([(await findIn(database, ChosenColumnsEntity, one)).length, (await findIn(database, ChosenColumnsEntity, another)).length]).toEqual([0, 1]);
  });

  it('are changed once by the version that somebody saw, and are one version on then', async () => {
    const [one, another] = companies as [number, number];
    const id = await insertIn(database, ColumnPlanEntity, one, plan('Quarters'));
    const other = await insertIn(database, ColumnPlanEntity, another, plan('Quarters'));
    expect(await changeVersioned(database, ColumnPlanEntity, one, { id, version: 1 }, { name: 'Years' })).toBe(true);
    expect(await changeVersioned(database, ColumnPlanEntity, one, { id, version: 1 }, { name: 'Months' })).toBe(false);
    expect(await changeVersioned(database, ColumnPlanEntity, one, { id: other, version: 1 }, { name: 'Months' })).toBe(false);
    expect((await findIn(database, ColumnPlanEntity, one, { id })).map(({ name, version }) => [name, version])).toEqual([['Years', 2]]);
    expect((await findIn(database, ColumnPlanEntity, another)).map(({ name, version }) => [name, version])).toEqual([['Quarters', 1]]);
    // TypeScript lets nobody leave the version out; nor may a row that has one be changed without.
    // @ts-expect-error
    const without = () => changeIn(database, ColumnPlanEntity, one, { id }, { name: 'Months' });
    expect(without).toBeTypeOf('function');
  });

  it('keep a moment as it was written, also in the hour that the machine’s zone leaves out in spring', async () => {
    const [, another] = companies as [number, number];
    const before = process.env.TZ;
    try {
      process.env.TZ = 'Europe/Berlin';
      const id = await insertIn(database, ColumnPlanEntity, another, plan('Spring'));
      expect((await findIn(database, ColumnPlanEntity, another, { id }))[0]?.changedAt).toMatch(/^2026-03-29 02:30:00\.125/);
    } finally {
      if (before === undefined) delete process.env.TZ;
      else process.env.TZ = before;
    }
  });

  it('with nothing in a column are asked for by null; a condition without a value, and a name that the table lacks, are bugs', async () => {
    const [one] = companies as [number, number];
    const tops = await findIn(database, CategoryEntity, one, { parentId: null }, { order: { element: 'ASC', id: 'DESC' }, most: 2 });
    expect(tops.map(({ parentId }) => parentId)).toEqual([null, null]);
    const nobody = { personId: undefined as unknown as number };
    await expect(deleteIn(database, ChosenColumnsEntity, one, nobody)).rejects.toThrow(/no value for the condition on personId/);
    const unnamed = { personId: 9, columnsShown: '', seen: 1 } as { personId: number; columnsShown: string };
    await expect(insertIn(database, ChosenColumnsEntity, one, unnamed)).rejects.toThrow(/chosen_columns has no seen/);
  });
});

describe('rows of the installation', () => {
  it('are changed by their key; tables of companies are not reached that way', async () => {
    const [person] = await findRows(database, PersonEntity, {}, { order: { id: 'ASC' }, most: 1 });
    expect(await changeRows(database, PersonEntity, { id: person?.id ?? 0 }, { lastSignIn: '2026-10-25 02:30:00' })).toBe(1);
    expect((await findRows(database, PersonEntity, { id: person?.id ?? 0 }))[0]?.lastSignIn).toBe('2026-10-25 02:30:00');
    // @ts-expect-error
    const ofCompanies = () => findRows(database, MembershipEntity, {});
    expect(ofCompanies).toBeTypeOf('function');
  });
});

describe('what TypeORM builds', () => {
  it('is built in one file; everything else goes through it, or is SQL by hand', () => {
    const persistence = join(import.meta.dirname, '..', '..', 'packages', 'server', 'src', 'persistence');
    const builds = /\.manager\b|createQueryBuilder|\bgetRepository|\.(?:save|upsert|orUpdate|increment|decrement|softDelete)\(|version: true/;
    const building = readdirSync(persistence, { recursive: true, encoding: 'utf8' }).filter(
      (file) => file.endsWith('.ts') && builds.test(readFileSync(join(persistence, file), 'utf8')),
    );
    expect(building).toEqual([join('database', 'rows.ts')]);
  });
});
