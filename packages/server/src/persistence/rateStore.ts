import type { ExchangeRate, Outcome, RateKind } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type { Actor, RateChange, RateStore } from '../application/ports/index.ts';
import { recordAudit } from './audit.ts';
import type { Counters } from './counters.ts';
import { insertRows, inTransaction, rowsOf } from './transaction.ts';

/** Of rates that are of no account. */
const noAccount = 0;
/** More than these are told by their count in the record of changes. */
const mostTold = 500;

export class RateRepository implements RateStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<ExchangeRate[]> {
    const rows = await rowsOf<{ currency: string; kind: RateKind; accountId: number; day: string; rate: string }>(
      this.database,
      'SELECT currency, kind, account_id AS accountId, day, rate FROM exchange_rate WHERE company_id = ? ORDER BY currency, kind, day DESC, account_id',
      [companyId],
    );
    return rows.map((row) => ({ ...row, accountId: row.accountId === noAccount ? null : row.accountId }));
  }

  set(companyId: number, changes: readonly RateChange[], actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const keyOf = ({ currency, kind, accountId, day }: RateChange) => [companyId, currency, kind, accountId ?? noAccount, day];
      const before: (string | null)[] = [];
      for (const change of changes.slice(0, mostTold)) {
        const [held] = await rowsOf<{ rate: string }>(
          runner,
          'SELECT rate FROM exchange_rate WHERE company_id = ? AND currency = ? AND kind = ? AND account_id = ? AND day = ? FOR UPDATE',
          keyOf(change),
        );
        before.push(held?.rate ?? null);
      }
      const kept = changes.filter(({ rate }) => rate !== null);
      if (kept.length > 0)
        await insertRows(
          runner,
          'exchange_rate (company_id, currency, kind, account_id, day, rate)',
          kept.map((change) => [...keyOf(change), change.rate]),
          'ON DUPLICATE KEY UPDATE rate = VALUES(rate)',
        );
      for (const change of changes)
        if (change.rate === null)
          await runner.query('DELETE FROM exchange_rate WHERE company_id = ? AND currency = ? AND kind = ? AND account_id = ? AND day = ?', keyOf(change));
      const told = changes.slice(0, mostTold);
      await recordAudit(runner, this.counters, companyId, actor, [
        {
          thing: 'rate',
          thingId: companyId,
          action: 'changed',
          before: { rates: told.map((change, at) => ({ ...change, rate: before[at] })) },
          after: { count: changes.length, rates: told },
        },
      ]);
      return null;
    });
  }
}
