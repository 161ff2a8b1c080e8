import type { QueryRunner } from 'typeorm';

const slice = 1000;

/**
 * Sets columns of many accounts of a company in few statements: each row is an id and the values of `columns` in their
 * order. Every row's version grows by one where `versioned`.
 */
export async function updateAccounts(
  runner: QueryRunner,
  companyId: number,
  columns: readonly string[],
  rows: readonly (readonly [id: number, ...values: unknown[]])[],
  { versioned = false } = {},
): Promise<void> {
  const first = `SELECT ? AS id${columns.map((column) => `, ? AS ${column}`).join('')}`;
  const next = `UNION ALL SELECT ?${columns.map(() => ', ?').join('')}`;
  const set = [...columns.map((column) => `account.${column} = given.${column}`), ...(versioned ? ['account.version = account.version + 1'] : [])];
  for (let at = 0; at < rows.length; at += slice) {
    const part = rows.slice(at, at + slice);
    await runner.query(
      `UPDATE account JOIN (${part.map((_, index) => (index === 0 ? first : next)).join(' ')}) AS given ON given.id = account.id
          SET ${set.join(', ')} WHERE account.company_id = ?`,
      [...part.flat(), companyId],
    );
  }
}
