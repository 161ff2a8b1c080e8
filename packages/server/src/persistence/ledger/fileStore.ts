import { webcrypto } from 'node:crypto';
import type { Outcome } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, FileStore, StoredFile } from '../../application/ports/index.ts';
import { type Counters, type DiskShares, deleteIn, findIn, insertIn, inTransaction, rowsOf, timestamp } from '../database/index.ts';
import { ImportedFileEntity, ImportedFilePartEntity } from '../entities/recordEntities.ts';

const { subtle } = webcrypto;
const partBytes = 1 << 20;

/** Files handed in, as rows of 1 MB, where every server sees them. */
export class FileRepository implements FileStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
    private readonly shares: DiskShares,
  ) {}

  async keep(companyId: number, name: string, content: Buffer, actor: Actor): Promise<Outcome<number, Failure>> {
    const id = await this.counters.next('file');
    // Not on the thread of the requests.
    const sha256 = Buffer.from(await subtle.digest('SHA-256', content as Uint8Array<ArrayBuffer>));
    return inTransaction(this.database, async (runner) => {
      await this.shares.takeRoom(runner, companyId, actor.personId, content.length);
      const uploaded = { uploadedAt: timestamp(), uploadedBy: actor.name, uploadedById: actor.personId };
      await insertIn(runner, ImportedFileEntity, companyId, { id, name, size: content.length, sha256, ...uploaded });
      for (let part = 0; part * partBytes < content.length; part++) {
        const piece = content.subarray(part * partBytes, (part + 1) * partBytes);
        await insertIn(runner, ImportedFilePartEntity, companyId, { fileId: id, part, content: piece });
      }
      return id;
    });
  }

  async fetch(companyId: number, fileId: number): Promise<StoredFile | null> {
    const [file] = await findIn(this.database, ImportedFileEntity, companyId, { id: fileId });
    if (!file) return null;
    const parts = await findIn(this.database, ImportedFilePartEntity, companyId, { fileId }, { order: { part: 'ASC' } });
    return { name: file.name, content: Buffer.concat(parts.map((part) => part.content)) };
  }
}

const filesAtOnce = 50;

/** Files that nothing was posted from within a day go, some at a time. */
export async function forgetUnpostedFiles(database: DataSource): Promise<void> {
  for (;;) {
    const files = await rowsOf<{ companyId: number; id: string }>(
      database,
      `SELECT company_id AS companyId, id FROM imported_file AS file WHERE uploaded_at < UTC_TIMESTAMP() - INTERVAL 1 DAY
          AND NOT EXISTS (SELECT 1 FROM trial_balance AS posted WHERE posted.company_id = file.company_id AND posted.file_id = file.id) LIMIT ${filesAtOnce}`,
    );
    for (const { companyId, id } of files) {
      await deleteIn(database, ImportedFilePartEntity, companyId, { fileId: id });
      await deleteIn(database, ImportedFileEntity, companyId, { id });
    }
    if (files.length < filesAtOnce) return;
  }
}
