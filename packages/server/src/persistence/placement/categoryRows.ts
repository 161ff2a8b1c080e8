import { type DescribedCategory, type Element, type NewCategory, proposeNature, proposeTermAndStep } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { Structure } from '../../application/ports/index.ts';
import { type AuditEvent, insertRows, rowsOf } from '../database/index.ts';

async function insertCategory(runner: QueryRunner, companyId: number, classificationId: number, fields: NewCategory): Promise<number> {
  const [last] = await rowsOf<{ position: number | null }>(
    runner,
    'SELECT MAX(position) AS position FROM category WHERE company_id = ? AND classification_id = ? AND element = ? AND parent_id <=> ?',
    [companyId, classificationId, fields.element, fields.parentId],
  );
  const result = (await runner.query(
    'INSERT INTO category (company_id, classification_id, parent_id, element, name, position, term, step, contra_of) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [companyId, classificationId, fields.parentId, fields.element, fields.name, (last?.position ?? 0) + 1000, fields.term, fields.step, fields.contraOf],
  )) as { insertId: number };
  const id = Number(result.insertId);
  await replaceRanges(runner, companyId, id, fields.ranges);
  await replaceCaptions(runner, companyId, id, fields.captions);
  return id;
}

export async function replaceCaptions(runner: QueryRunner, companyId: number, categoryId: number, captions: DescribedCategory['captions']): Promise<void> {
  await runner.query('DELETE FROM category_caption WHERE company_id = ? AND category_id = ?', [companyId, categoryId]);
  await insertRows(
    runner,
    'category_caption (company_id, category_id, language, caption)',
    captions.map(({ language, caption }) => [companyId, categoryId, language, caption]),
  );
}

export async function replaceRanges(runner: QueryRunner, companyId: number, categoryId: number, ranges: DescribedCategory['ranges']): Promise<void> {
  await runner.query('DELETE FROM category_range WHERE company_id = ? AND category_id = ?', [companyId, categoryId]);
  await insertRows(
    runner,
    'category_range (company_id, category_id, side, content)',
    ranges.map(({ side, text }) => [companyId, categoryId, side, text]),
  );
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
