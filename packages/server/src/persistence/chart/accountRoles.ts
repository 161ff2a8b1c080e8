import { type AccountRole, roleRules } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { changedRows, rowsOf } from '../database/index.ts';

/** From whoever holds it, where a role has one holder; the ids of those who lost it. */
export async function takeRole(runner: QueryRunner, companyId: number, role: AccountRole): Promise<number[]> {
  if (roleRules[role].isForSeveral) return [];
  const holders = await rowsOf<{ id: number }>(runner, 'SELECT id FROM account WHERE company_id = ? AND role = ? FOR UPDATE', [companyId, role]);
  await changedRows(runner, 'UPDATE account SET role = NULL, version = version + 1 WHERE company_id = ? AND role = ?', [companyId, role]);
  return holders.map(({ id }) => id);
}
