import type { MigrationInterface, QueryRunner } from 'typeorm';
import { isVersioned } from './isVersioned.ts';

/** Rows stay to be asked for as of a moment, after they were changed or taken away. */
export class KeepPastOfCategoryCaption1790000000070 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    if (!(await isVersioned(queryRunner, 'category_caption'))) await queryRunner.query('ALTER TABLE category_caption ADD SYSTEM VERSIONING');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    if (await isVersioned(queryRunner, 'category_caption')) await queryRunner.query('ALTER TABLE category_caption DROP SYSTEM VERSIONING');
  }
}
