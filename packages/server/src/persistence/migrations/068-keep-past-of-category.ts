import type { MigrationInterface, QueryRunner } from 'typeorm';
import { isVersioned } from './isVersioned.ts';

/** Rows stay to be asked for as of a moment, after they were changed or taken away. */
export class KeepPastOfCategory1790000000068 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    if (!(await isVersioned(queryRunner, 'category'))) await queryRunner.query('ALTER TABLE category ADD SYSTEM VERSIONING');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    if (await isVersioned(queryRunner, 'category')) await queryRunner.query('ALTER TABLE category DROP SYSTEM VERSIONING');
  }
}
