import type { MigrationInterface, QueryRunner } from 'typeorm';
import { isVersioned } from './isVersioned.ts';

/** Rows stay to be asked for as of a moment, after they were changed or taken away. */
export class KeepPastOfPlace1790000000067 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    if (!(await isVersioned(queryRunner, 'place'))) await queryRunner.query('ALTER TABLE place ADD SYSTEM VERSIONING');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    if (await isVersioned(queryRunner, 'place')) await queryRunner.query('ALTER TABLE place DROP SYSTEM VERSIONING');
  }
}
