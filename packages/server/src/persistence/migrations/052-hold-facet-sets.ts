import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A set that lines have cannot be taken away under them. */
export class HoldFacetSets1790000000052 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      'ALTER TABLE facet_balance ADD CONSTRAINT facet_balance_of_set FOREIGN KEY IF NOT EXISTS facet_balance_of_set (company_id, facet_set_id) REFERENCES facet_set (company_id, id)',
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE facet_balance DROP FOREIGN KEY IF EXISTS facet_balance_of_set');
  }
}
