import { type ChangedLine, draftWithIds, type Outcome, type PlacementDraft, type PlacementEffect, type PlacementTies } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type {
  Actor,
  ClassificationChange,
  PastPlacement,
  PlacementRecord,
  PlacementRecordDetail,
  PlacementStore,
  PlacementToApply,
  ReasonChange,
} from '../../application/ports/index.ts';
import { type ChangeStructure, structureChanges } from '../books/index.ts';
import {
  type AuditEvent,
  type Counters,
  changeRows,
  changeVersioned,
  deleteIn,
  findIn,
  insertRows,
  isDuplicateKey,
  Refused,
  rowsOf,
  timestamp,
} from '../database/index.ts';
import { CategoryEntity, CompanyEntity, PlaceEntity } from '../entities/companyEntities.ts';
import { LayoutEntity } from '../entities/layoutEntities.ts';
import { ClassificationEntity, CoverageExclusionEntity, type PlacementRecordRow, RehearsalEntity } from '../entities/placementEntities.ts';
import { deleteCategories, writeDraft } from './applyPlacement.ts';
import { insertClassification, naming } from './classificationRows.ts';
import { readPastPlacement } from './pastPlacement.ts';

const columns =
  'record.id, record.applied_at AS at, record.applied_by AS `by`, record.reason, record.accounts, record.categories, record.undoes, undoing.id AS undoneBy, record.classification_id AS classificationId';
const mostMoved = 20;
const withUndoing = 'placement_record AS record LEFT JOIN placement_record AS undoing ON undoing.company_id = record.company_id AND undoing.undoes = record.id';

/** Places and categories, changed by drafts; what was applied stays on record. */
export class PlacementRepository implements PlacementStore {
  private readonly change: ChangeStructure;

  constructor(
    private readonly database: DataSource,
    counters: Counters,
  ) {
    this.change = structureChanges(database, counters);
  }

