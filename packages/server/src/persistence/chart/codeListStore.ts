import { type ListedCode, type ListKey, type ListKind, listKey, type Outcome, type PairingRule } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, CodeListStore, CodesChange, FacetFill, FacetFillFound, ListFields, StoredCodeList, ValueOfLine } from '../../application/ports/index.ts';
import { type ChangeStructure, type FacetSets, structureChanges } from '../books/index.ts';
import { type Counters, changeIn, changeVersioned, deleteIn, findIn, insertIn, Refused, rowsOf } from '../database/index.ts';
import { CodeListEntity, FacetSetEntity, FacetSetValueEntity, ListedCodeEntity, PairingRuleEntity } from '../entities/codeEntities.ts';
import { CoverageExclusionEntity } from '../entities/placementEntities.ts';
import { insertCodeList, insertCodes } from './codeRows.ts';
import { fillListed, linesOfDocuments, setsWithValues } from './facetFile.ts';
import { fillLines, findLinesToFill } from './fillFacet.ts';

/** Lists of report codes, facets, and what stands in them. */
export class CodeListRepository implements CodeListStore {
  private readonly changeStructure: ChangeStructure;

  constructor(
    private readonly database: DataSource,
    private readonly facetSets: FacetSets,
    counters: Counters,
  ) {
    this.changeStructure = structureChanges(database, counters);
  }

  add(
    companyId: number,
    kind: ListKind,
    name: string,
    codes: readonly ListedCode[],
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const id = await insertCodeList(runner, companyId, { key: listKey(kind, 0), name, neededFor: [], neededOn: '', notAllowedOn: '', codes });
      return { value: id, audit: [{ thing: 'code_list', thingId: id, action: 'added', after: { kind, name, listed: codes.length } }] };
    });
  }

  change(
    companyId: number,
    list: StoredCodeList,
    { name, neededFor, neededOn, notAllowedOn }: ListFields,
    { set, remove }: CodesChange,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const key = { id: list.id, version: list.version };
      const isChanged = await changeVersioned(runner, CodeListEntity, companyId, key, { name, neededFor: neededFor.join(), neededOn, notAllowedOn });
      if (!isChanged) throw new Refused({ code: 'version_conflict', thing: 'code_list', id: list.id, current: null });
      await dropUnusedSets(runner, companyId, list.id, remove);
      for (const code of remove) await deleteIn(runner, ListedCodeEntity, companyId, { listId: list.id, code });
      await updateCodes(runner, companyId, list.id, set);
      const [last] = await findIn(runner, ListedCodeEntity, companyId, { listId: list.id }, { order: { position: 'DESC' }, most: 1 });
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
            before: {
              name: list.name,
              neededFor: list.neededFor.join(', '),
              neededOn: list.neededOn,
              notAllowedOn: list.notAllowedOn,
              codes: [...remove, ...set.flatMap(({ was }) => was ?? [])].map((code) => before.get(code)),
            },
            after: { name, neededFor: neededFor.join(', '), neededOn, notAllowedOn, codes: set.map(({ was: _, ...listed }) => listed) },
          },
        ],
      };
    });
  }

  delete(companyId: number, list: StoredCodeList, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      await dropUnusedSets(
        runner,
        companyId,
        list.id,
        list.codes.map(({ code }) => code),
      );
      await deleteIn(runner, PairingRuleEntity, companyId, { firstListId: list.id });
      await deleteIn(runner, PairingRuleEntity, companyId, { secondListId: list.id });
      await deleteIn(runner, ListedCodeEntity, companyId, { listId: list.id });
      await deleteIn(runner, CoverageExclusionEntity, companyId, { scope: list.key });
      await deleteIn(runner, CodeListEntity, companyId, { id: list.id });
      return {
        value: null,
        audit: [{ thing: 'code_list', thingId: list.id, action: 'deleted', before: { kind: list.kind, name: list.name, codes: list.codes } }],
      };
    });
  }

  async linesHaving(companyId: number, listId: number): Promise<ReadonlyMap<string, number>> {
    const rows = await rowsOf<{ code: string; total: string }>(
      this.database,
      `SELECT value.code, COUNT(*) AS total FROM facet_set_value AS held
         JOIN listed_code AS value ON value.company_id = held.company_id AND value.id = held.code_id
         JOIN journal_line AS line ON line.company_id = held.company_id AND line.facet_set_id = held.facet_set_id
        WHERE held.company_id = ? AND held.list_id = ? GROUP BY value.code`,
      [companyId, listId],
    );
    return new Map(rows.map(({ code, total }) => [code, Number(total)]));
  }

  findLinesToFill(companyId: number, fill: FacetFill): Promise<FacetFillFound[]> {
    return findLinesToFill(this.database, companyId, fill);
  }

  async fillLines(companyId: number, fill: FacetFill, rule: string, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>> {
    const sets = await setsWithValues(this.database, this.facetSets, companyId, fill.facet, [fill.value]);
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const lines = await fillLines(runner, companyId, fill, sets.get(fill.value) ?? new Map());
      const after = { value: fill.value, rule, from: fill.from, to: fill.to, lines };
      return { value: lines, audit: lines === 0 ? [] : [{ thing: 'code_list', thingId: listIdOf(fill.facet), action: 'filled', after }] };
    });
  }

  linesOfDocuments(companyId: number, facet: ListKey, documents: readonly string[]): ReturnType<CodeListStore['linesOfDocuments']> {
    return linesOfDocuments(this.database, companyId, facet, documents);
  }

  async fillListed(
    companyId: number,
    facet: ListKey,
    lines: readonly ValueOfLine[],
    fileName: string,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    const values = [...new Set(lines.map(({ value }) => value))];
    const sets = await setsWithValues(this.database, this.facetSets, companyId, facet, values);
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      await fillListed(runner, companyId, lines, sets);
      const after = { value: values.sort().join(', '), file: fileName, lines: lines.length };
      return { value: lines.length, audit: [{ thing: 'code_list', thingId: listIdOf(facet), action: 'filled', after }] };
    });
  }

  addPairing(companyId: number, rule: Omit<PairingRule, 'id'>, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const [first, second] = [
        await codeIdOf(runner, companyId, rule.first, rule.firstValue),
        await codeIdOf(runner, companyId, rule.second, rule.secondValue),
      ];
      const lists = { firstListId: listIdOf(rule.first), secondListId: listIdOf(rule.second) };
      const id = await insertIn(runner, PairingRuleEntity, companyId, { ...lists, firstCodeId: first, secondCodeId: second, reason: rule.reason });
      return { value: id, audit: [{ thing: 'pairing_rule', thingId: id, action: 'added', after: rule }] };
    });
  }

  deletePairing(companyId: number, { id, ...rule }: PairingRule, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      await deleteIn(runner, PairingRuleEntity, companyId, { id });
      return { value: null, audit: [{ thing: 'pairing_rule', thingId: id, action: 'deleted', before: rule }] };
    });
  }
}

