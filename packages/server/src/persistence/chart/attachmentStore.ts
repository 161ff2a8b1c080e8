import { createHash } from 'node:crypto';
import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, Attachment, AttachmentOwner, AttachmentStore } from '../../application/ports/index.ts';
import {
  type AuditEvent,
  type Counters,
  changeIn,
  type DiskShares,
  deleteIn,
  findIn,
  insertIn,
  inTransaction,
  recordAudit,
  rowsOf,
  timestamp,
} from '../database/index.ts';
import { AttachmentEntity, AttachmentPartEntity } from '../entities/recordEntities.ts';

const partBytes = 1 << 20;
const columns = 'id, account_id AS accountId, entry_id AS entryId, name, bytes, added_at AS addedAt, added_by AS addedBy';

/** Attached files as rows of 1 MB, where every server sees them; without a hash one is not there yet. */
export class AttachmentRepository implements AttachmentStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
    private readonly shares: DiskShares,
  ) {}

  async list(companyId: number, { kind, id }: AttachmentOwner): Promise<Attachment[]> {
    return this.attachments(`${kind}_id = ? ORDER BY id DESC`, [companyId, id]);
  }

  async find(companyId: number, id: number): Promise<Attachment | null> {
    const [found] = await this.attachments('id = ?', [companyId, id]);
    return found ?? null;
  }

  private async attachments(where: string, parameters: readonly number[]): Promise<Attachment[]> {
    const rows = await rowsOf<Omit<Attachment, 'id' | 'owner'> & { id: string; accountId: number | null; entryId: string | null }>(
      this.database,
      `SELECT ${columns} FROM attachment WHERE company_id = ? AND sha256 IS NOT NULL AND ${where}`,
      parameters,
    );
    return rows.map(({ accountId, entryId, ...row }) => ({
      ...row,
      id: Number(row.id),
      owner: accountId === null ? { kind: 'entry', id: Number(entryId) } : { kind: 'account', id: accountId },
    }));
  }

  async write(
    companyId: number,
    owner: AttachmentOwner,
    name: string,
    content: AsyncIterable<Uint8Array>,
    most: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    const id = await this.counters.next('attachment');
    await this.removeAbandoned();
    // Counted as the largest that it may be until all of it is there.
    const begun = await inTransaction(this.database, async (runner) => {
      await this.shares.takeRoom(runner, companyId, actor.personId, most);
      const added = { addedAt: timestamp(), addedBy: actor.name, addedById: actor.personId };
      const of = owner.kind === 'account' ? { accountId: owner.id } : { entryId: owner.id };
      await insertIn(runner, AttachmentEntity, companyId, { id, ...of, name, bytes: most, sha256: null, ...added });
    });
    if (!begun.ok) return begun;
    const hash = createHash('sha256');
    let [bytes, part] = [0, 0];
    try {
      for await (const block of inParts(content)) {
        bytes += block.length;
        if (bytes > most) return await this.refuse(companyId, id, { code: 'attachment_too_large', limit: most });
        hash.update(block);
        await insertIn(this.database, AttachmentPartEntity, companyId, { attachmentId: id, part: part++, content: block });
      }
    } catch (error) {
      const isCutOff = (error as { code?: string }).code === 'ECONNRESET';
      await this.refuse(companyId, id, { code: 'attachment_incomplete' });
      if (isCutOff) return fail({ code: 'attachment_incomplete' });
      throw error;
    }
    if (bytes === 0) return this.refuse(companyId, id, { code: 'attachment_incomplete' });
    const finished = await inTransaction(this.database, async (runner) => {
      await changeIn(runner, AttachmentEntity, companyId, { id }, { bytes, sha256: hash.digest() });
      await recordAudit(runner, this.counters, companyId, actor, [await changeOf(runner, companyId, owner, { attached: name })]);
    });
    return finished.ok ? succeed(id) : finished;
  }

  private async refuse(companyId: number, id: number, failure: Failure): Promise<Outcome<never, Failure>> {
    await deleteIn(this.database, AttachmentEntity, companyId, { id });
    return fail(failure);
  }

  /** What a server that was killed left half-written. */
  private async removeAbandoned(): Promise<void> {
    await this.database.query('DELETE FROM attachment WHERE sha256 IS NULL AND added_at < UTC_TIMESTAMP() - INTERVAL 1 DAY');
  }

  async *read(companyId: number, id: number): AsyncIterable<Uint8Array> {
    for (let part = 0; ; part++) {
      const [row] = await findIn(this.database, AttachmentPartEntity, companyId, { attachmentId: id, part });
      if (!row) return;
      yield row.content;
    }
  }

  remove(companyId: number, { id, owner, name }: Attachment, actor: Actor): Promise<Outcome<void, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await deleteIn(runner, AttachmentEntity, companyId, { id });
      await recordAudit(runner, this.counters, companyId, actor, [await changeOf(runner, companyId, owner, { detached: name })]);
    });
  }
}

/** An entry is known by its day. */
async function changeOf(runner: QueryRunner, companyId: number, { kind, id }: AttachmentOwner, change: object): Promise<AuditEvent> {
  if (kind === 'account') return { thing: kind, thingId: id, action: 'changed', after: change };
  const [entry] = await rowsOf<{ date: string }>(runner, 'SELECT entry_date AS date FROM journal_entry WHERE company_id = ? AND id = ?', [companyId, id]);
  return { thing: kind, thingId: id, action: 'changed', after: { ...change, date: entry?.date } };
}

/** Blocks of 1 MB out of whatever comes; at most one of them is held. */
async function* inParts(content: AsyncIterable<Uint8Array>): AsyncIterable<Buffer> {
  let held: Uint8Array[] = [];
  let bytes = 0;
  for await (const chunk of content) {
    held.push(chunk);
    bytes += chunk.length;
    while (bytes >= partBytes) {
      const whole = Buffer.concat(held);
      yield whole.subarray(0, partBytes);
      held = [whole.subarray(partBytes)];
      bytes -= partBytes;
    }
  }
  if (bytes > 0) yield Buffer.concat(held);
}
