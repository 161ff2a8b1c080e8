import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What companies had until now is their statutory one. */
export class FillClassification1790000000072 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("INSERT IGNORE INTO classification (company_id, id, name) SELECT id, 1, 'Statutory' FROM company");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DELETE FROM classification WHERE id = 1');
  }
}
