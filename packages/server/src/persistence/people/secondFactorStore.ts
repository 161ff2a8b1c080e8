import type { DataSource } from 'typeorm';
import type { SecondFactor, SecondFactorStore } from '../../application/ports/index.ts';
import { addRows, changedRows, changeRows, deleteRows, findRows, inTransaction, rowsOf, timestamp } from '../database/index.ts';
import { InstallationEntity, RecoveryCodeEntity, SecondFactorEntity } from '../entities/peopleEntities.ts';

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
      const set = { confirmedAt: timestamp(), lastStep: step };
      const isFirst = (await changeRows(runner, SecondFactorEntity, { personId, secret, confirmedAt: null }, set)) > 0;
      if (isFirst) await addRows(runner, RecoveryCodeEntity, ...codeHashes.map((codeHash) => ({ personId, codeHash })));
      return isFirst;
    });
    return confirmed.ok && confirmed.value;
  }

  async takeStep(personId: number, step: number): Promise<boolean> {
    const taken = 'UPDATE second_factor SET last_step = ? WHERE person_id = ? AND confirmed_at IS NOT NULL AND last_step < ?';
    return (await changedRows(this.database, taken, [step, personId, step])) > 0;
  }

  async takeCode(personId: number, codeHash: Buffer): Promise<boolean> {
    return (await deleteRows(this.database, RecoveryCodeEntity, { personId, codeHash })) > 0;
  }

  async renewCodes(personId: number, codeHashes: readonly Buffer[]): Promise<void> {
    await inTransaction(this.database, async (runner) => {
      await deleteRows(runner, RecoveryCodeEntity, { personId });
      await addRows(runner, RecoveryCodeEntity, ...codeHashes.map((codeHash) => ({ personId, codeHash })));
    });
  }

  async remove(personId: number): Promise<boolean> {
    const removed = await inTransaction(this.database, async (runner) => {
      await deleteRows(runner, RecoveryCodeEntity, { personId });
      return (await deleteRows(runner, SecondFactorEntity, { personId })) > 0;
    });
    return removed.ok && removed.value;
  }

  async isRequired(): Promise<boolean> {
    const [row] = await findRows(this.database, InstallationEntity, { id: 1 });
    return row?.requiresSecondFactor === 1;
  }

  async require(isRequired: boolean): Promise<void> {
    await changeRows(this.database, InstallationEntity, { id: 1 }, { requiresSecondFactor: isRequired ? 1 : 0 });
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
