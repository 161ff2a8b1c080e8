import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Its check took a shared lock on the company's row in the middle of a posting, which takes that row last: two postings at once deadlocked. */
export class FreeAuditOfCompany1790000000018 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE audit_event DROP FOREIGN KEY IF EXISTS audit_of_company');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE audit_event ADD CONSTRAINT audit_of_company FOREIGN KEY IF NOT EXISTS (company_id) REFERENCES company (id)');
  }
}
