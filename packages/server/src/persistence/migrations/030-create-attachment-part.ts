import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateAttachmentPart1790000000030 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS attachment_part (
  company_id INT UNSIGNED NOT NULL,
  attachment_id BIGINT UNSIGNED NOT NULL,
  part INT UNSIGNED NOT NULL,
  content MEDIUMBLOB NOT NULL,
  PRIMARY KEY (company_id, attachment_id, part),
  CONSTRAINT part_of_attachment FOREIGN KEY (company_id, attachment_id) REFERENCES attachment (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS attachment_part');
  }
}
