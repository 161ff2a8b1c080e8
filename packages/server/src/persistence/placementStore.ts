import type { Outcome } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type { CategoryFields, PlaceChange, PlacementStore } from '../application/ports/index.ts';
import type { AuditEvent } from './audit.ts';
import { insertCategory, replaceCaptions, replaceRanges } from './categoryRows.ts';
import { type ChangeStructure, structureChanges } from './changeStructure.ts';
import type { Counters } from './counters.ts';
import { replacePlaces } from './placeRows.ts';
import { changedRows, Refused, rowsOf } from './transaction.ts';

/** Places and categories. */
export class PlacementRepository implements PlacementStore {
  private readonly change: ChangeStructure;

  constructor(database: DataSource, counters: Counters) {
    this.change = structureChanges(database, counters);
  }

  setPlaces(companyId: number, changes: readonly PlaceChange[], expectedStructure: number, actor: string): Promise<Outcome<number, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      await replacePlaces(
        runner,
        companyId,
        changes.map(({ accountId, after }) => ({ accountId, places: after })),
      );
      return {
        value: changes.length,
        audit: changes.map(({ accountId, before, after }): AuditEvent => ({ thing: 'place', thingId: accountId, action: 'changed', before, after })),
      };
    });
  }

  addCategory(companyId: number, fields: CategoryFields, expectedStructure: number, actor: string): Promise<Outcome<number, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const id = await insertCategory(runner, companyId, fields);
      return { value: id, audit: [{ thing: 'category', thingId: id, action: 'added', after: fields }] };
    });
  }

  changeCategory(
    companyId: number,
    categoryId: number,
    version: number,
    fields: CategoryFields,
    order: readonly number[],
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const [before] = await rowsOf<Record<string, unknown>>(
        runner,
        'SELECT parent_id AS parentId, name, position, term, step, contra_of AS contraOf, version FROM category WHERE company_id = ? AND id = ?',
        [companyId, categoryId],
      );
      const changed = await changedRows(
        runner,
        'UPDATE category SET parent_id = ?, name = ?, term = ?, step = ?, contra_of = ?, version = version + 1 WHERE id = ? AND company_id = ? AND version = ?',
        [fields.parentId, fields.name, fields.term, fields.step, fields.contraOf, categoryId, companyId, version],
      );
      if (changed === 0) throw new Refused({ code: 'version_conflict', thing: 'category', id: categoryId, current: before ?? null });
      const rangesBefore = await rowsOf<CategoryFields['ranges'][number]>(
        runner,
        'SELECT side, content AS text FROM category_range WHERE company_id = ? AND category_id = ? ORDER BY side',
        [companyId, categoryId],
      );
      const captionsBefore = await rowsOf<CategoryFields['captions'][number]>(
        runner,
        'SELECT language, caption FROM category_caption WHERE company_id = ? AND category_id = ? ORDER BY language',
        [companyId, categoryId],
      );
      await replaceRanges(runner, companyId, categoryId, fields.ranges);
      await replaceCaptions(runner, companyId, categoryId, fields.captions);
      for (const [index, id] of order.entries())
        await runner.query('UPDATE category SET position = ? WHERE company_id = ? AND id = ?', [(index + 1) * 1000, companyId, id]);
      return {
        value: null,
        audit: [
          {
            thing: 'category',
            thingId: categoryId,
            action: 'changed',
            before: { ...before, ranges: rangesBefore, captions: captionsBefore },
            after: { ...fields, order },
          },
        ],
      };
    });
  }

  deleteCategory(companyId: number, categoryId: number, expectedStructure: number, actor: string): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const [before] = await rowsOf<Record<string, unknown>>(runner, 'SELECT * FROM category WHERE company_id = ? AND id = ?', [companyId, categoryId]);
      await replaceRanges(runner, companyId, categoryId, []);
      await replaceCaptions(runner, companyId, categoryId, []);
      await runner.query('DELETE FROM category WHERE company_id = ? AND id = ?', [companyId, categoryId]);
      return { value: null, audit: [{ thing: 'category', thingId: categoryId, action: 'deleted', before }] };
    });
  }
}
