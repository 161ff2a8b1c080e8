import { collationKey, type DigitOrder, type NewChart } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { insertRows, rowsOf } from './transaction.ts';

type AccountToInsert = Omit<NewChart['accounts'][number], 'key' | 'parentKey'>;

/** Accounts without a parent, at positions in the order given; the ids they got, by number. */
export async function insertAccounts(
  runner: QueryRunner,
  companyId: number,
  accounts: readonly AccountToInsert[],
  order: DigitOrder,
): Promise<Map<string, number>> {
  if (accounts.length === 0) return new Map();
  await insertRows(
    runner,
    'account (company_id, number, number_key, name, element, normal_side, position, active, role, purpose, external_number, version)',
    accounts.map(({ number, name, element, normalSide, active, role, purpose, externalNumber }, at) => [
      companyId,
      number,
      Buffer.from(collationKey(number, order)),
      name,
      element,
      normalSide,
      (at + 1) * 1000,
      active ? 1 : 0,
      role,
      purpose,
      externalNumber,
      1,
    ]),
  );
  const rows = await rowsOf<{ id: number; number: string }>(runner, 'SELECT id, number FROM account WHERE company_id = ?', [companyId]);
  return new Map(rows.map(({ id, number }) => [number, id]));
}
