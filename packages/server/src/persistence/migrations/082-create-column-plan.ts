import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Column plans that somebody composed. */
export class CreateColumnPlan1790000000082 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS column_plan (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name VARCHAR(200) NOT NULL,
  definition MEDIUMTEXT NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  changed_by VARCHAR(200) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  KEY column_plan_by_id (id),
  UNIQUE KEY column_plan_by_name (company_id, name),
  CONSTRAINT column_plan_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS column_plan');
  }
}
