import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Elements whose accounts each need a code of a list. */
export class NeedCodesByElement1790000000079 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      "ALTER TABLE code_list ADD COLUMN IF NOT EXISTS needed_for VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT ''",
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE code_list DROP COLUMN IF EXISTS needed_for');
  }
}
