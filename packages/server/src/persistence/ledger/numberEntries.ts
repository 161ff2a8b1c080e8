import type { QueryRunner } from 'typeorm';
import type { PostedEntry, Request } from '../../application/ports/index.ts';
import { Refused, rowsOf, type Statement, together } from '../database/index.ts';
import { balancesOf, type EntryToWrite, plainNumbers } from './writeEntries.ts';

/**
 * The end of a posting, in the order of its locks: balances; then the company row, which gives the revision and the
 * document number, which are copied to the entry and to what a repeated request is answered. All in one trip, since other
 * postings to these accounts wait meanwhile. A series has its own row, taken after the company's and so by one posting at a time.
 */
export async function finishEntry(runner: QueryRunner, companyId: number, entry: EntryToWrite, request: Request): Promise<PostedEntry & { revision: number }> {
  const series = entry.seriesId ?? plainNumbers;
  const isPlain = series === plainNumbers;
  const key = request.idempotencyKey;
  const statements: Statement[] = [
    ...balancesOf(companyId, [entry]),
    { sql: `UPDATE company SET revision = revision + 1, next_document = next_document + ${isPlain ? 1 : 0} WHERE id = ?`, parameters: [companyId] },
    ...(isPlain ? [] : [{ sql: 'UPDATE document_series SET next_number = next_number + 1 WHERE company_id = ? AND id = ?', parameters: [companyId, series] }]),
    {
      sql: `UPDATE journal_entry AS entry JOIN company ON company.id = entry.company_id ${isPlain ? '' : 'JOIN document_series AS series ON series.company_id = entry.company_id AND series.id = entry.series_id'}
               SET entry.revision = company.revision, entry.document_number = ${isPlain ? 'CAST(company.next_document - 1 AS CHAR)' : "CONCAT(series.code, '-', series.next_number - 1)"}
             WHERE entry.company_id = ? AND entry.id = ?`,
      parameters: [companyId, entry.id],
    },
    ...(key === null
      ? []
      : [
          {
            sql: `UPDATE idempotency JOIN journal_entry AS entry ON entry.company_id = idempotency.company_id AND entry.id = ?
                     SET outcome = JSON_OBJECT('entryId', entry.id, 'documentNumber', entry.document_number, 'date', CAST(entry.entry_date AS CHAR), 'lines', ?, 'revision', entry.revision)
                   WHERE idempotency.company_id = ? AND request_key = ?`,
            parameters: [entry.id, entry.lines.length, companyId, key],
          },
        ]),
    { sql: 'SELECT revision, document_number AS documentNumber FROM journal_entry WHERE company_id = ? AND id = ?', parameters: [companyId, entry.id] },
  ];
  const { sql, parameters } = together(statements);
  const [[row] = []] = (await runner.query(sql, parameters as unknown[])) as [{ revision: string; documentNumber: string }[]];
  if (!row || row.documentNumber === '') throw new Refused({ code: 'ledger_moved_on' });
  return { entryId: entry.id, documentNumber: row.documentNumber, date: entry.date, lines: entry.lines.length, revision: Number(row.revision) };
}

/** The same for entries whose ids follow one another: document numbers follow in the same order. */
export async function numberRun(
  runner: QueryRunner,
  companyId: number,
  firstEntry: number,
  count: number,
  expectedRevision: number | null = null,
): Promise<{ revision: number; firstDocument: number }> {
  const { revision, first } = await takeNumbers(runner, companyId, count, expectedRevision);
  await runner.query('UPDATE journal_entry SET revision = ?, document_number = CAST(? + id - ? AS CHAR) WHERE company_id = ? AND id BETWEEN ? AND ?', [
    revision,
    first,
    firstEntry,
    companyId,
    firstEntry,
    firstEntry + count - 1,
  ]);
  return { revision, firstDocument: first };
}

/** Entries with the company's plain numbers, all of one revision. */
export async function numberEntries(
  runner: QueryRunner,
  companyId: number,
  entries: readonly EntryToWrite[],
  expectedRevision: number | null,
): Promise<{ revision: number; posted: PostedEntry[] }> {
  const { revision, first } = await takeNumbers(runner, companyId, entries.length, expectedRevision);
  const posted: PostedEntry[] = [];
  for (const [index, entry] of entries.entries()) {
    const documentNumber = String(first + index);
    await runner.query('UPDATE journal_entry SET revision = ?, document_number = ? WHERE company_id = ? AND id = ?', [
      revision,
      documentNumber,
      companyId,
      entry.id,
    ]);
    posted.push({ entryId: entry.id, documentNumber, date: entry.date, lines: entry.lines.length });
  }
  return { revision, posted };
}

/** The next revision, and so many document numbers. */
async function takeNumbers(
  runner: QueryRunner,
  companyId: number,
  count: number,
  expectedRevision: number | null,
): Promise<{ revision: number; first: number }> {
  const [row] = await rowsOf<{ revision: string; nextDocument: string }>(
    runner,
    'SELECT revision, next_document AS nextDocument FROM company WHERE id = ? FOR UPDATE',
    [companyId],
  );
  if (!row) throw new Refused({ code: 'not_found', thing: 'company', id: companyId });
  if (expectedRevision !== null && Number(row.revision) !== expectedRevision) throw new Refused({ code: 'ledger_moved_on' });
  const revision = Number(row.revision) + 1;
  const first = Number(row.nextDocument);
  await runner.query('UPDATE company SET revision = ?, next_document = ? WHERE id = ?', [revision, first + count, companyId]);
  return { revision, first };
}
