import type { QueryRunner } from 'typeorm';
import { Refused, rowsOf } from './transaction.ts';
import { takeTurn } from './turn.ts';

const mega = 1 << 20;

/** In megabytes; 0: as much as there is. */
export interface ShareLimits {
  /** Of all that a company keeps as files, and has under way. */
  readonly ofCompany: number;
  /** Of what one person hands in within a day, in whichever company; not what was refused or given up, of which nothing is kept. */
  readonly ofPerson: number;
}

const usedByCompany = `SELECT (SELECT COALESCE(SUM(bytes), 0) FROM attachment WHERE company_id = ?)
  + (SELECT COALESCE(SUM(size), 0) FROM imported_file WHERE company_id = ?)
  + (SELECT COALESCE(SUM(bytes), 0) FROM journal_import WHERE company_id = ? AND state IN ('begun', 'reading', 'ready')) AS bytes`;
const usedByPerson = `SELECT (SELECT COALESCE(SUM(bytes), 0) FROM attachment WHERE added_by_id = ? AND added_at > UTC_TIMESTAMP() - INTERVAL 1 DAY)
  + (SELECT COALESCE(SUM(size), 0) FROM imported_file WHERE uploaded_by_id = ? AND uploaded_at > UTC_TIMESTAMP() - INTERVAL 1 DAY)
  + (SELECT COALESCE(SUM(bytes), 0) FROM journal_import WHERE begun_by_id = ? AND begun_at > UTC_TIMESTAMP() - INTERVAL 1 DAY AND state NOT IN ('wrong', 'cancelled')) AS bytes`;

/** What people hand in takes no more of the disk than their share: nobody fills it for the others. */
export class DiskShares {
  constructor(private readonly limits: ShareLimits) {}

  /** Whether `bytes` more have room, said before the first of them is kept; one at a time in a company. The row that counts them is written in the same transaction. */
  async takeRoom(runner: QueryRunner, companyId: number, personId: number | null, bytes: number): Promise<void> {
    await takeTurn(runner, companyId, 'files');
    const { ofCompany, ofPerson } = this.limits;
    await this.judge(runner, 'company', ofCompany, usedByCompany, companyId, bytes);
    if (personId !== null) await this.judge(runner, 'person', ofPerson, usedByPerson, personId, bytes);
  }

  private async judge(runner: QueryRunner, of: 'company' | 'person', megabytes: number, sql: string, id: number, bytes: number): Promise<void> {
    if (megabytes === 0) return;
    const [row] = await rowsOf<{ bytes: string }>(runner, sql, [id, id, id]);
    if (Number(row?.bytes ?? 0) + bytes > megabytes * mega) throw new Refused({ code: 'share_of_disk_full', of, megabytes });
  }
}
