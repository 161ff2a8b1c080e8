import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is sent to people, as it goes: the outbox. */
export class CreateMessage1790000000099 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS message (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  recipient VARCHAR(200) NOT NULL,
  subject VARCHAR(300) NOT NULL,
  content MEDIUMTEXT NOT NULL,
  state VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  made_at DATETIME(6) NOT NULL,
  handed_at DATETIME(6) NULL,
  failure VARCHAR(500) NOT NULL DEFAULT '',
  PRIMARY KEY (id),
  KEY message_by_state (state, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS message');
  }
}
