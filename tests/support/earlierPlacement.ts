import mysql from 'mysql2/promise';

/** As if in the first half of 2026 everything had stood as it does now, but what is in one category had stood in another. */
export async function rememberUntilJune(databaseUrl: string, from: number, stoodIn: number): Promise<void> {
  const connection = await mysql.createConnection(databaseUrl);
  await connection.query('SET SESSION system_versioning_insert_history = 1');
  for (const table of ['category', 'category_range', 'category_caption', 'place']) {
    const [rows] = await connection.query('SELECT column_name AS name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ?', [
      table,
    ]);
    const names = (rows as { name: string }[]).map(({ name }) => name).filter((name) => !['row_start', 'row_end'].includes(name.toLowerCase()));
    const taken = names.map((name) => (table === 'place' && name === 'category_id' ? `IF(category_id = ${from}, ${stoodIn}, category_id)` : name));
    await connection.query(
      `INSERT INTO ${table} (${names.join(', ')}, row_start, row_end) SELECT ${taken.join(', ')}, '2026-01-01 00:00:00', '2026-06-30 00:00:00' FROM ${table}`,
    );
  }
  await connection.end();
}
