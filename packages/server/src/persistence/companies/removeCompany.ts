import type { Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import { changedRows, inTransaction, Refused, rowsOf, timestamp } from '../database/index.ts';

/** Nobody belongs to it any more, and nothing finds it; what is in it goes behind this (`purgeRemoved`). */
export function removeCompany(database: DataSource, companyId: number, name: string): Promise<Outcome<null, Failure>> {
  return inTransaction(database, async (runner) => {
    const [row] = await rowsOf<{ name: string }>(runner, 'SELECT name FROM company WHERE id = ? AND removed_at IS NULL FOR UPDATE', [companyId]);
    if (!row) throw new Refused({ code: 'not_found', thing: 'company', id: companyId });
    if (row.name !== name) throw new Refused({ code: 'company_name_differs', name: row.name });
    await runner.query('DELETE FROM membership WHERE company_id = ?', [companyId]);
    await runner.query('UPDATE company SET removed_at = ?, structure_version = structure_version + 1 WHERE id = ?', [timestamp(), companyId]);
    return null;
  });
}

const rowsInOne = 20_000;

/** Deletes what companies that were removed have left, also those that a server which was stopped left behind. */
export async function purgeRemoved(database: DataSource): Promise<void> {
  const removed = await rowsOf<{ id: number }>(database, 'SELECT id FROM company WHERE removed_at IS NOT NULL');
  if (removed.length === 0) return;
  const runner = database.createQueryRunner();
  await runner.connect();
  try {
    // Every table with rows of a company, whichever they are by now, so that none is forgotten; their order is nobody's concern then.
    const tables = await rowsOf<{ name: string }>(
      runner,
      `SELECT columns.TABLE_NAME AS name FROM information_schema.COLUMNS AS columns
         JOIN information_schema.TABLES AS tables ON tables.TABLE_SCHEMA = columns.TABLE_SCHEMA AND tables.TABLE_NAME = columns.TABLE_NAME
        WHERE columns.TABLE_SCHEMA = DATABASE() AND columns.COLUMN_NAME = 'company_id' AND tables.TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED')`,
    );
    await runner.query('SET FOREIGN_KEY_CHECKS = 0');
    for (const { id } of removed)
      await purge(
        runner,
        id,
        tables.map(({ name }) => name),
      );
  } finally {
    await runner.query('SET FOREIGN_KEY_CHECKS = 1');
    await runner.release();
  }
}

async function purge(runner: QueryRunner, companyId: number, tables: readonly string[]): Promise<void> {
  const clear = async (): Promise<void> => {
    // Lines of a file that nobody posted know their import alone, so they go before it.
    const imports = await rowsOf<{ id: number }>(runner, 'SELECT id FROM journal_import WHERE company_id = ?', [companyId]);
    for (const { id } of imports) for (const table of ['staged_line', 'staged_entry']) await deleteRows(runner, table, 'import_id', id);
    for (const table of tables) await deleteRows(runner, table, 'company_id', companyId);
  };
  await clear();
  // Who was posting in that moment waits for the row, and finds it gone.
  await runner.startTransaction();
  try {
    await runner.query('SELECT id FROM company WHERE id = ? FOR UPDATE', [companyId]);
    await clear();
    await runner.query('DELETE FROM company WHERE id = ?', [companyId]);
    await runner.commitTransaction();
  } catch (error) {
    await runner.rollbackTransaction();
    throw error;
  }
}

async function deleteRows(runner: QueryRunner, table: string, column: string, id: number): Promise<void> {
  while ((await changedRows(runner, `DELETE FROM \`${table}\` WHERE ${column} = ? LIMIT ${rowsInOne}`, [id])) === rowsInOne);
}
