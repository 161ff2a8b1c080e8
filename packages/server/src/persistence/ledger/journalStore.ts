import { type FacetsOfLine, fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type {
  Actor,
  JournalFault,
  JournalForm,
  JournalImportRecord,
  JournalPosted,
  JournalStore,
  JournalSummary,
  Request,
  StagedLine,
  UnjudgedDocument,
} from '../../application/ports/index.ts';
import type { FacetSets } from '../books/index.ts';
import {
  type Counters,
  changedRows,
  type DiskShares,
  findOutcome,
  inTransaction,
  isBrokenReference,
  isDuplicateKey,
  Refused,
  rowsOf,
  timestamp,
} from '../database/index.ts';
import { joinKnown, postStaged } from './postStaged.ts';
import { stageLines } from './stageLines.ts';

const columns = 'id, name, form, state, bytes, bytes_received AS bytesReceived, bytes_read AS bytesRead, row_count AS `rows`, summary';

/** Imports of journal lines: their staging, what was found in them, and their posting. */
export class JournalRepository implements JournalStore {
  constructor(
    private readonly database: DataSource,
    private readonly databaseUrl: string,
    private readonly facetSets: FacetSets,
    private readonly counters: Counters,
    private readonly shares: DiskShares,
  ) {}

  async begin(companyId: number, { name, bytes, form }: { name: string; bytes: number; form: JournalForm }, actor: Actor): Promise<Outcome<number, Failure>> {
    const id = await this.counters.next('journal_import');
    return inTransaction(this.database, async (runner) => {
      await this.shares.takeRoom(runner, companyId, actor.personId, bytes);
      await runner.query(
        "INSERT INTO journal_import (company_id, id, name, form, state, bytes, begun_at, begun_by, begun_by_id) VALUES (?, ?, ?, ?, 'begun', ?, ?, ?, ?)",
        [companyId, id, name, JSON.stringify(form), bytes, timestamp(), actor.name, actor.personId],
      );
      return id;
    });
  }

  async find(companyId: number, importId: number): Promise<JournalImportRecord | null> {
    const [row] = await rowsOf<
      Record<'id' | 'name' | 'form' | 'bytes' | 'bytesReceived' | 'bytesRead', string> & {
        state: JournalImportRecord['state'];
        rows: number;
        summary: string | null;
      }
    >(this.database, `SELECT ${columns} FROM journal_import WHERE company_id = ? AND id = ?`, [companyId, importId]);
    if (!row) return null;
    const summary = row.summary === null ? null : (JSON.parse(row.summary) as Omit<JournalSummary, 'debit'> & { debit: string });
    return {
      ...row,
      id: Number(row.id),
      form: JSON.parse(row.form) as JournalForm,
      bytes: Number(row.bytes),
      bytesReceived: Number(row.bytesReceived),
      bytesRead: Number(row.bytesRead),
      summary: summary && { ...summary, debit: BigInt(summary.debit), groups: summary.groups ?? [] },
    };
  }

  async claim(companyId: number, importId: number): Promise<boolean> {
    return (await this.changeState(companyId, importId, 'reading', ['begun'])) === 1;
  }

  private async changeState(companyId: number, importId: number, to: string, from: readonly string[]): Promise<number> {
    const runner = this.database.createQueryRunner();
    try {
      return await changedRows(runner, `UPDATE journal_import SET state = ? WHERE company_id = ? AND id = ? AND state IN (${from.map(() => '?').join(', ')})`, [
        to,
        companyId,
        importId,
        ...from,
      ]);
    } finally {
      await runner.release();
    }
  }

  async facetSetOf(companyId: number, facets: FacetsOfLine): Promise<Outcome<number, Failure>> {
    try {
      return succeed((await this.facetSets.idsOf(companyId, [facets]))(facets));
    } catch (error) {
      if (error instanceof Refused) return fail(error.failure);
      if (isBrokenReference(error)) return fail({ code: 'ledger_moved_on' });
      throw error;
    }
  }

  stage(importId: number, lines: AsyncIterable<readonly StagedLine[]>): Promise<void> {
    return stageLines(this.databaseUrl, importId, lines);
  }

  async received(companyId: number, importId: number, bytes: number): Promise<boolean> {
    await this.database.query('UPDATE journal_import SET bytes_received = ? WHERE company_id = ? AND id = ?', [bytes, companyId, importId]);
    return (await this.find(companyId, importId))?.state === 'reading';
  }

  async progress(companyId: number, importId: number, bytesRead: number, rows: number): Promise<boolean> {
    await this.database.query('UPDATE journal_import SET bytes_read = ?, row_count = ? WHERE company_id = ? AND id = ?', [
      bytesRead,
      rows,
      companyId,
      importId,
    ]);
    return (await this.find(companyId, importId))?.state === 'reading';
  }

  async group(companyId: number, importId: number, most: number, unjudged: readonly UnjudgedDocument[]): Promise<JournalSummary> {
    await this.database.query(
      `INSERT INTO staged_entry (import_id, first_row, document, entry_date, layer, description, year, period, line_count, debit, credit)
       SELECT import_id, MIN(line_row), document, entry_date, layer, MAX(description), MIN(year), MIN(period), COUNT(*), SUM(debit), SUM(credit)
         FROM staged_line WHERE import_id = ? GROUP BY import_id, document, entry_date, layer`,
      [importId],
    );
    // An entry that was reversed may come again, with whatever was wrong mended.
    await this.database.query(`UPDATE staged_entry AS staged ${joinKnown} SET staged.known_id = entry.id WHERE staged.import_id = ?`, [companyId, importId]);
    const [judged, names] = judgedOf(unjudged);
    const faults = [...(await this.faultsOfNew(importId, most, judged, names)), ...(await this.changedOnes(companyId, importId, most, judged, names))];
    const [counts] = await rowsOf<
      Record<'entries' | 'lines' | 'known' | 'debit' | 'adjustments' | 'unbalanced', string> & { firstDay: string | null; lastDay: string | null }
    >(
      this.database,
      `SELECT COALESCE(SUM(known_id IS NULL), 0) AS entries, COALESCE(SUM(IF(known_id IS NULL, line_count, 0)), 0) AS \`lines\`, COALESCE(SUM(known_id IS NOT NULL), 0) AS known,
              COALESCE(SUM(IF(known_id IS NULL, debit, 0)), 0) AS debit, COALESCE(SUM(known_id IS NULL AND layer = 'adjustment'), 0) AS adjustments,
              COALESCE(SUM(known_id IS NULL AND (debit <> credit OR line_count < 2) AND ${judged}), 0) AS unbalanced,
              MIN(IF(known_id IS NULL, entry_date, NULL)) AS firstDay, MAX(IF(known_id IS NULL, entry_date, NULL)) AS lastDay
         FROM staged_entry AS staged WHERE import_id = ?`,
      [...names, importId],
    );
    const number = (key: 'entries' | 'lines' | 'known' | 'adjustments' | 'unbalanced') => Number(counts?.[key] ?? 0);
    return {
      entries: number('entries'),
      lines: number('lines'),
      known: number('known'),
      debit: BigInt(counts?.debit ?? 0),
      adjustments: number('adjustments'),
      firstDay: counts?.firstDay ?? null,
      lastDay: counts?.lastDay ?? null,
      faultCount: number('unbalanced') + faults.filter(({ code }) => code === 'entry_known_otherwise').length,
      faults: faults.slice(0, most),
      groups: [],
    };
  }

  private async faultsOfNew(importId: number, most: number, judged: string, names: readonly string[]): Promise<JournalFault[]> {
    const rows = await rowsOf<{ row: number; document: string; date: string; lines: number; difference: string }>(
      this.database,
      `SELECT first_row AS row, document, entry_date AS date, line_count AS \`lines\`, debit - credit AS difference FROM staged_entry AS staged
        WHERE import_id = ? AND known_id IS NULL AND (debit <> credit OR line_count < 2) AND ${judged} ORDER BY first_row LIMIT ?`,
      [importId, ...names, most],
    );
    return rows.map(({ row, document, date, lines, difference }) => ({
      row,
      code: lines < 2 ? 'entry_of_one_line' : 'entry_out_of_balance',
      facts: { document, date, difference },
    }));
  }

  /** Documents that were posted from a file with other amounts: left out in silence they would be missing. */
  private async changedOnes(companyId: number, importId: number, most: number, judged: string, names: readonly string[]): Promise<JournalFault[]> {
    const rows = await rowsOf<{ row: number; document: string; date: string; documentNumber: string }>(
      this.database,
      `SELECT staged.first_row AS row, staged.document, staged.entry_date AS date, entry.document_number AS documentNumber
         FROM staged_entry AS staged JOIN journal_entry AS entry ON entry.company_id = ? AND entry.id = staged.known_id
        WHERE staged.import_id = ? AND (staged.debit, staged.line_count) <>
              (SELECT SUM(line.debit), COUNT(*) FROM journal_line AS line WHERE line.company_id = entry.company_id AND line.entry_id = entry.id)
          AND ${judged}
        ORDER BY staged.first_row LIMIT ?`,
      [companyId, importId, ...names, most],
    );
    return rows.map(({ row, ...facts }) => ({ row, code: 'entry_known_otherwise', facts }));
  }

  async finish(companyId: number, importId: number, state: 'wrong' | 'ready' | 'cancelled', summary: JournalSummary | null): Promise<void> {
    const text = summary && JSON.stringify(summary, (_, value) => (typeof value === 'bigint' ? value.toString() : value));
    const { affectedRows } = (await this.database.query(
      "UPDATE journal_import SET state = ?, summary = ? WHERE company_id = ? AND id = ? AND state NOT IN ('posted', 'cancelled')",
      [state, text, companyId, importId],
    )) as { affectedRows: number };
    if (state === 'ready' && affectedRows > 0) return;
    await forgetStaged(this.database, importId);
  }

  async abandon(companyId: number, importId: number): Promise<void> {
    const state = (await this.find(companyId, importId))?.state;
    if (state === 'reading') await this.finish(companyId, importId, 'cancelled', null);
    else if (state === 'cancelled') await forgetStaged(this.database, importId);
  }

  async cancel(companyId: number, importId: number): Promise<void> {
    const { affectedRows: wasRead } = (await this.database.query(
      "UPDATE journal_import SET state = 'cancelled' WHERE company_id = ? AND id = ? AND state = 'reading'",
      [companyId, importId],
    )) as { affectedRows: number };
    if (wasRead === 0) await this.finish(companyId, importId, 'cancelled', null);
  }

  async post(companyId: number, record: JournalImportRecord, request: Request): Promise<Outcome<JournalPosted, Failure>> {
    const before = await findOutcome(this.database, companyId, request);
    if (before) return before as Outcome<JournalPosted, Failure>;
    const firstEntry = await this.counters.run('entry', Math.max(1, record.summary?.entries ?? 0));
    try {
      const posted = await inTransaction(this.database, (runner) => postStaged(runner, this.counters, companyId, record, firstEntry, request));
      // Nobody waits for what was staged to be taken away; a start of the server takes away what is left.
      if (posted.ok) void forgetStaged(this.database, record.id).catch(() => undefined);
      return posted;
    } catch (error) {
      if (!isDuplicateKey(error)) throw error;
      return ((await findOutcome(this.database, companyId, request)) ?? fail({ code: 'ledger_moved_on' })) as Outcome<JournalPosted, Failure>;
    }
  }
}

/** The condition that a staged entry is none of those whose rows cannot all be read, with its values. */
function judgedOf(unjudged: readonly UnjudgedDocument[]): readonly [condition: string, values: readonly string[]] {
  const conditions = unjudged.map(({ date }) => (date === null ? 'staged.document = ?' : '(staged.document = ? AND staged.entry_date = ?)'));
  const values = unjudged.flatMap(({ document, date }) => (date === null ? [document] : [document, date]));
  return [conditions.length === 0 ? 'TRUE' : `NOT (${conditions.join(' OR ')})`, values];
}

const rowsAtOnce = 20_000;

/** In steps, so that none holds many locks for long. */
async function forgetStaged(database: DataSource, importId: number): Promise<void> {
  for (const table of ['staged_line', 'staged_entry'])
    for (let deleted = rowsAtOnce; deleted === rowsAtOnce; ) {
      const result = (await database.query(`DELETE FROM ${table} WHERE import_id = ? LIMIT ${rowsAtOnce}`, [importId])) as { affectedRows: number };
      deleted = result.affectedRows;
    }
}

/** Lines of imports that nobody has gone on with for a day are staged for nothing; those of one after the other go, in steps. */
export async function forgetAbandonedImports(database: DataSource): Promise<void> {
  await database.query(
    "UPDATE journal_import SET state = 'cancelled' WHERE state IN ('begun', 'reading', 'ready') AND begun_at < UTC_TIMESTAMP() - INTERVAL 1 DAY",
  );
  const left = await rowsOf<{ id: string }>(
    database,
    `SELECT id FROM journal_import AS begun WHERE state IN ('cancelled', 'posted')
        AND (EXISTS (SELECT 1 FROM staged_line WHERE import_id = begun.id) OR EXISTS (SELECT 1 FROM staged_entry WHERE import_id = begun.id))`,
  );
  for (const { id } of left) await forgetStaged(database, Number(id));
}
