import type { CodesOfAccount, Facet, ListedCode, ListKey } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { deleteIn, findIn, insertIn, insertRows } from '../database/index.ts';
import { AccountCodeEntity, CodeListEntity, ListedCodeEntity } from '../entities/codeEntities.ts';

export async function insertCodeList(runner: QueryRunner, companyId: number, { key, name, neededFor, neededOn, notAllowedOn, codes }: Facet): Promise<number> {
  const [kind = ''] = key.split(':');
  const id = await insertIn(runner, CodeListEntity, companyId, { kind, name, neededFor: neededFor.join(), neededOn, notAllowedOn });
  await insertCodes(runner, companyId, id, codes, 0);
  return id;
}

/** Behind those that stand at `after` and before. */
export function insertCodes(runner: QueryRunner, companyId: number, listId: number, codes: readonly ListedCode[], after: number): Promise<void> {
  return insertRows(
    runner,
    'listed_code (company_id, list_id, code, caption, element, side, parent, retired, position)',
    codes.map(({ code, caption, element, side, parent, retired }, at) => [
      companyId,
      listId,
      code,
      caption,
      element,
      side,
      parent,
      retired === true ? 1 : 0,
      after + (at + 1) * 1000,
    ]),
  );
}

export interface CodesGiven {
  readonly accountId: number;
  readonly codes: CodesOfAccount;
}

const idsInOne = 2000;

/** Takes the codes of each account away and gives it others, which their lists must have. */
export async function replaceCodes(runner: QueryRunner, companyId: number, codesOf: readonly CodesGiven[]): Promise<void> {
  if (codesOf.length === 0) return;
  for (let at = 0; at < codesOf.length; at += idsInOne) {
    const ids = codesOf.slice(at, at + idsInOne).map(({ accountId }) => accountId);
    await deleteIn(runner, AccountCodeEntity, companyId, { accountId: ids });
  }
  const rows = codesOf.flatMap(({ accountId, codes }) =>
    Object.entries(codes).map(([key, code]) => ({ accountId, listId: idOf(key as ListKey), code: code as string })),
  );
  if (rows.length === 0) return;
  const listed = await findIn(runner, ListedCodeEntity, companyId);
  const ids = new Map(listed.map(({ id, listId, code }) => [`${listId} ${code}`, id]));
  await insertRows(
    runner,
    'account_code (company_id, account_id, list_id, code_id)',
    rows.map(({ accountId, listId, code }) => [companyId, accountId, listId, ids.get(`${listId} ${code}`)]),
  );
}

function idOf(key: ListKey): number {
  return Number(key.slice(key.indexOf(':') + 1));
}
