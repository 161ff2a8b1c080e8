import mysql from 'mysql2/promise';

/** Of every entry of a trial. */
export const linesOfEntry = 12;

/** Entries that are not whole, and balances of either table that are not what their lines add up to. */
export async function findFaults(url: string, companyId: number): Promise<string[]> {
  const broken = await rows<{ id: string }>(
    url,
    `SELECT entry.id FROM journal_entry AS entry LEFT JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? GROUP BY entry.id, entry.source HAVING COALESCE(SUM(line.debit - line.credit), 1) <> 0 OR (entry.source IN ('manual', 'import') AND COUNT(*) <> ${linesOfEntry})`,
    [companyId],
  );
  const unnumbered = await rows<{ id: string }>(url, "SELECT id FROM journal_entry WHERE company_id = ? AND (revision = 0 OR document_number = '')", [
    companyId,
  ]);
  const orphans = await rows(
    url,
    'SELECT line.entry_id FROM journal_line AS line LEFT JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ? AND entry.id IS NULL LIMIT 1',
    [companyId],
  );
  const differing = await rows(
    url,
    `SELECT account_id FROM (
       SELECT account_id, year, period, layer, origin, debit, credit FROM balance WHERE company_id = ?
       UNION ALL
       SELECT line.account_id, entry.year, entry.period, line.layer, IF(entry.trial_balance_id IS NULL, 'ordinary', 'trial_balance'), -line.debit, -line.credit
         FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ?
     ) AS both_sides GROUP BY account_id, year, period, layer, origin HAVING SUM(debit) <> 0 OR SUM(credit) <> 0`,
    [companyId, companyId],
  );
  return [
    ...(broken.length > 0 ? [`${broken.length} entries are not whole`] : []),
    ...(unnumbered.length > 0 ? [`${unnumbered.length} entries have no number`] : []),
    ...(orphans.length > 0 ? ['there are lines without their entry'] : []),
    ...(differing.length > 0 ? [`${differing.length} balances are not their lines`] : []),
  ];
}

export async function countEntries(url: string, companyId: number): Promise<{ entries: number; imported: number; documents: number; numbers: number[] }> {
  const [counts] = await rows<{ entries: string; imported: string; documents: string }>(
    url,
    "SELECT SUM(source = 'manual') AS entries, SUM(source = 'import') AS imported, COUNT(DISTINCT IF(source = 'import', origin_document, NULL)) AS documents FROM journal_entry WHERE company_id = ?",
    [companyId],
  );
  const numbers = await rows<{ number: string }>(
    url,
    'SELECT CAST(document_number AS UNSIGNED) AS number FROM journal_entry WHERE company_id = ? ORDER BY number',
    [companyId],
  );
  return {
    entries: Number(counts?.entries),
    imported: Number(counts?.imported),
    documents: Number(counts?.documents),
    numbers: numbers.map(({ number }) => Number(number)),
  };
}

export async function rows<Row>(url: string, sql: string, parameters: readonly unknown[] = []): Promise<Row[]> {
  const connection = await mysql.createConnection({ uri: url, supportBigNumbers: true, bigNumberStrings: true });
  try {
    const [found] = await connection.query(sql, parameters as unknown[]);
    return found as Row[];
  } finally {
    await connection.end();
  }
}
