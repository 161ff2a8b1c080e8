import type { Day, FigureKind } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { BroughtInRecord, EntryRecord, LedgerStore, OpenAdjustment } from '../../application/ports/index.ts';
import { facetsOfLines } from '../books/index.ts';
import { rowsOf } from '../database/index.ts';

/** An entry, whole. */
export async function readEntry(database: DataSource, companyId: number, entryId: number): Promise<EntryRecord | null> {
  const [row] = await rowsOf<
    Omit<EntryRecord, 'lines' | 'id' | 'reversesEntryId' | 'reversedBy' | 'isAdjusting' | 'isOpening'> & {
      opening: number;
      id: string;
      reversesEntryId: string | null;
      adjusting: number | null;
    }
  >(
    database,
    `SELECT entry.id, entry_date AS date, document_number AS documentNumber, description, layer, source, closes_year AS closesYear, reverses_entry_id AS reversesEntryId, origin_document AS originDocument, series_id AS series, opening, posted_at AS postedAt, posted_by AS postedBy, period.is_adjusting AS adjusting
       FROM journal_entry AS entry LEFT JOIN fiscal_period AS period ON period.company_id = entry.company_id AND period.year = entry.year AND period.number = entry.period
      WHERE entry.company_id = ? AND entry.id = ?`,
    [companyId, entryId],
  );
  if (!row) return null;
  const lines = await rowsOf<{
    accountId: number;
    number: string;
    name: string;
    debit: string;
    credit: string;
    text: string;
    facetSetId: number;
    currency: string | null;
    amount: string;
    rate: string;
  }>(
    database,
    `SELECT line.account_id AS accountId, COALESCE(account.number, '') AS number, account.name, line.debit, line.credit, line.text, line.facet_set_id AS facetSetId,
            other.currency, other.amount, other.rate
       FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
       LEFT JOIN foreign_amount AS other ON other.company_id = line.company_id AND other.entry_id = line.entry_id AND other.line_number = line.line_number
      WHERE line.company_id = ? AND line.entry_id = ? ORDER BY line.line_number`,
    [companyId, entryId],
  );
  const facetsOf = await facetsOfLines(
    database,
    companyId,
    lines.map(({ facetSetId }) => facetSetId),
  );
  const [reversal] = await rowsOf<{ id: string; documentNumber: string }>(
    database,
    'SELECT id, document_number AS documentNumber FROM journal_entry WHERE company_id = ? AND reverses_entry_id = ? LIMIT 1',
    [companyId, entryId],
  );
  const { adjusting, opening, ...facts } = row;
  return {
    ...facts,
    isAdjusting: adjusting === 1,
    isOpening: opening === 1,
    id: Number(row.id),
    reversesEntryId: row.reversesEntryId === null ? null : Number(row.reversesEntryId),
    reversedBy: reversal ? { id: Number(reversal.id), documentNumber: reversal.documentNumber } : null,
    lines: lines.map(({ facetSetId, currency, amount, rate, ...line }) => ({
      ...line,
      debit: BigInt(line.debit),
      credit: BigInt(line.credit),
      facets: facetsOf(facetSetId),
      foreign: currency === null ? null : { currency, amount: BigInt(amount), rate: rate === '' ? null : rate },
    })),
  };
}

/** Adjustments within two days, oldest first, each whole. */
export async function readAdjustments(database: DataSource, companyId: number, from: Day, to: Day, most: number): ReturnType<LedgerStore['adjustments']> {
  const rows = await rowsOf<{ id: string }>(
    database,
    "SELECT id FROM journal_entry WHERE company_id = ? AND layer = 'adjustment' AND entry_date BETWEEN ? AND ? ORDER BY entry_date, id LIMIT ?",
    [companyId, from, to, most],
  );
  const [before] = await rowsOf<{ total: string }>(
    database,
    "SELECT COUNT(*) AS total FROM journal_entry WHERE company_id = ? AND layer = 'adjustment' AND entry_date < ?",
    [companyId, from],
  );
  const entries: EntryRecord[] = [];
  for (const { id } of rows) {
    const entry = await readEntry(database, companyId, Number(id));
    if (entry) entries.push(entry);
  }
  return { entries, earlier: Number(before?.total ?? 0) };
}

/** Adjustments up to a day that nobody has taken back. */
export async function readOpenAdjustments(database: DataSource, companyId: number, upTo: Day): Promise<OpenAdjustment[]> {
  const rows = await rowsOf<{ entryId: string; date: string; documentNumber: string; description: string; amount: string }>(
    database,
    `SELECT entry.id AS entryId, entry.entry_date AS date, entry.document_number AS documentNumber, entry.description, SUM(line.debit) AS amount
       FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND entry.layer = 'adjustment' AND entry.entry_date <= ? AND entry.reverses_entry_id IS NULL
        AND NOT EXISTS (SELECT 1 FROM journal_entry AS reversal WHERE reversal.company_id = entry.company_id AND reversal.reverses_entry_id = entry.id)
      GROUP BY entry.id, entry.entry_date, entry.document_number, entry.description ORDER BY entry.entry_date, entry.id`,
    [companyId, upTo],
  );
  return rows.map((row) => ({ ...row, entryId: Number(row.entryId), amount: BigInt(row.amount) }));
}

/** Trial balances that were brought in, with the entries of each. */
export async function readBroughtIn(database: DataSource, companyId: number): Promise<BroughtInRecord[]> {
  const rows = await rowsOf<{
    id: string;
    fileId: string;
    fileName: string;
    day: string;
    figures: string;
    postedAt: string;
    postedBy: string;
    takenBackAt: string | null;
    takenBackBy: string;
  }>(
    database,
    'SELECT id, file_id AS fileId, file_name AS fileName, balance_day AS day, figures, posted_at AS postedAt, posted_by AS postedBy, taken_back_at AS takenBackAt, taken_back_by AS takenBackBy FROM trial_balance WHERE company_id = ? ORDER BY balance_day, id',
    [companyId],
  );
  const entries = await rowsOf<{ trialBalanceId: string; entryId: string; documentNumber: string; date: string; lines: string }>(
    database,
    `SELECT entry.trial_balance_id AS trialBalanceId, entry.id AS entryId, entry.document_number AS documentNumber, entry.entry_date AS date,
            (SELECT COUNT(*) FROM journal_line AS line WHERE line.company_id = entry.company_id AND line.entry_id = entry.id) AS \`lines\`
       FROM journal_entry AS entry WHERE entry.company_id = ? AND entry.trial_balance_id IS NOT NULL ORDER BY entry.id`,
    [companyId],
  );
  return rows.map(({ takenBackAt, takenBackBy, ...row }) => ({
    ...row,
    takenBack: takenBackAt === null ? null : { at: takenBackAt, by: takenBackBy },
    id: Number(row.id),
    fileId: Number(row.fileId),
    figures: JSON.parse(row.figures) as FigureKind,
    entries: entries
      .filter((entry) => entry.trialBalanceId === row.id)
      .map((entry) => ({ entryId: Number(entry.entryId), documentNumber: entry.documentNumber, date: entry.date, lines: Number(entry.lines) })),
  }));
}
