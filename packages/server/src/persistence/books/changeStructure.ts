import type { Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor } from '../../application/ports/index.ts';
import { type AuditEvent, type Counters, changedRows, inTransaction, Refused, recordAudit, takeStructure } from '../database/index.ts';

export type ChangeStructure = <Value>(
  companyId: number,
  expectedStructure: number,
  actor: Actor,
  work: (runner: QueryRunner) => Promise<{ value: Value; audit: AuditEvent[] }>,
) => Promise<Outcome<Value, Failure>>;

/**
 * Changes of chart or placement in one transaction with their record, one after the other in a company. Each was checked against a
 * structure version, which must still be the company's, or nothing is changed.
 */
export function structureChanges(database: DataSource, counters: Counters): ChangeStructure {
  return (companyId, expectedStructure, actor, work) =>
    inTransaction(database, async (runner) => {
      await takeStructure(runner, companyId, expectedStructure);
      const { value, audit } = await work(runner);
      await recordAudit(runner, counters, companyId, actor, audit);
      const moved = await changedRows(runner, 'UPDATE company SET structure_version = structure_version + 1 WHERE id = ? AND structure_version = ?', [
        companyId,
        expectedStructure,
      ]);
      if (moved === 0) throw new Refused({ code: 'ledger_moved_on' });
      return value;
    });
}
