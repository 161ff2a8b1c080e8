import type { DataSource } from 'typeorm';
import { rowsOf } from './transaction.ts';

const blockSize = 200;

type CounterName = 'entry' | 'audit' | 'file' | 'trial_balance' | 'note' | 'view' | 'attachment' | 'journal_import';

/** Asks another thread for the next id of a counter, or, with a count, for the first of so many in a row. */
export type AskForIds = (name: CounterName, count: number | null) => Promise<number>;

/**
 * Hands out ids in blocks, outside every transaction, so that no insert waits for another's counter. Threads of one server take theirs from one
 * place (`elsewhere`), so that ids go up with time.
 */
export class Counters {
  private readonly blocks = new Map<string, { next: number; end: number; more: Promise<void> | null }>();

  constructor(
    private readonly database: DataSource,
    private readonly elsewhere: AskForIds | null = null,
  ) {}

  async next(name: CounterName): Promise<number> {
    if (this.elsewhere) return this.elsewhere(name, null);
    const block = this.blocks.get(name) ?? { next: 0, end: 0, more: null };
    this.blocks.set(name, block);
    while (block.next >= block.end) {
      block.more ??= this.reserve(name, blockSize)
        .then((start) => {
          block.next = start;
          block.end = start + blockSize;
        })
        // Where it failed as well: the next who asks tries anew.
        .finally(() => {
          block.more = null;
        });
      await block.more;
    }
    return block.next++;
  }

  /** The first of so many in a row. */
  async run(name: CounterName, count: number): Promise<number> {
    if (this.elsewhere) return this.elsewhere(name, count);
    return this.reserve(name, count);
  }

  private async reserve(name: string, count: number): Promise<number> {
    const runner = this.database.createQueryRunner();
    try {
      await runner.query(
        'INSERT INTO counter (name, next_value) VALUES (?, LAST_INSERT_ID(1) + ?) ON DUPLICATE KEY UPDATE next_value = LAST_INSERT_ID(next_value) + ?',
        [name, count, count],
      );
      const [row] = await rowsOf<{ start: string }>(runner, 'SELECT LAST_INSERT_ID() AS start');
      return Number(row?.start);
    } finally {
      await runner.release();
    }
  }
}
