import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateAuditEvent1790000000015 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS audit_event (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  thing VARCHAR(30) COLLATE utf8mb4_bin NOT NULL,
  thing_id BIGINT UNSIGNED NOT NULL,
  action VARCHAR(30) COLLATE utf8mb4_bin NOT NULL,
  state_before MEDIUMTEXT NULL,
  state_after MEDIUMTEXT NULL,
  happened_at DATETIME(3) NOT NULL,
  actor VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY audit_by_thing (company_id, thing, thing_id, happened_at),
  CONSTRAINT audit_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS audit_event');
  }
}
