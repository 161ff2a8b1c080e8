import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A company may use names only; its accounts have no number then. */
export class MakeNumbersOptional1790000000031 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company ADD COLUMN IF NOT EXISTS numbered TINYINT UNSIGNED NOT NULL DEFAULT 1');
    await queryRunner.query('ALTER TABLE account MODIFY COLUMN number VARCHAR(50) COLLATE utf8mb4_bin NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("UPDATE account SET number = CONCAT('#', id) WHERE number IS NULL");
    await queryRunner.query('ALTER TABLE account MODIFY COLUMN number VARCHAR(50) COLLATE utf8mb4_bin NOT NULL');
    await queryRunner.query('ALTER TABLE company DROP COLUMN IF EXISTS numbered');
  }
}
