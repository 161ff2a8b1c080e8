import type { PlaceSide } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { insertRows } from './transaction.ts';

export interface PlacesOfAccount {
  readonly accountId: number;
  readonly classificationId: number;
  readonly places: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
}

const idsInOne = 2000;

/** Takes the places by hand that each account has in a classification away and gives it others. */
export async function replacePlaces(runner: QueryRunner, companyId: number, placed: readonly PlacesOfAccount[]): Promise<void> {
  for (const classificationId of new Set(placed.map((one) => one.classificationId))) {
    const accountIds = placed.filter((one) => one.classificationId === classificationId).map(({ accountId }) => accountId);
    for (let at = 0; at < accountIds.length; at += idsInOne) {
      const ids = accountIds.slice(at, at + idsInOne);
      await runner.query(`DELETE FROM place WHERE company_id = ? AND classification_id = ? AND account_id IN (${ids.map(() => '?').join(', ')})`, [
        companyId,
        classificationId,
        ...ids,
      ]);
    }
  }
  await insertRows(
    runner,
    'place (company_id, account_id, classification_id, side, category_id)',
    placed.flatMap(({ accountId, classificationId, places }) =>
      places.map(({ side, categoryId }) => [companyId, accountId, classificationId, side, categoryId]),
    ),
  );
}
