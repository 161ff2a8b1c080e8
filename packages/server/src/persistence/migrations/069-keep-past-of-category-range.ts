import type { MigrationInterface, QueryRunner } from 'typeorm';
import { isVersioned } from './isVersioned.ts';

/** Rows stay to be asked for as of a moment, after they were changed or taken away. */
export class KeepPastOfCategoryRange1790000000069 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    if (!(await isVersioned(queryRunner, 'category_range'))) await queryRunner.query('ALTER TABLE category_range ADD SYSTEM VERSIONING');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    if (await isVersioned(queryRunner, 'category_range')) await queryRunner.query('ALTER TABLE category_range DROP SYSTEM VERSIONING');
  }
}
