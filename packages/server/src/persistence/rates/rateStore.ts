import type { ExchangeRate, Outcome, RateKind } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, RateChange, RateStore } from '../../application/ports/index.ts';
import { type Counters, deleteIn, insertRows, inTransaction, Refused, recordAudit, rowsOf, takeTurn } from '../database/index.ts';
import { ExchangeRateEntity } from '../entities/rateEntities.ts';

/** Of rates that are of no account. */
const noAccount = 0;
/** More than these are told by their count in the record of changes. */
const mostTold = 500;
const mostMoved = 20;

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
      await takeTurn(runner, companyId, 'rates');
      const keyOf = ({ currency, kind, accountId, day }: RateChange) => [companyId, currency, kind, accountId ?? noAccount, day];
      const stands = await this.standing(runner, companyId);
      const currentOf = (change: RateChange): string | null => stands.get(keyOf(change).join(' ')) ?? null;
      const moved = changes.filter((change) => currentOf(change) !== change.before && currentOf(change) !== change.rate);
      if (moved.length > 0)
        throw new Refused({
          code: 'rates_moved_on',
          rates: moved.slice(0, mostMoved).map(({ rate: _, before: __, ...key }) => ({ ...key, current: currentOf({ ...key, rate: null, before: null }) })),
        });
      const before = changes.slice(0, mostTold).map(currentOf);
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
          await deleteIn(runner, ExchangeRateEntity, companyId, {
            currency: change.currency,
            kind: change.kind,
            accountId: change.accountId ?? noAccount,
            day: change.day,
          });
      await runner.query('UPDATE company SET rates_version = rates_version + 1 WHERE id = ?', [companyId]);
      const told = changes.slice(0, mostTold).map(({ before: _, ...change }) => change);
      await recordAudit(runner, this.counters, companyId, actor, [
        {
          thing: 'rate',
          thingId: companyId,
          action: 'changed',
          before: { rates: told.map((key, at) => ({ ...key, rate: before[at] })) },
          after: { count: changes.length, rates: told },
        },
      ]);
      return null;
    });
  }

  private async standing(runner: QueryRunner, companyId: number): Promise<ReadonlyMap<string, string>> {
    const rows = await rowsOf<{ currency: string; kind: string; accountId: number; day: string; rate: string }>(
      runner,
      'SELECT currency, kind, account_id AS accountId, day, rate FROM exchange_rate WHERE company_id = ?',
      [companyId],
    );
    return new Map(rows.map(({ currency, kind, accountId, day, rate }) => [[companyId, currency, kind, accountId, day].join(' '), rate]));
  }
}