  apply(
    companyId: number,
    { classificationId, draft, effect, reason, undoes }: PlacementToApply,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<{ readonly recordId: number; readonly ids: ReadonlyMap<number, number> }, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      // The database's own time, before anything is written: as of it, the placement is what it was before.
      const [{ at }] = (await rowsOf<{ at: string }>(runner, 'SELECT CAST(NOW(6) AS CHAR) AS at')) as [{ at: string }];
      const ids = await writeDraft(runner, companyId, classificationId, draft);
      const applied = draftWithIds(draft, ids);
      try {
        // By hand for the sake of `at`, which is exact to the microsecond.
        const { insertId } = (await runner.query(
          'INSERT INTO placement_record (company_id, classification_id, applied_at, applied_by, applied_by_id, reason, accounts, categories, undoes, draft, effect) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
          [
            companyId,
            classificationId,
            at,
            actor.name,
            actor.personId,
            reason,
            applied.places.length,
            applied.categories.length,
            undoes,
            JSON.stringify(applied),
            effectText(effect),
          ],
        )) as { insertId: number };
        return { value: { recordId: Number(insertId), ids }, audit: eventsOf(applied) };
      } catch (error) {
        if (undoes !== null && isDuplicateKey(error)) throw new Refused({ code: 'placement_undone_already', recordId: undoes });
        throw error;
      }
    });
  }

  addClassification(companyId: number, name: string, draft: PlacementDraft, expectedStructure: number, actor: Actor): Promise<Outcome<number, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const added = await insertClassification(runner, companyId, name, draft);
      return { value: added.thingId, audit: [added] };
    });
  }

  changeClassification(
    companyId: number,
    { id, version, before, name, becomesMain }: ClassificationChange,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const isChanged = await naming(name, () => changeVersioned(runner, ClassificationEntity, companyId, { id, version }, { name }));
      if (!isChanged) throw new Refused({ code: 'version_conflict', thing: 'classification', id, current: null });
      if (becomesMain) await changeRows(runner, CompanyEntity, { id: companyId }, { mainClassification: id });
      const [was, is] = becomesMain ? [{ isMain: false }, { isMain: true }] : [{}, {}];
      return { value: null, audit: [{ thing: 'classification', thingId: id, action: 'changed', before: { name: before, ...was }, after: { name, ...is } }] };
    });
  }

  deleteClassification(
    companyId: number,
    { id, name }: { readonly id: number; readonly name: string },
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const own = { classificationId: id };
      const layouts = await findIn(runner, LayoutEntity, companyId, own, { order: { name: 'ASC' } });
      if (layouts.length > 0) throw new Refused({ code: 'classification_held', name, layouts: layouts.map((layout) => layout.name) });
      await deleteIn(runner, PlaceEntity, companyId, own);
      const categories = await findIn(runner, CategoryEntity, companyId, own);
      await deleteCategories(
        runner,
        companyId,
        categories.map((category) => category.id),
      );
      await deleteIn(runner, RehearsalEntity, companyId, own);
      await deleteIn(runner, CoverageExclusionEntity, companyId, { scope: `classification:${id}` });
      await deleteIn(runner, ClassificationEntity, companyId, { id });
      return { value: null, audit: [{ thing: 'classification', thingId: id, action: 'deleted', before: { name, categories: categories.length } }] };
    });
  }

  setExclusions(
    companyId: number,
    scope: string,
    accountIds: readonly number[],
    { reason, before }: ReasonChange,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const standing = await findIn(runner, CoverageExclusionEntity, companyId, { scope, accountId: accountIds }, { hold: 'alone' });
      const reasonOf = new Map(standing.map((one) => [one.accountId, one.reason]));
      const moved = accountIds.map((accountId) => ({ accountId, current: reasonOf.get(accountId) ?? null }));
      const overtaken = moved.filter(({ current }) => current !== before && current !== reason);
      if (overtaken.length > 0) throw new Refused({ code: 'exclusions_moved_on', accounts: overtaken.slice(0, mostMoved) });
      await deleteIn(runner, CoverageExclusionEntity, companyId, { scope, accountId: accountIds });
      if (reason !== null)
        await insertRows(
          runner,
          'coverage_exclusion (company_id, scope, account_id, reason, excluded_by, excluded_by_id, excluded_at)',
          accountIds.map((id) => [companyId, scope, id, reason, actor.name, actor.personId, timestamp()]),
        );
      const audit = accountIds.map(
        (id): AuditEvent => ({
          thing: 'coverage',
          thingId: id,
          action: reason === null ? 'deleted' : 'added',
          after: { scope, ...(reason === null ? {} : { reason }) },
        }),
      );
      return { value: accountIds.length, audit };
    });
  }

  async records(companyId: number, classificationId: number, before: number | null, most: number): Promise<PlacementRecord[]> {
    return rowsOf<PlacementRecord>(
      this.database,
      `SELECT ${columns} FROM ${withUndoing} WHERE record.company_id = ? AND record.classification_id = ? ${before === null ? '' : 'AND record.id < ?'}
        ORDER BY record.id DESC LIMIT ?`,
      [companyId, classificationId, ...(before === null ? [] : [before]), most],
    );
  }

  at(companyId: number, classificationId: number, moment: string): Promise<PastPlacement> {
    return readPastPlacement(this.database, companyId, classificationId, moment);
  }

  async record(companyId: number, recordId: number): Promise<PlacementRecordDetail | null> {
    const [row] = await rowsOf<PlacementRecord & Pick<PlacementRecordRow, 'draft' | 'effect'>>(
      this.database,
      `SELECT ${columns}, record.draft, record.effect FROM ${withUndoing} WHERE record.company_id = ? AND record.id = ?`,
      [companyId, recordId],
    );
    return row ? { ...row, draft: JSON.parse(row.draft) as PlacementDraft, effect: effectFrom(row.effect) } : null;
  }
}

function eventsOf({ places, categories }: PlacementDraft): AuditEvent[] {
  return [
    ...categories.map(
      ({ id, before, after }): AuditEvent => ({
        thing: 'category',
        thingId: id,
        action: before === null ? 'added' : after === null ? 'deleted' : 'changed',
        ...(before && { before }),
        ...(after && { after }),
      }),
    ),
    ...places.map(({ accountId, before, after }): AuditEvent => ({ thing: 'place', thingId: accountId, action: 'changed', before, after })),
  ];
}

/** Amounts as decimal text of minor units. */
function effectText({ lines, before, after }: PlacementEffect): string {
  const ties = ({ outOfBalance, profitMissed, atFault, atStake }: PlacementTies) => [outOfBalance, profitMissed, atFault, atStake].map(String);
  return JSON.stringify({
    lines: lines.map((line) => ({ ...line, before: line.before?.map(String) ?? null, after: line.after?.map(String) ?? null })),
    before: ties(before),
    after: ties(after),
  });
}

function effectFrom(text: string): PlacementEffect {
  const { lines, before, after } = JSON.parse(text) as {
    lines: (Omit<ChangedLine, 'before' | 'after'> & { before: string[] | null; after: string[] | null })[];
    before: string[];
    after: string[];
  };
  const ties = ([outOfBalance = '0', profitMissed = '0', atFault = '0', atStake = '0']: string[]): PlacementTies => ({
    outOfBalance: BigInt(outOfBalance),
    profitMissed: BigInt(profitMissed),
    atFault: Number(atFault),
    atStake: BigInt(atStake),
  });
  return {
    lines: lines.map((line) => ({ ...line, before: line.before?.map(BigInt) ?? null, after: line.after?.map(BigInt) ?? null })),
    before: ties(before),
    after: ties(after),
  };
}
