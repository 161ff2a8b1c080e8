import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateInstallation1790000000024 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS installation (
  id TINYINT UNSIGNED NOT NULL,
  session_secret VARBINARY(32) NOT NULL,
  PRIMARY KEY (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS installation');
  }
}
