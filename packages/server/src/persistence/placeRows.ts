import type { PlaceSide } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { insertRows } from './transaction.ts';

export interface PlacesOfAccount {
  readonly accountId: number;
  readonly places: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
}

const idsInOne = 2000;

/** Takes the places by hand of each account away and gives it others. */
export async function replacePlaces(runner: QueryRunner, companyId: number, placed: readonly PlacesOfAccount[]): Promise<void> {
  for (let at = 0; at < placed.length; at += idsInOne) {
    const ids = placed.slice(at, at + idsInOne).map(({ accountId }) => accountId);
    await runner.query(`DELETE FROM place WHERE company_id = ? AND account_id IN (${ids.map(() => '?').join(', ')})`, [companyId, ...ids]);
  }
  await insertRows(
    runner,
    'place (company_id, account_id, side, category_id)',
    placed.flatMap(({ accountId, places }) => places.map(({ side, categoryId }) => [companyId, accountId, side, categoryId])),
  );
}
