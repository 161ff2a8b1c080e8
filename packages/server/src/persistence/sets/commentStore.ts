import type { Day, LineComment, Outcome } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, CommentRecord, CommentStore } from '../../application/ports/index.ts';
import { type Counters, inTransaction, Refused, recordAudit, rowsOf } from '../database/index.ts';

const columns = `part_key AS partKey, line_key AS lineKey, last_day AS day, content AS text,
  changed_at AS changedAt, changed_by AS changedBy, version`;

export class CommentRepository implements CommentStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number, setId: number, day: Day): Promise<{ now: CommentRecord[]; earlier: CommentRecord[] }> {
    const rows = await rowsOf<CommentRecord>(
      this.database,
      `SELECT ${columns} FROM line_comment WHERE company_id = ? AND set_id = ? AND (last_day = ? OR last_day =
        (SELECT MAX(last_day) FROM line_comment WHERE company_id = ? AND set_id = ? AND last_day < ?))
        ORDER BY part_key, line_key`,
      [companyId, setId, day, companyId, setId, day],
    );
    return { now: rows.filter((row) => row.day === day), earlier: rows.filter((row) => row.day !== day) };
  }

  set(
    companyId: number,
    setId: number,
    { partKey, lineKey, day, text }: LineComment & { readonly day: Day },
    expected: number,
    actor: Actor,
  ): Promise<Outcome<CommentRecord | null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const [set] = await rowsOf<{ name: string }>(runner, 'SELECT name FROM statement_set WHERE company_id = ? AND id = ? FOR UPDATE', [companyId, setId]);
      if (!set) throw new Refused({ code: 'not_found', thing: 'statement_set', id: setId });
      const place = [companyId, setId, partKey, lineKey, day];
      const where = 'company_id = ? AND set_id = ? AND part_key = ? AND line_key = ? AND last_day = ?';
      const find = async (): Promise<CommentRecord | undefined> =>
        (await rowsOf<CommentRecord>(runner, `SELECT ${columns} FROM line_comment WHERE ${where}`, place))[0];
      const before = await find();
      if ((before?.version ?? 0) !== expected)
        throw new Refused({ code: 'version_conflict', thing: 'line_comment', id: setId, current: { version: before?.version ?? 0, text: before?.text ?? '' } });
      if (text === '') await runner.query(`DELETE FROM line_comment WHERE ${where}`, place);
      else
        await runner.query(
          `INSERT INTO line_comment (company_id, set_id, part_key, line_key, last_day, content, changed_at, changed_by, changed_by_id, version)
            VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(6), ?, ?, ?)
            ON DUPLICATE KEY UPDATE content = VALUES(content), changed_at = VALUES(changed_at), changed_by = VALUES(changed_by), changed_by_id = VALUES(changed_by_id), version = VALUES(version)`,
          [...place, text, actor.name, actor.personId, expected + 1],
        );
      const after = await find();
      const told = (comment: CommentRecord | undefined) => ({ name: set.name, line: lineKey, day, comment: comment?.text ?? null });
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'statement_set', thingId: setId, action: 'changed', before: told(before), after: told(after) },
      ]);
      return after ?? null;
    });
  }
}
