import { webcrypto } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { Actor, FileStore, StoredFile } from '../application/ports/index.ts';
import { timestamp } from './audit.ts';
import type { Counters } from './counters.ts';
import { inTransaction, rowsOf } from './transaction.ts';

const { subtle } = webcrypto;
const partBytes = 1 << 20;

/** Files handed in, as rows of 1 MB, where every server sees them. */
export class FileRepository implements FileStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async keep(companyId: number, name: string, content: Buffer, actor: Actor): Promise<number> {
    const id = await this.counters.next('file');
    // Not on the thread of the requests.
    const sha256 = Buffer.from(await subtle.digest('SHA-256', new Uint8Array(content)));
    const kept = await inTransaction(this.database, async (runner) => {
      await runner.query('INSERT INTO imported_file (company_id, id, name, size, sha256, uploaded_at, uploaded_by) VALUES (?, ?, ?, ?, ?, ?, ?)', [
        companyId,
        id,
        name,
        content.length,
        sha256,
        timestamp(),
        actor.name,
      ]);
      for (let part = 0; part * partBytes < content.length; part++)
        await runner.query('INSERT INTO imported_file_part (company_id, file_id, part, content) VALUES (?, ?, ?, ?)', [
          companyId,
          id,
          part,
          content.subarray(part * partBytes, (part + 1) * partBytes),
        ]);
    });
    if (!kept.ok) throw new Error(`a file could not be kept: ${kept.failure.code}`);
    return id;
  }

  async fetch(companyId: number, fileId: number): Promise<StoredFile | null> {
    const [file] = await rowsOf<{ name: string }>(this.database, 'SELECT name FROM imported_file WHERE company_id = ? AND id = ?', [companyId, fileId]);
    if (!file) return null;
    const parts = await rowsOf<{ content: Buffer }>(
      this.database,
      'SELECT content FROM imported_file_part WHERE company_id = ? AND file_id = ? ORDER BY part',
      [companyId, fileId],
    );
    return { name: file.name, content: Buffer.concat(parts.map((part) => part.content)) };
  }
}
