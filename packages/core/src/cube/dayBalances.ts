import type { Day } from '../calendar/day.ts';
import type { GrossVector } from './grossVector.ts';
import { type Layer, layers } from './layer.ts';

/** Ordinary lines of one account, layer and day; amounts in minor units, not negative. */
export interface DayRow {
  readonly day: Day;
  readonly layer: Layer;
  readonly accountId: number;
  readonly debit: bigint;
  readonly credit: bigint;
}

/** Parallel arrays by ascending day; `account` is the cube's dense number. */
interface Posted {
  readonly days: readonly Day[];
  /** For each day the row behind its last one. */
  readonly ends: Uint32Array;
  readonly account: Uint32Array;
  readonly debit: BigInt64Array;
  readonly credit: BigInt64Array;
}

/** The lines of the days of one period, so that any part of it is added up without asking for its lines. */
export type DayBalances = Readonly<Record<Layer, Posted>>;

/** `rows` in any order, fastest by ascending day. Cost: rows, and where they are not in order their sorting. */
export function groupDayBalances(indexOf: ReadonlyMap<number, number>, rows: readonly DayRow[]): DayBalances {
  const isOrdered = rows.every(({ day }, at) => at === 0 || (rows[at - 1] as DayRow).day <= day);
  const sorted = isOrdered ? rows : [...rows].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  const of = (layer: Layer): Posted => {
    const its = sorted.filter((row) => row.layer === layer);
    const days = [...new Set(its.map(({ day }) => day))];
    const ends = new Uint32Array(days.length);
    let at = -1;
    for (const [row, { day }] of its.entries()) {
      if (days[at] !== day) at++;
      ends[at] = row + 1;
    }
    return {
      days,
      ends,
      account: Uint32Array.from(its, ({ accountId }) => {
        const account = indexOf.get(accountId);
        if (account === undefined) throw new Error(`lines of account ${accountId}, which the chart does not have`);
        return account;
      }),
      debit: BigInt64Array.from(its, ({ debit }) => debit),
      credit: BigInt64Array.from(its, ({ credit }) => credit),
    };
  };
  return { ledger: of('ledger'), adjustment: of('adjustment') };
}

/** Adds the lines of the days up to `until`, itself included, to sums by account. Cost: these lines. */
export function addDaysUntil(into: Readonly<Record<Layer, GrossVector>>, balances: DayBalances, until: Day): void {
  for (const layer of layers) {
    const { days, ends, account, debit, credit } = balances[layer];
    const sums = into[layer];
    const last = days.findLastIndex((day) => day <= until);
    const end = ends[last] ?? 0;
    for (let row = 0; row < end; row++) {
      const at = account[row] as number;
      sums.debit[at] = (sums.debit[at] as bigint) + (debit[row] as bigint);
      sums.credit[at] = (sums.credit[at] as bigint) + (credit[row] as bigint);
    }
  }
}
