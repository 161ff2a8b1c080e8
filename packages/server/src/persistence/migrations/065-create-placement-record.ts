import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Applied changes of the placement, each whole, with what takes it back and what it did to the statements. */
export class CreatePlacementRecord1790000000065 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS placement_record (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  applied_at DATETIME(6) NOT NULL,
  applied_by VARCHAR(200) NOT NULL,
  reason VARCHAR(500) NOT NULL,
  accounts INT UNSIGNED NOT NULL,
  categories INT UNSIGNED NOT NULL,
  undoes INT UNSIGNED NULL,
  draft MEDIUMTEXT NOT NULL,
  effect MEDIUMTEXT NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY placement_record_by_id (id),
  UNIQUE KEY placement_record_undone (company_id, undoes),
  CONSTRAINT placement_record_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS placement_record');
  }
}
