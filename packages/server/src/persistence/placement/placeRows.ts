import type { PlaceSide } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { PlacesByHand } from '../../application/ports/index.ts';
import { type AuditEvent, insertRows } from '../database/index.ts';

export interface PlacesOfAccount {
  readonly accountId: number;
  readonly classificationId: number;
  readonly places: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
  /** They only keep it where it stood by range, until a range has it there again. */
  readonly onlyKeep?: true;
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
    'place (company_id, account_id, classification_id, side, category_id, kept)',
    placed.flatMap(({ accountId, classificationId, places, onlyKeep }) =>
      places.map(({ side, categoryId }) => [companyId, accountId, classificationId, side, categoryId, onlyKeep ? 1 : 0]),
    ),
  );
}

/** What keeps accounts where they stand while their numbers change. */
export async function keepPlaces(runner: QueryRunner, companyId: number, kept: readonly PlacesByHand[]): Promise<void> {
  await replacePlaces(
    runner,
    companyId,
    kept.map(({ accountId, classificationId, after }) => ({ accountId, classificationId, places: after, onlyKeep: true })),
  );
}

export function keptEvent({ accountId, before, after }: PlacesByHand): AuditEvent {
  return { thing: 'place', thingId: accountId, action: 'changed', before, after };
}
