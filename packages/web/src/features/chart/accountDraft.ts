import type { ChartAccountBody } from '@ivory-ladder/contract';
import { isListKey, type ListKey } from '@ivory-ladder/core';

/** The fields that a form holds. */
export type AccountDraft = Pick<
  ChartAccountBody,
  'number' | 'name' | 'element' | 'normalSide' | 'parentId' | 'role' | 'cashFrom' | 'cashUntil' | 'purpose' | 'externalNumber' | 'codes'
>;

/** A field of its own, or the code of a list. */
export type DraftField = Exclude<keyof AccountDraft, 'codes'> | ListKey;

const fields = [
  'number',
  'name',
  'element',
  'normalSide',
  'parentId',
  'role',
  'cashFrom',
  'cashUntil',
  'purpose',
  'externalNumber',
] as const satisfies readonly DraftField[];

/** No code is an empty one. */
export function draftValue(draft: AccountDraft, field: DraftField): AccountDraft[Exclude<keyof AccountDraft, 'codes'>] {
  return isListKey(field) ? (draft.codes[field] ?? '') : draft[field];
}

function fieldsOf(...drafts: readonly AccountDraft[]): DraftField[] {
  return [...fields, ...new Set(drafts.flatMap(({ codes }) => Object.keys(codes) as ListKey[]))];
}

/**
 * What to save of a draft that began from `base` while somebody else has saved `theirs`: only what was changed here,
 * so that what was left alone stays as they made it.
 */
export function changesToSend(base: AccountDraft, theirs: AccountDraft, own: AccountDraft): Partial<AccountDraft> {
  const changed = fieldsOf(base, theirs, own).filter(
    (field) => draftValue(own, field) !== draftValue(base, field) && draftValue(own, field) !== draftValue(theirs, field),
  );
  const codes = Object.fromEntries(changed.filter(isListKey).map((key) => [key, own.codes[key] ?? '']));
  const rest = Object.fromEntries(changed.filter((field) => !isListKey(field)).map((field) => [field, draftValue(own, field)]));
  return Object.keys(codes).length === 0 ? rest : { ...rest, codes };
}

export interface MeanwhileChange {
  readonly field: DraftField;
  /** Whether it was changed here too, to something else: then one of the two is chosen. */
  readonly isContested: boolean;
}

/** Fields that somebody else has changed since the draft began. */
export function changedMeanwhile(base: AccountDraft, theirs: AccountDraft, own: AccountDraft): MeanwhileChange[] {
  return fieldsOf(base, theirs, own)
    .filter((field) => draftValue(theirs, field) !== draftValue(base, field))
    .map((field) => ({
      field,
      isContested: draftValue(own, field) !== draftValue(base, field) && draftValue(own, field) !== draftValue(theirs, field),
    }));
}
