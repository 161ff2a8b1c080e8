import type { QueryRunner } from 'typeorm';

/** Whether the database keeps the past of a table. */
export async function isVersioned(queryRunner: QueryRunner, table: string): Promise<boolean> {
  const [row] = (await queryRunner.query('SELECT TABLE_TYPE AS type FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ?', [
    table,
  ])) as { type: string }[];
  return row?.type === 'SYSTEM VERSIONED';
}
