import type { DigitOrder, NewChart } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { insertRows, numberColumns, rowsOf, updateAccounts } from '../database/index.ts';

type AccountToInsert = Omit<NewChart['accounts'][number], 'key' | 'parentKey' | 'codes'>;

/** Below all positions that are given to accounts. */
const lowestPosition = -2_000_000_000;

/**
 * Accounts without a parent, at the positions given, else in the order given; their ids in that order. They are told
 * apart by positions that nobody has, since accounts need have no number.
 */
export async function insertAccounts(
  runner: QueryRunner,
  companyId: number,
  accounts: readonly AccountToInsert[],
  order: DigitOrder,
  positions: readonly number[] = accounts.map((_, at) => (at + 1) * 1000),
): Promise<number[]> {
  if (accounts.length === 0) return [];
  await insertRows(
    runner,
    'account (company_id, number, number_key, name, element, normal_side, position, active, role, purpose, external_number, version)',
    accounts.map(({ number, name, element, normalSide, active, role, purpose, externalNumber }, at) => [
      companyId,
      ...numberColumns(number, order),
      name,
      element,
      normalSide,
      lowestPosition + at,
      active ? 1 : 0,
      role,
      purpose,
      externalNumber,
      1,
    ]),
  );
  const rows = await rowsOf<{ id: number }>(runner, 'SELECT id FROM account WHERE company_id = ? AND position < ? ORDER BY position', [
    companyId,
    lowestPosition + accounts.length,
  ]);
  const ids = rows.map(({ id }) => id);
  await updateAccounts(
    runner,
    companyId,
    ['position'],
    ids.map((id, at) => [id, positions[at]]),
  );
  return ids;
}
