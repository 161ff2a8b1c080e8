import type { CaptionInLanguage, DescribedCategory, Place, PlaceSide } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { PastPlacement } from '../../application/ports/index.ts';
import { inSnapshot, rowsOf } from '../database/index.ts';

/** The database keeps what these tables held; a moment is when a statement ran, so what was applied together is there together a moment later. */
export async function readPastPlacement(database: DataSource, companyId: number, classificationId: number, moment: string): Promise<PastPlacement> {
  return inSnapshot(database, async (runner) => {
    const asOf = <Row>(columns: string, table: string, classified = '') =>
      rowsOf<Row>(runner, `SELECT ${columns} FROM ${table} FOR SYSTEM_TIME AS OF TIMESTAMP ? WHERE company_id = ? ${classified}`, [moment, companyId]);
    const own = `AND classification_id = ${Number(classificationId)}`;
    const categories = await asOf<Omit<DescribedCategory, 'ranges' | 'captions'>>(
      'id, parent_id AS parentId, element, name, position, term, step, contra_of AS contraOf, nature, note, description',
      'category',
      own,
    );
    const ranges = await asOf<{ categoryId: number; side: PlaceSide; text: string }>('category_id AS categoryId, side, content AS text', 'category_range');
    const captions = await asOf<CaptionInLanguage & { categoryId: number }>('category_id AS categoryId, language, caption', 'category_caption');
    return {
      places: await asOf<Place>('account_id AS accountId, side, category_id AS categoryId', 'place', own),
      categories: categories.map((category) => ({
        ...category,
        ranges: ranges.filter(({ categoryId }) => categoryId === category.id).map(({ side, text }) => ({ side, text })),
        captions: captions.filter(({ categoryId }) => categoryId === category.id).map(({ language, caption }) => ({ language, caption })),
      })),
    };
  });
}
