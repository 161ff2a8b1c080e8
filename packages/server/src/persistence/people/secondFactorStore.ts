import type { DataSource } from 'typeorm';
import type { SecondFactor, SecondFactorStore } from '../../application/ports/index.ts';
import { inTransaction, rowsOf } from '../database/index.ts';

interface FactorRow {
  readonly secret: Buffer;
  readonly isConfirmed: number | string;
  readonly codesLeft: number | string;
}

/** What a person has beside the password, and who needs it. Each code is taken by one statement, so that of two at once one opens. */
export class SecondFactorRepository implements SecondFactorStore {
  constructor(private readonly database: DataSource) {}

  async find(personId: number): Promise<SecondFactor | null> {
    const [row] = await rowsOf<FactorRow>(
      this.database,
      `SELECT secret, confirmed_at IS NOT NULL AS isConfirmed, (SELECT COUNT(*) FROM recovery_code WHERE person_id = ?) AS codesLeft
         FROM second_factor WHERE person_id = ?`,
      [personId, personId],
    );
    return row ? { secret: row.secret, isConfirmed: Number(row.isConfirmed) === 1, codesLeft: Number(row.codesLeft) } : null;
  }

  async begin(personId: number, secret: Buffer): Promise<boolean> {
    await this.database.query(
      'INSERT INTO second_factor (person_id, secret) VALUES (?, ?) ON DUPLICATE KEY UPDATE secret = IF(confirmed_at IS NULL, VALUES(secret), secret)',
      [personId, secret],
    );
    const found = await this.find(personId);
    return found !== null && !found.isConfirmed;
  }

  async confirm(personId: number, { secret, step }: { readonly secret: Buffer; readonly step: number }, codeHashes: readonly Buffer[]): Promise<boolean> {
    const confirmed = await inTransaction(this.database, async (runner) => {
      const { affectedRows } = (await runner.query(
        'UPDATE second_factor SET confirmed_at = UTC_TIMESTAMP(), last_step = ? WHERE person_id = ? AND secret = ? AND confirmed_at IS NULL',
        [step, personId, secret],
      )) as { affectedRows: number };
      if (affectedRows > 0) await runner.query('INSERT INTO recovery_code (person_id, code_hash) VALUES ?', [codeHashes.map((hash) => [personId, hash])]);
      return affectedRows > 0;
    });
    return confirmed.ok && confirmed.value;
  }

  async takeStep(personId: number, step: number): Promise<boolean> {
    const { affectedRows } = (await this.database.query(
      'UPDATE second_factor SET last_step = ? WHERE person_id = ? AND confirmed_at IS NOT NULL AND last_step < ?',
      [step, personId, step],
    )) as { affectedRows: number };
    return affectedRows > 0;
  }

  async takeCode(personId: number, codeHash: Buffer): Promise<boolean> {
    const { affectedRows } = (await this.database.query('DELETE FROM recovery_code WHERE person_id = ? AND code_hash = ?', [personId, codeHash])) as {
      affectedRows: number;
    };
    return affectedRows > 0;
  }

  async renewCodes(personId: number, codeHashes: readonly Buffer[]): Promise<void> {
    await inTransaction(this.database, async (runner) => {
      await runner.query('DELETE FROM recovery_code WHERE person_id = ?', [personId]);
      await runner.query('INSERT INTO recovery_code (person_id, code_hash) VALUES ?', [codeHashes.map((hash) => [personId, hash])]);
    });
  }

  async remove(personId: number): Promise<boolean> {
    const removed = await inTransaction(this.database, async (runner) => {
      await runner.query('DELETE FROM recovery_code WHERE person_id = ?', [personId]);
      const { affectedRows } = (await runner.query('DELETE FROM second_factor WHERE person_id = ?', [personId])) as { affectedRows: number };
      return affectedRows > 0;
    });
    return removed.ok && removed.value;
  }

  async isRequired(): Promise<boolean> {
    const [row] = await rowsOf<{ required: number }>(this.database, 'SELECT requires_second_factor AS required FROM installation WHERE id = 1');
    return row?.required === 1;
  }

  async require(isRequired: boolean): Promise<void> {
    await this.database.query('UPDATE installation SET requires_second_factor = ? WHERE id = 1', [isRequired ? 1 : 0]);
  }

  async countWithout(): Promise<number> {
    const [row] = await rowsOf<{ count: string }>(
      this.database,
      `SELECT COUNT(*) AS count FROM person WHERE password_hash IS NOT NULL
          AND NOT EXISTS (SELECT 1 FROM second_factor WHERE person_id = person.id AND confirmed_at IS NOT NULL)`,
    );
    return Number(row?.count ?? 0);
  }
}
