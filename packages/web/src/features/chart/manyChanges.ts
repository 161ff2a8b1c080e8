import type { ChartAccountBody } from '@ivory-ladder/contract';
import { asPlainText, type ChartColumn, type ChartField, type CodeList, describeColumn, type ListKey } from '@ivory-ladder/core';

/** Fields that can be set alike on many accounts. */
export const manyFields = ['category', 'parent', 'side', 'active', 'role', 'purpose', 'externalNumber'] as const satisfies readonly ChartField[];
export type ManyField = (typeof manyFields)[number] | ListKey;

export type ManyChange =
  | { readonly kind: 'set'; readonly field: ManyField; readonly value: string }
  | { readonly kind: 'replace'; readonly find: string; readonly by: string };

type Account = Pick<ChartAccountBody, 'id' | 'number' | 'name'>;

/** Accounts that the change does something to, with what it writes: a value alike on all, or names with a text replaced. */
export function manyChanges(accounts: readonly Account[], change: ManyChange): { readonly account: Account; readonly value: string }[] {
  if (change.kind === 'set') return accounts.map((account) => ({ account, value: change.value.trim() }));
  if (change.find === '') return [];
  const sought = new RegExp(change.find.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'gi');
  return accounts.flatMap((account) => {
    const value = account.name.replace(sought, () => change.by).trim();
    return value === account.name ? [] : [{ account, value }];
  });
}

/** The changes as a chart file, so that they are judged, checked and applied as one. */
export function manyChangesFile(accounts: readonly Account[], change: ManyChange, lists: readonly Pick<CodeList, 'key' | 'name'>[]): string {
  const field: ChartColumn = change.kind === 'set' ? change.field : 'name';
  // A place for any balance takes the place of those for a side, also where it is none.
  const emptied: ChartField[] = field === 'category' ? ['categoryDebit', 'categoryCredit'] : [];
  const cell = (text: string) => `"${asPlainText(text).replaceAll('"', '""')}"`;
  const headings = (['number', field, ...emptied, 'key'] as const).map((one) => describeColumn(one, lists).heading);
  const rows = manyChanges(accounts, change).map(({ account, value }) => [account.number, value, ...emptied.map(() => ''), String(account.id)]);
  return [headings, ...rows].map((row) => row.map(cell).join(',')).join('\n');
}
