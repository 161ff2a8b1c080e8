import { type DescribedCategory, type Element, type NewCategory, proposeNature, proposeTermAndStep } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { Structure } from '../../application/ports/index.ts';
import { type AuditEvent, deleteIn, findIn, insertIn, rowsOf } from '../database/index.ts';
import { CategoryCaptionEntity, CategoryEntity, CategoryRangeEntity } from '../entities/companyEntities.ts';

async function insertCategory(runner: QueryRunner, companyId: number, classificationId: number, fields: NewCategory): Promise<number> {
  const beside = { classificationId, element: fields.element, parentId: fields.parentId };
  const [last] = await findIn(runner, CategoryEntity, companyId, beside, { order: { position: 'DESC' }, most: 1 });
  const { parentId, element, name, term, step, contraOf } = fields;
  const position = (last?.position ?? 0) + 1000;
  const id = await insertIn(runner, CategoryEntity, companyId, { classificationId, parentId, element, name, position, term, step, contraOf });
  await replaceRanges(runner, companyId, id, fields.ranges);
  await replaceCaptions(runner, companyId, id, fields.captions);
  return id;
}

export async function replaceCaptions(runner: QueryRunner, companyId: number, categoryId: number, captions: DescribedCategory['captions']): Promise<void> {
  await deleteIn(runner, CategoryCaptionEntity, companyId, { categoryId });
  await insertIn(runner, CategoryCaptionEntity, companyId, ...captions.map(({ language, caption }) => ({ categoryId, language, caption })));
}

export async function replaceRanges(runner: QueryRunner, companyId: number, categoryId: number, ranges: DescribedCategory['ranges']): Promise<void> {
  await deleteIn(runner, CategoryRangeEntity, companyId, { categoryId });
  await insertIn(runner, CategoryRangeEntity, companyId, ...ranges.map(({ side, text }) => ({ categoryId, side, content: text })));
}

/** The id of the category at a path, made where it is not there; a new top category is current, or other operating. */
export async function addCategoryPath(
  runner: QueryRunner,
  { company: { id: companyId }, classificationId }: Pick<Structure, 'company' | 'classificationId'>,
  element: Element,
  path: readonly string[],
  audit: AuditEvent[],
): Promise<number> {
  let parentId: number | null = null;
  for (const name of path) {
    const [row]: { id: number }[] = await rowsOf<{ id: number }>(
      runner,
      'SELECT id FROM category WHERE company_id = ? AND classification_id = ? AND element = ? AND parent_id <=> ? AND LOWER(name) = LOWER(?) ORDER BY position, id LIMIT 1',
      [companyId, classificationId, element, parentId, name],
    );
    if (row) {
      parentId = row.id;
      continue;
    }
    const isTop = parentId === null;
    const fields: NewCategory = {
      parentId,
      element,
      name,
      contraOf: null,
      nature: proposeNature(element, name),
      note: '',
      description: '',
      ranges: [],
      captions: [],
      ...proposeTermAndStep(element, isTop, name),
    };
    parentId = await insertCategory(runner, companyId, classificationId, fields);
    audit.push({ thing: 'category', thingId: parentId, action: 'added', after: fields });
  }
  if (parentId === null) throw new Error('a category path is empty');
  return parentId;
}
