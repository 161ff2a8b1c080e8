import type { AccountChange, ChartAccountBody } from '@ivory-ladder/contract';
import type { ListKey } from '@ivory-ladder/core';
import type { AccountFieldsChange } from '../../shared/state/undoSlice.ts';

/** What an account was in the fields that a change sets, with its place among its siblings where it is moved. */
export function fieldsBefore(
  accounts: readonly Pick<ChartAccountBody, 'id' | 'parentId'>[],
  account: ChartAccountBody,
  { version: _, ...change }: AccountChange,
): AccountFieldsChange {
  const { after, ...fields } = change;
  const before = Object.fromEntries(Object.keys(fields).map((field) => [field, account[field as keyof typeof fields]])) as AccountFieldsChange;
  // Another element brings its own normal side; so does the way back.
  if (fields.codes) before.codes = Object.fromEntries(Object.keys(fields.codes).map((key) => [key, account.codes[key as ListKey] ?? '']));
  if (fields.element !== undefined) before.normalSide = account.normalSide;
  if (after === undefined && fields.parentId === undefined) return before;
  const siblings = accounts.filter(({ parentId }) => parentId === account.parentId);
  const at = siblings.findIndex(({ id }) => id === account.id);
  return { ...before, parentId: account.parentId, after: siblings[at - 1]?.id ?? null };
}

/** Whether an account is still what a change made of it; its place among its siblings is not looked at, its parent is. */
export function isAsLeft(account: ChartAccountBody, { after: _, codes = {}, ...fields }: AccountFieldsChange): boolean {
  if (Object.entries(codes).some(([key, code]) => (account.codes[key as ListKey] ?? '') !== code)) return false;
  return Object.entries(fields).every(([field, value]) => account[field as keyof typeof fields] === value);
}
