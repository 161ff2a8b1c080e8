import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Accounts that each need a code of a list, by element or by number. */
export class CompleteCodeLists1790000000079 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`ALTER TABLE code_list
  ADD COLUMN IF NOT EXISTS complete_for VARCHAR(200) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS complete_on VARCHAR(1000) NOT NULL DEFAULT ''`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE code_list DROP COLUMN IF EXISTS complete_for, DROP COLUMN IF EXISTS complete_on');
  }
}
