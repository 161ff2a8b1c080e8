import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Failed tries to sign in, by address and by where they come from, for all servers; known or not. */
export class CreateSignInPause1790000000101 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS sign_in_pause (
  subject VARBINARY(32) NOT NULL,
  failures INT UNSIGNED NOT NULL,
  last_failure DATETIME(6) NOT NULL,
  PRIMARY KEY (subject),
  KEY pause_by_age (last_failure)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS sign_in_pause');
  }
}
