import { type CodesOfAccount, type ListedCode, type ListKey, type ListKind, listKey, type PairingRule } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { StoredCodeList } from '../../application/ports/index.ts';
import { findIn } from '../database/index.ts';
import { AccountCodeEntity, CodeListEntity, ListedCodeEntity, PairingRuleEntity } from '../entities/codeEntities.ts';

type ReadCodeList = StoredCodeList & { readonly codeOf: ReadonlyMap<number, string> };

/** Lists of report codes in the order of their names, then facets as they were made; codes in their explicit order. */
export async function readCodeLists(runner: QueryRunner, companyId: number): Promise<ReadCodeList[]> {
  const lists = await findIn(runner, CodeListEntity, companyId);
  const codes = lists.length === 0 ? [] : await findIn(runner, ListedCodeEntity, companyId, {}, { order: { position: 'ASC', id: 'ASC' } });
  return lists
    .map(({ id, kind, name, neededFor, neededOn, notAllowedOn, version }): ReadCodeList => {
      const own = codes.filter(({ listId }) => listId === id);
      return {
        id,
        kind: kind as ListKind,
        key: listKey(kind as ListKind, id),
        name,
        neededFor: neededFor === '' ? [] : (neededFor.split(',') as StoredCodeList['neededFor'][number][]),
        neededOn,
        notAllowedOn,
        version,
        codes: own.map(
          ({ code, caption, element, side, parent, retired }): ListedCode => ({
            code,
            caption,
            element: element as ListedCode['element'],
            side: side as ListedCode['side'],
            parent,
            retired: retired === 1,
          }),
        ),
        codeOf: new Map(own.map((row) => [row.id, row.code])),
      };
    })
    .sort((a, b) => (a.kind !== b.kind ? (a.kind === 'report' ? -1 : 1) : a.kind === 'report' ? a.name.localeCompare(b.name, 'en') : a.id - b.id));
}

export async function readAccountCodes(runner: QueryRunner, companyId: number, lists: readonly ReadCodeList[]): Promise<Map<number, CodesOfAccount>> {
  const byAccount = new Map<number, Record<ListKey, string>>();
  if (lists.length === 0) return byAccount;
  const listOf = new Map(lists.map((list) => [list.id, list]));
  for (const { accountId, listId, codeId } of await findIn(runner, AccountCodeEntity, companyId)) {
    const list = listOf.get(listId);
    const code = list?.codeOf.get(codeId);
    if (list && code !== undefined) byAccount.set(accountId, { ...byAccount.get(accountId), [list.key]: code });
  }
  return byAccount;
}

/** In the order in which they were made. */
export async function readPairings(runner: QueryRunner, companyId: number, lists: readonly ReadCodeList[]): Promise<PairingRule[]> {
  if (!lists.some(({ kind }) => kind === 'facet')) return [];
  const rows = await findIn(runner, PairingRuleEntity, companyId, {}, { order: { id: 'ASC' } });
  const codeById = new Map(lists.flatMap(({ codeOf }) => [...codeOf]));
  return rows.map(({ id, firstListId, firstCodeId, secondListId, secondCodeId, reason }) => ({
    id,
    first: listKey('facet', firstListId),
    firstValue: codeById.get(firstCodeId) ?? '',
    second: listKey('facet', secondListId),
    secondValue: codeById.get(secondCodeId) ?? '',
    reason,
  }));
}
