import type { DigitOrder, ListKey, NewChart } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { type AuditEvent, insertRows, updateAccounts } from '../database/index.ts';
import { replaceCaptions } from '../placement/index.ts';
import { insertCodeList, replaceCodes } from './codeRows.ts';
import { insertAccounts } from './insertAccounts.ts';

/** Puts a whole chart with its placement into a company that has none yet; what is to be recorded of it, and the accounts' ids by their keys. */
export async function plantChart(
  runner: QueryRunner,
  companyId: number,
  { categories, accounts, places, ranges, lists }: NewChart,
  order: DigitOrder,
): Promise<{ readonly audit: AuditEvent[]; readonly accountIds: ReadonlyMap<number, number> }> {
  const categoryIds = await plantCategories(runner, companyId, categories);
  const accountIds = await plantAccounts(runner, companyId, accounts, order);
  const idOf = (ids: ReadonlyMap<number, number>, key: number): number => {
    const id = ids.get(key);
    if (id === undefined) throw new Error(`a chart to plant has no ${key}`);
    return id;
  };
  await insertRows(
    runner,
    'place (company_id, account_id, side, category_id)',
    places.map(({ accountKey, side, categoryKey }) => [companyId, idOf(accountIds, accountKey), side, idOf(categoryIds, categoryKey)]),
  );
  await insertRows(
    runner,
    'category_range (company_id, category_id, side, content)',
    ranges.map(({ categoryKey, side, text }) => [companyId, idOf(categoryIds, categoryKey), side, text]),
  );
  const listKeys = new Map<string, ListKey>();
  for (const list of lists) listKeys.set(list.key, list.key.replace(/\d+$/, String(await insertCodeList(runner, companyId, list))) as ListKey);
  await replaceCodes(
    runner,
    companyId,
    accounts.map(({ key, codes }) => ({
      accountId: idOf(accountIds, key),
      codes: Object.fromEntries(Object.entries(codes).map(([list, code]) => [listKeys.get(list), code])),
    })),
  );
  const audit = accounts.map(
    ({ key, parentKey: _, ...fields }): AuditEvent => ({ thing: 'account', thingId: idOf(accountIds, key), action: 'added', after: fields }),
  );
  return { audit, accountIds };
}

/** One by one, since each needs the ids of those above and beside it; positions count within siblings. */
async function plantCategories(runner: QueryRunner, companyId: number, categories: NewChart['categories']): Promise<Map<number, number>> {
  const ids = new Map<number, number>();
  const positions = new Map<string, number>();
  const contras: [id: number, contraOfKey: number][] = [];
  for (const { key, parentKey, element, name, term, step, nature, note, description, contraOfKey, captions } of categories) {
    const siblings = `${element} ${parentKey}`;
    const position = (positions.get(siblings) ?? 0) + 1000;
    positions.set(siblings, position);
    const result = (await runner.query(
      'INSERT INTO category (company_id, parent_id, element, name, position, term, step, nature, note, description) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
      [companyId, parentKey === null ? null : (ids.get(parentKey) ?? null), element, name, position, term, step, nature, note, description],
    )) as { insertId: number };
    ids.set(key, Number(result.insertId));
    if (captions.length > 0) await replaceCaptions(runner, companyId, Number(result.insertId), captions);
    if (contraOfKey !== null) contras.push([Number(result.insertId), contraOfKey]);
  }
  for (const [id, contraOfKey] of contras)
    await runner.query('UPDATE category SET contra_of = ? WHERE company_id = ? AND id = ?', [ids.get(contraOfKey) ?? null, companyId, id]);
  return ids;
}

async function plantAccounts(runner: QueryRunner, companyId: number, accounts: NewChart['accounts'], order: DigitOrder): Promise<Map<number, number>> {
  const inserted = await insertAccounts(runner, companyId, accounts, order);
  const ids = new Map(accounts.map(({ key }, at) => [key, inserted[at] as number]));
  await updateAccounts(
    runner,
    companyId,
    ['parent_id'],
    accounts.flatMap(({ key, parentKey }) => (parentKey === null ? [] : [[ids.get(key) as number, ids.get(parentKey) as number] as const])),
  );
  return ids;
}
