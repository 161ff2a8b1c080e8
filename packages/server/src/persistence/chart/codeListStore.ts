import { type ListedCode, type ListKey, type ListKind, listKey, type Outcome, type PairingRule } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, CodeListStore, CodesChange, FacetFill, FacetFillFound, ListFields, StoredCodeList, ValueOfLine } from '../../application/ports/index.ts';
import { type ChangeStructure, type FacetSets, structureChanges } from '../books/index.ts';
import { type Counters, changedRows, Refused, rowsOf } from '../database/index.ts';
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
      const changed = await changedRows(
        runner,
        'UPDATE code_list SET name = ?, needed_for = ?, needed_on = ?, not_allowed_on = ?, version = version + 1 WHERE company_id = ? AND id = ? AND version = ?',
        [name, neededFor.join(), neededOn, notAllowedOn, companyId, list.id, list.version],
      );
      if (changed === 0) throw new Refused({ code: 'version_conflict', thing: 'code_list', id: list.id, current: null });
      await dropUnusedSets(runner, companyId, list.id, remove);
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
      await runner.query('DELETE FROM pairing_rule WHERE company_id = ? AND ? IN (first_list_id, second_list_id)', [companyId, list.id]);
      await runner.query('DELETE FROM listed_code WHERE company_id = ? AND list_id = ?', [companyId, list.id]);
      await runner.query('DELETE FROM coverage_exclusion WHERE company_id = ? AND scope = ?', [companyId, list.key]);
      await runner.query('DELETE FROM code_list WHERE company_id = ? AND id = ?', [companyId, list.id]);
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
    given: readonly ValueOfLine[],
    fileName: string,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    const values = [...new Set(given.map(({ value }) => value))];
    const sets = await setsWithValues(this.database, this.facetSets, companyId, facet, values);
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      await fillListed(runner, companyId, given, sets);
      const after = { value: values.sort().join(', '), file: fileName, lines: given.length };
      return { value: given.length, audit: [{ thing: 'code_list', thingId: listIdOf(facet), action: 'filled', after }] };
    });
  }

  addPairing(companyId: number, rule: Omit<PairingRule, 'id'>, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      const [first, second] = [
        await codeIdOf(runner, companyId, rule.first, rule.firstValue),
        await codeIdOf(runner, companyId, rule.second, rule.secondValue),
      ];
      const { insertId } = (await runner.query(
        'INSERT INTO pairing_rule (company_id, first_list_id, first_code_id, second_list_id, second_code_id, reason) VALUES (?, ?, ?, ?, ?, ?)',
        [companyId, listIdOf(rule.first), first, listIdOf(rule.second), second, rule.reason],
      )) as { insertId: number };
      return { value: Number(insertId), audit: [{ thing: 'pairing_rule', thingId: Number(insertId), action: 'added', after: rule }] };
    });
  }

  deletePairing(companyId: number, { id, ...rule }: PairingRule, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.changeStructure(companyId, expectedStructure, actor, async (runner) => {
      await runner.query('DELETE FROM pairing_rule WHERE company_id = ? AND id = ?', [companyId, id]);
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
    await runner.query('DELETE FROM facet_set_value WHERE company_id = ? AND facet_set_id = ?', [companyId, id]);
    await runner.query('DELETE FROM facet_set WHERE company_id = ? AND id = ?', [companyId, id]);
  }
}

async function codeIdOf(runner: QueryRunner, companyId: number, key: ListKey, code: string): Promise<number> {
  const [row] = await rowsOf<{ id: number }>(runner, 'SELECT id FROM listed_code WHERE company_id = ? AND list_id = ? AND code = ?', [
    companyId,
    listIdOf(key),
    code,
  ]);
  if (!row) throw new Refused({ code: 'list_code_unknown', listed: code });
  return row.id;
}

function listIdOf(key: ListKey): number {
  return Number(key.slice(key.indexOf(':') + 1));
}

/** Through codes that nobody can have, so that two may swap theirs. */
async function updateCodes(runner: QueryRunner, companyId: number, listId: number, set: CodesChange['set']): Promise<void> {
  const renamed = set.filter(({ was, code }) => was !== null && was !== code);
  const rename = 'UPDATE listed_code SET code = ? WHERE company_id = ? AND list_id = ? AND code = ?';
  for (const [at, { was }] of renamed.entries()) await runner.query(rename, [`\u0001${at}`, companyId, listId, was]);
  for (const [at, { code }] of renamed.entries()) await runner.query(rename, [code, companyId, listId, `\u0001${at}`]);
  for (const { was, code, caption, element, side, parent, retired } of set)
    if (was !== null)
      await runner.query(
        'UPDATE listed_code SET caption = ?, element = ?, side = ?, parent = ?, retired = ? WHERE company_id = ? AND list_id = ? AND code = ?',
        [caption, element, side, parent, retired === true ? 1 : 0, companyId, listId, code],
      );
}
