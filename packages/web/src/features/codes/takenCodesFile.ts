import type { ChartAccountBody } from '@ivory-ladder/contract';
import { asPlainText, type CodeList, describeColumn, type TakenCodes } from '@ivory-ladder/core';

/** The codes that accounts get as a chart file, so that they are judged, checked and applied as one. */
export function takenCodesFile(
  accounts: readonly Pick<ChartAccountBody, 'id' | 'number'>[],
  given: TakenCodes['given'],
  list: Pick<CodeList, 'key' | 'name'>,
): string {
  const byId = new Map(accounts.map((account) => [account.id, account]));
  const cell = (text: string) => `"${asPlainText(text).replaceAll('"', '""')}"`;
  const headings = (['number', list.key, 'key'] as const).map((one) => describeColumn(one, [list]).heading);
  const rows = given.map(({ accountId, code }) => [byId.get(accountId)?.number ?? '', code, String(accountId)]);
  return [headings, ...rows].map((row) => row.map(cell).join(',')).join('\n');
}
