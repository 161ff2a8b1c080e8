import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateMembership1790000000021 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS membership (
  company_id INT UNSIGNED NOT NULL,
  person_id INT UNSIGNED NOT NULL,
  role VARCHAR(20) COLLATE utf8mb4_bin NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, person_id),
  KEY membership_by_person (person_id, company_id),
  CONSTRAINT membership_of_person FOREIGN KEY (person_id) REFERENCES person (id),
  CONSTRAINT membership_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS membership');
  }
}
