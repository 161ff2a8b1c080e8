import { type ListedCode, type ListKind, listKey, type Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type { CodeListStore, CodesChange, StoredCodeList } from '../application/ports/index.ts';
import { type ChangeStructure, structureChanges } from './changeStructure.ts';
import { insertCodeList, insertCodes } from './codeRows.ts';
import type { Counters } from './counters.ts';
import { changedRows, Refused, rowsOf } from './transaction.ts';

/** Lists of report codes, facets, and what stands in them. */
export class CodeListRepository implements CodeListStore {
  private readonly changeStructure: ChangeStructure;

  constructor(database: DataSource, counters: Counters) {
    this.changeStructure = structureChanges(database, counters);
  }

  add(
    companyId: number,
    kind: ListKind,
    name: string,
    codes: readonly ListedCode[],
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<number, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const id = await insertCodeList(runner, companyId, { key: listKey(kind, 0), name, codes });
      return { value: id, audit: [{ thing: 'code_list', thingId: id, action: 'added', after: { kind, name, listed: codes.length } }] };
    });
  }

  change(
    companyId: number,
    list: StoredCodeList,
    name: string,
    { set, remove }: CodesChange,
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<null, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const changed = await changedRows(runner, 'UPDATE code_list SET name = ?, version = version + 1 WHERE company_id = ? AND id = ? AND version = ?', [
        name,
        companyId,
        list.id,
        list.version,
      ]);
      if (changed === 0) throw new Refused({ code: 'version_conflict', thing: 'code_list', id: list.id, current: null });
      for (const code of remove) await runner.query('DELETE FROM listed_code WHERE company_id = ? AND list_id = ? AND code = ?', [companyId, list.id, code]);
      await updateCodes(runner, companyId, list.id, set);
      const [last] = await rowsOf<{ position: number | null }>(
        runner,
        'SELECT MAX(position) AS position FROM listed_code WHERE company_id = ? AND list_id = ?',
        [companyId, list.id],
      );
      await insertCodes(
        runner,
        companyId,
        list.id,
        set.filter(({ was }) => was === null),
        last?.position ?? 0,
      );
      const before = new Map(list.codes.map((listed) => [listed.code, listed]));
      return {
        value: null,
        audit: [
          {
            thing: 'code_list',
            thingId: list.id,
            action: 'changed',
            before: { name: list.name, codes: [...remove, ...set.flatMap(({ was }) => was ?? [])].map((code) => before.get(code)) },
            after: { name, codes: set.map(({ was: _, ...listed }) => listed) },
          },
        ],
      };
    });
  }

  delete(companyId: number, list: StoredCodeList, expectedStructure: number, actor: string): Promise<Outcome<null, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      await runner.query('DELETE FROM listed_code WHERE company_id = ? AND list_id = ?', [companyId, list.id]);
      await runner.query('DELETE FROM code_list WHERE company_id = ? AND id = ?', [companyId, list.id]);
      return {
        value: null,
        audit: [{ thing: 'code_list', thingId: list.id, action: 'deleted', before: { kind: list.kind, name: list.name, codes: list.codes } }],
      };
    });
  }
}

/** Through codes that nobody can have, so that two may swap theirs. */
async function updateCodes(runner: QueryRunner, companyId: number, listId: number, set: CodesChange['set']): Promise<void> {
  const renamed = set.filter(({ was, code }) => was !== null && was !== code);
  const rename = 'UPDATE listed_code SET code = ? WHERE company_id = ? AND list_id = ? AND code = ?';
  for (const [at, { was }] of renamed.entries()) await runner.query(rename, [`\u0001${at}`, companyId, listId, was]);
  for (const [at, { code }] of renamed.entries()) await runner.query(rename, [code, companyId, listId, `\u0001${at}`]);
  for (const { was, code, caption, element, side, parent } of set)
    if (was !== null)
      await runner.query('UPDATE listed_code SET caption = ?, element = ?, side = ?, parent = ? WHERE company_id = ? AND list_id = ? AND code = ?', [
        caption,
        element,
        side,
        parent,
        companyId,
        listId,
        code,
      ]);
}
