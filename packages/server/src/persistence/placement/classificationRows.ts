import type { PlacementDraft } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { type AuditEvent, insertIn, isDuplicateKey, Refused } from '../database/index.ts';
import { ClassificationEntity } from '../entities/placementEntities.ts';
import { writeDraft } from './applyPlacement.ts';

/** Another tree of categories with the places in it; what is to be recorded of it. */
export async function insertClassification(runner: QueryRunner, companyId: number, name: string, draft: PlacementDraft): Promise<AuditEvent> {
  const id = await naming(name, () => insertIn(runner, ClassificationEntity, companyId, { name }));
  await writeDraft(runner, companyId, id, draft);
  const after = { name, categories: draft.categories.length, accounts: draft.places.length };
  return { thing: 'classification', thingId: id, action: 'added', after };
}

export async function naming<Value>(name: string, work: () => Promise<Value>): Promise<Value> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicateKey(error)) throw new Refused({ code: 'classification_name_taken', name });
    throw error;
  }
}