/** Sets that no line has any more, or never had, do not hold their values; a set that a line has does. */
async function dropUnusedSets(runner: QueryRunner, companyId: number, listId: number, codes: readonly string[]): Promise<void> {
  if (codes.length === 0) return;
  const sets = await rowsOf<{ id: number }>(
    runner,
    `SELECT DISTINCT held.facet_set_id AS id FROM facet_set_value AS held JOIN listed_code AS value ON value.company_id = held.company_id AND value.id = held.code_id
      WHERE held.company_id = ? AND held.list_id = ? AND value.code IN (${codes.map(() => '?').join(', ')})
        AND NOT EXISTS (SELECT 1 FROM facet_balance WHERE facet_balance.company_id = held.company_id AND facet_balance.facet_set_id = held.facet_set_id)`,
    [companyId, listId, ...codes],
  );
  for (const { id } of sets) {
    await deleteIn(runner, FacetSetValueEntity, companyId, { facetSetId: id });
    await deleteIn(runner, FacetSetEntity, companyId, { id });
  }
}

async function codeIdOf(runner: QueryRunner, companyId: number, key: ListKey, code: string): Promise<number> {
  const [row] = await findIn(runner, ListedCodeEntity, companyId, { listId: listIdOf(key), code });
  if (!row) throw new Refused({ code: 'list_code_unknown', listed: code });
  return row.id;
}

function listIdOf(key: ListKey): number {
  return Number(key.slice(key.indexOf(':') + 1));
}

/** Through codes that nobody can have, so that two may swap theirs. */
async function updateCodes(runner: QueryRunner, companyId: number, listId: number, set: CodesChange['set']): Promise<void> {
  const renamed = set.filter(({ was, code }) => was !== null && was !== code);
  for (const [at, { was }] of renamed.entries())
    if (was !== null) await changeIn(runner, ListedCodeEntity, companyId, { listId, code: was }, { code: `\u0001${at}` });
  for (const [at, { code }] of renamed.entries()) await changeIn(runner, ListedCodeEntity, companyId, { listId, code: `\u0001${at}` }, { code });
  for (const { was, code, caption, element, side, parent, retired } of set)
    if (was !== null)
      await changeIn(runner, ListedCodeEntity, companyId, { listId, code }, { caption, element, side, parent, retired: retired === true ? 1 : 0 });
}
