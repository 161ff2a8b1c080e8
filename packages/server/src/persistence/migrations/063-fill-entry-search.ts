import type { MigrationInterface, QueryRunner } from 'typeorm';
import { insertSearch } from '../books/index.ts';

/** Of the entries that were posted before. */
export class FillEntrySearch1790000000063 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DELETE FROM entry_search');
    await queryRunner.query(insertSearch('TRUE'));
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DELETE FROM entry_search');
  }
}
