import type { ChartAccountBody } from '@ivory-ladder/contract';

/** The fields that a form holds. */
export type AccountDraft = Pick<ChartAccountBody, 'number' | 'name' | 'element' | 'normalSide' | 'parentId' | 'role' | 'purpose' | 'externalNumber'>;

const fields = ['number', 'name', 'element', 'normalSide', 'parentId', 'role', 'purpose', 'externalNumber'] as const satisfies readonly (keyof AccountDraft)[];

/**
 * What to save of a draft that began from `base` while somebody else has saved `theirs`: only what was changed here,
 * so that what was left alone stays as they made it.
 */
export function changesToSend(base: AccountDraft, theirs: AccountDraft, own: AccountDraft): Partial<AccountDraft> {
  return Object.fromEntries(
    fields.filter((field) => own[field] !== base[field] && own[field] !== theirs[field]).map((field) => [field, own[field]]),
  ) as Partial<AccountDraft>;
}

export interface MeanwhileChange {
  readonly field: keyof AccountDraft;
  /** Whether it was changed here too, to something else: then one of the two is chosen. */
  readonly isContested: boolean;
}

/** Fields that somebody else has changed since the draft began. */
export function changedMeanwhile(base: AccountDraft, theirs: AccountDraft, own: AccountDraft): MeanwhileChange[] {
  return fields
    .filter((field) => theirs[field] !== base[field])
    .map((field) => ({ field, isContested: own[field] !== base[field] && own[field] !== theirs[field] }));
}
