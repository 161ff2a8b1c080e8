import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An account has places in each classification. */
export class ClassifyPlace1790000000075 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`ALTER TABLE place
  ADD COLUMN IF NOT EXISTS classification_id INT UNSIGNED NOT NULL DEFAULT 1,
  DROP PRIMARY KEY,
  ADD PRIMARY KEY (company_id, account_id, classification_id, side)`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DELETE FROM place WHERE classification_id <> 1');
    await queryRunner.query('ALTER TABLE place DROP PRIMARY KEY, ADD PRIMARY KEY (company_id, account_id, side), DROP COLUMN IF EXISTS classification_id');
  }
}
