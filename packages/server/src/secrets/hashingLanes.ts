const mostAtOnce = 2;
const mostInLane = 8;
const mostWaiting = 200;

/**
 * Work that takes a whole core for a while, two at once. Each lane waits in its own line, and the lines take turns, so that a flood in one keeps
 * nobody in another waiting; what has no lane goes before all of them.
 */
export class HashingLanes {
  private running = 0;
  private waiting = 0;
  private readonly first: (() => void)[] = [];
  /** In the order of their turns. */
  private readonly lanes = new Map<string, (() => void)[]>();

  /** `null`: too many wait already, and nothing was done. */
  async run<Value>(lane: string | null, work: () => Promise<Value>): Promise<Value | null> {
    const line = lane === null ? this.first : (this.lanes.get(lane) ?? []);
    if (lane !== null && (line.length >= mostInLane || this.waiting >= mostWaiting)) return null;
    if (lane !== null) this.lanes.set(lane, line);
    await new Promise<void>((resolve) => {
      line.push(resolve);
      this.waiting++;
      this.next();
    });
    try {
      return await work();
    } finally {
      this.running--;
      this.next();
    }
  }

  private next(): void {
    while (this.running < mostAtOnce) {
      const start = this.first.shift() ?? this.fromNextLane();
      if (!start) return;
      this.waiting--;
      this.running++;
      start();
    }
  }

  private fromNextLane(): (() => void) | undefined {
    const [turn] = this.lanes;
    if (!turn) return undefined;
    const [lane, line] = turn;
    this.lanes.delete(lane);
    const start = line.shift();
    // Behind the others, where more wait in it.
    if (line.length > 0) this.lanes.set(lane, line);
    return start;
  }
}
