import type { DescribedCategory, DraftedCategory, PlacementDraft } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { Refused, rowsOf } from '../database/index.ts';
import { replaceCaptions, replaceRanges } from './categoryRows.ts';
import { replacePlaces } from './placeRows.ts';

/** Writes a draft that was checked against the placement as it stands. Gives the ids that new categories, negative in the draft, got. */
export async function writeDraft(
  runner: QueryRunner,
  companyId: number,
  classificationId: number,
  { places, categories }: PlacementDraft,
): Promise<ReadonlyMap<number, number>> {
  const ids = new Map<number, number>();
  const idOf = (id: number): number => ids.get(id) ?? id;
  for (const category of parentsFirst(categories)) ids.set(category.id, await insert(runner, companyId, classificationId, category, idOf));
  for (const { id, before, after } of categories) {
    if (!after) continue;
    await runner.query(
      `UPDATE category SET parent_id = ?, name = ?, position = ?, term = ?, step = ?, contra_of = ?, nature = ?, note = ?, description = ?, version = version + ?
        WHERE company_id = ? AND id = ?`,
      [
        after.parentId === null ? null : idOf(after.parentId),
        after.name,
        after.position,
        after.term,
        after.step,
        after.contraOf === null ? null : idOf(after.contraOf),
        after.nature,
        after.note,
        after.description,
        before === null ? 0 : 1,
        companyId,
        idOf(id),
      ],
    );
    await replaceRanges(runner, companyId, idOf(id), after.ranges);
    await replaceCaptions(runner, companyId, idOf(id), after.captions);
  }
  await replacePlaces(
    runner,
    companyId,
    places.map(({ accountId, after }) => ({ accountId, classificationId, places: after.map((place) => ({ ...place, categoryId: idOf(place.categoryId) })) })),
  );
  await deleteCategories(
    runner,
    companyId,
    categories.flatMap(({ id, after }) => (after === null ? [id] : [])),
  );
  return ids;
}

function parentsFirst(categories: readonly DraftedCategory[]): DescribedCategory[] {
  const added = new Map(categories.flatMap(({ id, before, after }) => (before === null && after !== null ? [[id, after] as const] : [])));
  const depth = (category: DescribedCategory): number => {
    const parent = category.parentId === null ? undefined : added.get(category.parentId);
    return parent ? depth(parent) + 1 : 0;
  };
  return [...added.values()].sort((a, b) => depth(a) - depth(b));
}

/** One that is taken up again, after it was deleted, gets the id it had. What it is deducted from may be made after it. */
async function insert(
  runner: QueryRunner,
  companyId: number,
  classificationId: number,
  category: DescribedCategory,
  idOf: (id: number) => number,
): Promise<number> {
  const { id, parentId, element, name, position } = category;
  if (id > 0) {
    const [was] = await rowsOf(runner, 'SELECT 1 FROM category FOR SYSTEM_TIME ALL WHERE company_id = ? AND classification_id = ? AND id = ? LIMIT 1', [
      companyId,
      classificationId,
      id,
    ]);
    if (!was) throw new Refused({ code: 'not_found', thing: 'category', id });
  }
  const result = (await runner.query(
    'INSERT INTO category (company_id, classification_id, id, parent_id, element, name, position, version) VALUES (?, ?, ?, ?, ?, ?, ?, 0)',
    [companyId, classificationId, id > 0 ? id : null, parentId === null ? null : idOf(parentId), element, name, position],
  )) as { insertId: number };
  return id > 0 ? id : Number(result.insertId);
}

/** Nothing stands in them any more but one another. */
export async function deleteCategories(runner: QueryRunner, companyId: number, ids: readonly number[]): Promise<void> {
  if (ids.length === 0) return;
  const marks = ids.map(() => '?').join(', ');
  for (const id of ids) {
    await replaceRanges(runner, companyId, id, []);
    await replaceCaptions(runner, companyId, id, []);
  }
  await runner.query(`UPDATE category SET parent_id = NULL, contra_of = NULL WHERE company_id = ? AND id IN (${marks})`, [companyId, ...ids]);
  await runner.query(`DELETE FROM category WHERE company_id = ? AND id IN (${marks})`, [companyId, ...ids]);
}
