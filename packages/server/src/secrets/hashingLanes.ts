const mostAtOnce = 2;
/** An office behind one address in the morning: the last of them waits for some eight seconds. */
const mostInLane = 40;
const mostPlaces = 200;

/**
 * Work that takes a whole core for a while, two at once. Each lane waits in its own line, and the lines take turns, so that a flood in one keeps
 * nobody in another waiting; what has no lane goes before all of them.
 */
export class HashingLanes {
  private running = 0;
  private readonly first: (() => void)[] = [];
  /** In the order of their turns. */
  private readonly lanes = new Map<string, (() => void)[]>();
  private readonly places = new Map<string, number>();
  private placesTaken = 0;

  /** Does what comes before and after the work of a lane. `null`: too many are in the lane already, and nothing was done. */
  async within<Value>(lane: string, task: () => Promise<Value>): Promise<Value | null> {
    const taken = this.places.get(lane) ?? 0;
    if (taken >= mostInLane || this.placesTaken >= mostPlaces) return null;
    this.places.set(lane, taken + 1);
    this.placesTaken++;
    try {
      return await task();
    } finally {
      const left = (this.places.get(lane) ?? 1) - 1;
      if (left > 0) this.places.set(lane, left);
      else this.places.delete(lane);
      this.placesTaken--;
    }
  }

  /** Waits for its turn; within the lane's place, where it has one. */
  async run<Value>(lane: string | null, work: () => Promise<Value>): Promise<Value> {
    const line = lane === null ? this.first : (this.lanes.get(lane) ?? []);
    if (lane !== null) this.lanes.set(lane, line);
    await new Promise<void>((resolve) => {
      line.push(resolve);
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
