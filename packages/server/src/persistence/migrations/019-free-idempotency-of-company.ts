import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Its check took a shared lock on the company's row in the middle of a posting, which takes that row last: two postings at once deadlocked. */
export class FreeIdempotencyOfCompany1790000000019 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE idempotency DROP FOREIGN KEY IF EXISTS idempotency_of_company');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE idempotency ADD CONSTRAINT idempotency_of_company FOREIGN KEY IF NOT EXISTS (company_id) REFERENCES company (id)');
  }
}
