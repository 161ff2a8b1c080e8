import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Work that no request waits for, of which each occurrence is one row, for any number of servers. */
export class CreateJob1790000000100 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS job (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT,
  kind VARCHAR(30) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  occurrence VARCHAR(100) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  payload MEDIUMTEXT NOT NULL,
  state VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  due DATETIME(6) NOT NULL,
  attempt INT UNSIGNED NOT NULL DEFAULT 0,
  owner VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  lease_until DATETIME(6) NULL,
  failure VARCHAR(500) NOT NULL DEFAULT '',
  made_at DATETIME(6) NOT NULL,
  ended_at DATETIME(6) NULL,
  PRIMARY KEY (id),
  UNIQUE KEY job_once (kind, occurrence),
  KEY job_by_due (state, due, id),
  KEY job_by_lease (state, lease_until)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS job');
  }
}
