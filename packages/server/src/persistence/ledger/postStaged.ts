import type { QueryRunner } from 'typeorm';
import type { JournalImportRecord, JournalPosted, Request } from '../../application/ports/index.ts';
import { insertSearch } from '../books/index.ts';
import { type Counters, Refused, recordAudit, recordOutcome, rowsOf, takeKey, takeTurn, timestamp } from '../database/index.ts';
import { numberRun } from './numberEntries.ts';
import { lockAccounts, lockPeriods } from './writeEntries.ts';

/** What was staged of an import, as entries, lines and balances in one transaction; `firstEntry`: the first of as many ids in a row. */
export async function postStaged(
  runner: QueryRunner,
  counters: Counters,
  companyId: number,
  { id, name, summary }: JournalImportRecord,
  firstEntry: number,
  request: Request,
): Promise<JournalPosted> {
  await takeKey(runner, companyId, request);
  // Whether a document was brought is seen only once nobody else is bringing it.
  await takeTurn(runner, companyId, 'documents of files');
  const [row] = await rowsOf<{ state: string }>(runner, 'SELECT state FROM journal_import WHERE company_id = ? AND id = ? FOR UPDATE', [companyId, id]);
  if (row?.state !== 'ready' || !summary) throw new Refused({ code: 'journal_not_ready', state: row?.state ?? 'gone' });
  const days = await rowsOf<{ year: number; number: number; date: string }>(
    runner,
    'SELECT year, period AS number, MIN(entry_date) AS date FROM staged_entry WHERE import_id = ? AND known_id IS NULL GROUP BY year, period',
    [id],
  );
  await lockPeriods(
    runner,
    companyId,
    days.map(({ date, ...period }) => ({ date, period })),
  );
  // Where no document is known, all lines are posted, and sums need not ask for each line's entry.
  const posted = summary.known === 0 ? allLines : linesToPost;
  const accounts = await rowsOf<{ accountId: number }>(runner, `SELECT DISTINCT line.account_id AS accountId ${posted}`, [id]);
  await lockAccounts(
    runner,
    companyId,
    accounts.map(({ accountId }) => accountId),
    false,
  );
  // Since it was read another import may have brought the same documents.
  const [twice] = await rowsOf<{ document: string }>(
    runner,
    `SELECT staged.document FROM staged_entry AS staged ${joinKnown} WHERE staged.import_id = ? AND staged.known_id IS NULL LIMIT 1`,
    [companyId, id],
  );
  if (twice) throw new Refused({ code: 'ledger_moved_on' });
  await placeEntries(runner, id);
  await runner.query(
    `INSERT INTO journal_entry (company_id, id, entry_date, year, period, document_number, description, layer, source, origin_document, revision, posted_at, posted_by, posted_by_id)
     SELECT ?, ? + place, entry_date, year, period, '', description, layer, 'import', document, 0, ?, ?, ? FROM staged_entry WHERE import_id = ? AND known_id IS NULL ORDER BY place`,
    [companyId, firstEntry, timestamp(), request.actor.name, request.actor.personId, id],
  );
  // Its entries were just inserted and its accounts are locked, so no line can miss either: to look both up for each line takes as long as the line.
  await runner.query(
    `SET STATEMENT foreign_key_checks = 0 FOR
     INSERT INTO journal_line (company_id, entry_id, line_number, account_id, entry_date, layer, closing, debit, credit, text, facet_set_id)
     SELECT ?, ? + entry.place, ROW_NUMBER() OVER (PARTITION BY entry.place ORDER BY line.line_row), line.account_id, line.entry_date, line.layer, 0, line.debit, line.credit, line.text, line.facet_set_id
       ${linesToPost} ORDER BY entry.place, line.line_row`,
    [companyId, firstEntry, id],
  );
  await runner.query(insertSearch('entry.company_id = ? AND entry.id BETWEEN ? AND ?'), [companyId, firstEntry, firstEntry + summary.entries - 1]);
  await recordAudit(runner, counters, companyId, request.actor, [
    { thing: 'journal_import', thingId: id, action: 'posted', after: { name, entries: summary.entries, lines: summary.lines } },
  ]);
  const keys = "line.layer, 'ordinary', line.account_id, line.year, line.period";
  await runner.query(
    `INSERT INTO balance (company_id, scenario, layer, origin, account_id, year, period, debit, credit)
     SELECT ?, 0, ${keys}, SUM(line.debit), SUM(line.credit) ${posted} GROUP BY line.layer, line.account_id, line.year, line.period
      ORDER BY line.layer, line.account_id, line.year, line.period ${addingUp('balance')}`,
    [companyId, id],
  );
  await runner.query(
    `INSERT INTO facet_balance (company_id, facet_set_id, layer, origin, account_id, year, period, debit, credit)
     SELECT ?, line.facet_set_id, ${keys}, SUM(line.debit), SUM(line.credit) ${posted} AND line.facet_set_id <> 0
      GROUP BY line.facet_set_id, line.layer, line.account_id, line.year, line.period
      ORDER BY line.facet_set_id, line.layer, line.account_id, line.year, line.period ${addingUp('facet_balance')}`,
    [companyId, id],
  );
  const { revision, firstDocument } = await numberRun(runner, companyId, firstEntry, summary.entries);
  await runner.query("UPDATE journal_import SET state = 'posted' WHERE company_id = ? AND id = ?", [companyId, id]);
  const outcome: JournalPosted = {
    entries: summary.entries,
    lines: summary.lines,
    firstDocument: String(firstDocument),
    lastDocument: String(firstDocument + summary.entries - 1),
    revision,
  };
  await recordOutcome(runner, companyId, request, outcome);
  return outcome;
}

/** The table is named, since the rows that are added have columns of these names too. */
function addingUp(table: string): string {
  return `ON DUPLICATE KEY UPDATE debit = ${table}.debit + VALUES(debit), credit = ${table}.credit + VALUES(credit)`;
}

/** Staged entries with the posted ones of the same document, day and layer; what was reversed may come again. */
export const joinKnown = `JOIN journal_entry AS entry
    ON entry.company_id = ? AND entry.origin_document = staged.document AND entry.entry_date = staged.entry_date AND entry.layer = staged.layer
   AND staged.document <> ''
   AND NOT EXISTS (SELECT 1 FROM journal_entry AS reversal WHERE reversal.company_id = entry.company_id AND reversal.reverses_entry_id = entry.id)`;

const allLines = 'FROM staged_line AS line WHERE line.import_id = ?';

const linesToPost = `FROM staged_line AS line JOIN staged_entry AS entry
         ON entry.import_id = line.import_id AND entry.document = line.document AND entry.entry_date = line.entry_date AND entry.layer = line.layer
      WHERE line.import_id = ? AND entry.known_id IS NULL`;

/** Numbers the entries to be posted from 0, in the order of their days and then of the file. */
async function placeEntries(runner: QueryRunner, importId: number): Promise<void> {
  await runner.query(
    `UPDATE staged_entry AS entry JOIN (
       SELECT first_row, ROW_NUMBER() OVER (ORDER BY entry_date, first_row) - 1 AS place FROM staged_entry WHERE import_id = ? AND known_id IS NULL) AS placed USING (first_row)
        SET entry.place = placed.place WHERE entry.import_id = ?`,
    [importId, importId],
  );
}
