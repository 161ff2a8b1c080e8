import mysql, { type Connection } from 'mysql2/promise';

const secondsOfSilence = 9;
const millisecondsBetweenLooks = 1000;

/**
 * Whether the database answers at all, asked each second on a connection of its own while somebody waits for it: a query that takes long is no
 * hang, and a pool whose connections are all busy is none.
 */
export class DatabaseWatch {
  private readonly waiting = new Set<() => void>();
  private readonly timer = setInterval(() => this.look(), millisecondsBetweenLooks);
  private connection: Connection | null = null;
  private askedAt: number | null = null;
  private lookedAt = Date.now();
  private isHanging = false;

  constructor(private readonly url: string) {
    this.timer.unref();
  }

  /** `giveUp` is called once it has been silent for ten seconds; what is given back stops listening. */
  listen(giveUp: () => void): () => void {
    if (this.isHanging) setImmediate(giveUp);
    else this.waiting.add(giveUp);
    return () => void this.waiting.delete(giveUp);
  }

  stop(): void {
    clearInterval(this.timer);
    this.connection?.destroy();
  }

  private look(): void {
    const now = Date.now();
    // Held up itself, it may not have heard what is there.
    const wasHeldUp = now - this.lookedAt > 3 * millisecondsBetweenLooks;
    this.lookedAt = now;
    if (this.askedAt === null) {
      if (this.waiting.size > 0 || this.isHanging) void this.ask();
      return;
    }
    if (wasHeldUp || now - this.askedAt < secondsOfSilence * 1000) return;
    this.isHanging = true;
    for (const giveUp of this.waiting) giveUp();
    this.waiting.clear();
    // A way to it that was lost on the network never answers: the next look takes another.
    this.connection?.destroy();
    this.connection = null;
    this.askedAt = null;
  }

  private async ask(): Promise<void> {
    const askedAt = Date.now();
    this.askedAt = askedAt;
    // What comes of a question that was given up says nothing about the one that is asked now.
    const isGivenUp = () => this.askedAt !== askedAt;
    let { connection } = this;
    try {
      connection ??= await this.connect();
      if (isGivenUp()) return connection.destroy();
      this.connection = connection;
      await connection.query('SELECT 1');
      if (isGivenUp()) return;
      this.isHanging = false;
    } catch (error) {
      connection?.destroy();
      if (isGivenUp()) return;
      this.connection = null;
      // One that refuses does not hang: whoever asks is told at once.
      if ((error as { code?: string }).code !== 'ETIMEDOUT') this.isHanging = false;
    }
    this.askedAt = null;
  }

  private async connect(): Promise<Connection> {
    const connection = await mysql.createConnection({ uri: this.url, connectTimeout: secondsOfSilence * 1000 });
    // Its end is seen by the next question.
    connection.on('error', () => undefined);
    return connection;
  }
}
