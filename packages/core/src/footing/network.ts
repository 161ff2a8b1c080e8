import { inUnit, type ShownUnit } from '../statement/scale.ts';

/** Costs are whole numbers: squares of what a figure is off, in 2⁻²⁰ of a unit squared. */
const one = 2 ** 20;
/** Beyond floor or ceiling; against a figure that is given; and on nothing, which is never printed as something: given figures that contradict each other give way to it. */
const beyond = 2 ** 34;
const onNothing = 2 ** 44;

/** Within these a division of floats never rounds up to a whole number that is not reached, and a rest times `one` is held as it is. */
const mostInFloat = 2 ** 50;
const mostUnit = 2 ** 30;

export type Hold = 'weak' | 'given' | 'standing';
const against: Readonly<Record<Hold, number>> = { weak: 2 ** 38, given: 2 ** 40, standing: 2 ** 47 };
/** Against the figure that the same amount has elsewhere in the statement. */
const againstLike = 4 * one;

/** A figure to be found. */
export interface NetworkCell {
  /** In parts of the unit. */
  readonly exact: bigint;
  /** It stays as it is, unless given figures contradict each other. */
  readonly given?: bigint | undefined;
  /** How firmly it is given: `standing` is printed already, and of given figures that contradict each other a `weak` one gives way first. */
  readonly hold?: Hold | undefined;
  /** It prints so unless the footing needs it otherwise. */
  readonly like?: bigint | undefined;
}

/**
 * Whole figures near exact amounts that flow through nodes without a rest: a minimum-cost flow with convex costs. It begins at plain rounding, and
 * units go one by one, on the shortest way, from nodes that have one too many to the nearest that lacks one. Ties go by the order of nodes. Cost: units
 * off after plain rounding × the part of the network around them.
 */
export class FootingNetwork {
  private readonly heads: number[] = [];
  private readonly tails: number[] = [];
  private readonly floors: bigint[] = [];
  /** How far above its exact floor a figure stands, and the fraction that the exact amount has above it. */
  private readonly steps: number[] = [];
  private readonly fractions: number[] = [];
  private readonly ceilings: number[] = [];
  private readonly isNothing: boolean[] = [];
  private readonly holds: number[] = [];
  private readonly likes: number[] = [];
  private readonly givens: number[] = [];
  private readonly excess: number[] = [];
  private readonly out: number[][] = [];
  private readonly into: number[][] = [];
  private readonly demands = new Map<number, bigint>();

  constructor(private readonly unit: ShownUnit) {}

  addNode(): number {
    this.excess.push(0);
    this.out.push([]);
    this.into.push([]);
    return this.excess.length - 1;
  }

  /** A figure that flows from one node to another; gives its place. */
  addCell(from: number, to: number, cell: NetworkCell): number {
    const { floor, fraction, isWhole, isUp } = this.placed(cell.exact);
    // One of either neighbour is where what it costs is least.
    const near = cell.like !== undefined && cell.like >= floor && cell.like <= (isWhole ? floor : floor + 1n) ? cell.like : isUp ? floor + 1n : floor;
    const shown = cell.given ?? near;
    const place = this.floors.length;
    this.heads.push(to);
    this.tails.push(from);
    this.ceilings.push(isWhole ? 0 : 1);
    this.isNothing.push(cell.exact === 0n);
    this.holds.push(against[cell.hold ?? 'given']);
    this.floors.push(floor);
    this.steps.push(Number(shown - floor));
    this.fractions.push(fraction);
    this.likes.push(cell.like === undefined ? Number.NaN : Number(cell.like - floor));
    this.givens.push(cell.given === undefined ? Number.NaN : Number(cell.given - floor));
    this.out[from]?.push(place);
    this.into[to]?.push(place);
    return place;
  }

  /** An exact amount between whole figures; `isUp`: it rounds up, half away from zero. */
  private placed(exact: bigint): { readonly floor: bigint; readonly fraction: number; readonly isWhole: boolean; readonly isUp: boolean } {
    const { times, over } = this.unit;
    const scaled = exact * times;
    const [amount, unit] = [Number(scaled), Number(over)];
    // Within these bounds a float holds every whole number that comes up, and what it takes is a tenth.
    if (Math.abs(amount) < mostInFloat && unit < mostUnit) {
      const floor = Math.floor(amount / unit);
      const rest = amount - floor * unit;
      return {
        floor: BigInt(floor),
        fraction: Math.floor((rest * one) / unit),
        isWhole: rest === 0,
        isUp: amount < 0 ? 2 * rest > unit : 2 * rest >= unit,
      };
    }
    const rest = ((scaled % over) + over) % over;
    const floor = (scaled - rest) / over;
    return { floor, fraction: Number((rest * BigInt(one)) / over), isWhole: rest === 0n, isUp: inUnit(exact, this.unit) !== floor };
  }

  /** What leaves the network at a node; what enters it is below nothing. */
  demand(node: number, amount: bigint): void {
    this.demands.set(node, (this.demands.get(node) ?? 0n) + amount);
  }

  figure(cell: number): bigint {
    return (this.floors[cell] as bigint) + BigInt(this.steps[cell] as number);
  }

  /** Whether it is neither floor nor ceiling, or not what was given. */
  isBeyond(cell: number): boolean {
    const wanted = this.givens[cell] as number;
    const step = this.steps[cell] as number;
    return Number.isNaN(wanted) ? this.outside(cell, step) > 0 : step !== wanted;
  }

  /** What one step up (1) or down (−1) costs more: of squares, 2s + 1 − 2f from s to s + 1. */
  private costOf(cell: number, by: 1 | -1): number {
    const step = this.steps[cell] as number;
    const wanted = this.givens[cell] as number;
    if (!Number.isNaN(wanted)) return (Math.abs(step + by - wanted) - Math.abs(step - wanted)) * (this.holds[cell] as number);
    const lower = by === 1 ? step : step - 1;
    const like = this.likes[cell] as number;
    const outside = this.outside(cell, step + by) - this.outside(cell, step);
    return (
      by * ((2 * lower + 1) * one - 2 * (this.fractions[cell] as number)) +
      outside * (this.isNothing[cell] === true ? onNothing : beyond) +
      (Number.isNaN(like) ? 0 : (Math.abs(step + by - like) - Math.abs(step - like)) * againstLike)
    );
  }

  /** How far from floor and ceiling. */
  private outside(cell: number, step: number): number {
    const ceiling = this.ceilings[cell] as number;
    return step < 0 ? -step : Math.max(0, step - ceiling);
  }

  /** `false` where what is wanted of the nodes does not come to nothing together, so that there is no such flow. */
  solve(): boolean {
    const { excess } = this;
    const balance = excess.map((_, node) => -(this.demands.get(node) ?? 0n));
    for (let cell = 0; cell < this.floors.length; cell++) {
      const shown = this.figure(cell);
      balance[this.heads[cell] as number] = (balance[this.heads[cell] as number] as bigint) + shown;
      balance[this.tails[cell] as number] = (balance[this.tails[cell] as number] as bigint) - shown;
    }
    if (balance.reduce((sum, rest) => sum + rest, 0n) !== 0n) return false;
    let isUneven = false;
    for (const [node, rest] of balance.entries()) {
      excess[node] = Number(rest);
      if (rest !== 0n) isUneven = true;
    }
    if (!isUneven) return true;
    const costs = { up: new Float64Array(this.floors.length), down: new Float64Array(this.floors.length) };
    for (let cell = 0; cell < this.floors.length; cell++) this.price(costs, cell);
    const potential = new Float64Array(excess.length);
    const search = new Search(excess.length);
    for (let node = 0; node < excess.length; node++) while ((excess[node] as number) > 0) if (!this.send(node, potential, search, costs)) return false;
    return true;
  }

  /** Asked for at every node that is passed, and another only once a figure moves. */
  private price({ up, down }: Costs, cell: number): void {
    up[cell] = this.costOf(cell, 1);
    down[cell] = this.costOf(cell, -1);
  }

  /** One unit from a node to the nearest that lacks one. */
  private send(from: number, potential: Float64Array, search: Search, costs: Costs): boolean {
    const { up, down } = costs;
    const { excess, out, into, heads, tails } = this;
    search.begin(from);
    for (;;) {
      const node = search.next();
      if (node < 0) return false;
      const far = search.distance(node);
      if ((excess[node] as number) < 0) {
        search.settle(potential, far);
        this.shift(search, from, node, costs);
        return true;
      }
      const base = far + (potential[node] as number);
      const leaving = out[node] as number[];
      for (let at = 0; at < leaving.length; at++) {
        const cell = leaving[at] as number;
        const to = heads[cell] as number;
        search.offer(to, base + (up[cell] as number) - (potential[to] as number), cell);
      }
      const entering = into[node] as number[];
      for (let at = 0; at < entering.length; at++) {
        const cell = entering[at] as number;
        const to = tails[cell] as number;
        search.offer(to, base + (down[cell] as number) - (potential[to] as number), cell);
      }
    }
  }

  private shift(search: Search, from: number, to: number, costs: Costs): void {
    for (let node = to; node !== from; ) {
      const cell = search.cameBy(node);
      const isForth = this.heads[cell] === node;
      const by = isForth ? 1 : -1;
      this.steps[cell] = (this.steps[cell] as number) + by;
      this.price(costs, cell);
      node = (isForth ? this.tails[cell] : this.heads[cell]) as number;
    }
    this.excess[from] = (this.excess[from] as number) - 1;
    this.excess[to] = (this.excess[to] as number) + 1;
  }
}

/** Of each cell, of one step either way from where it stands. */
interface Costs {
  readonly up: Float64Array;
  readonly down: Float64Array;
}

/** Nodes by how far they are, the nearest first; of equals the one that was made first. Its arrays are made once and grow. */
class Search {
  private readonly far: Float64Array;
  private readonly by: Int32Array;
  private readonly round: Int32Array;
  private readonly isDone: Uint8Array;
  private rounds = 0;
  private readonly touched: Int32Array;
  private touches = 0;
  private heap = new Int32Array(256);
  private keys = new Float64Array(256);
  private size = 0;

  constructor(nodes: number) {
    this.far = new Float64Array(nodes);
    this.by = new Int32Array(nodes);
    this.round = new Int32Array(nodes);
    this.isDone = new Uint8Array(nodes);
    this.touched = new Int32Array(nodes);
  }

  begin(node: number): void {
    this.rounds++;
    this.touches = 0;
    this.size = 0;
    this.offer(node, 0, -1);
  }

  offer(node: number, distance: number, cell: number): void {
    const isKnown = this.round[node] === this.rounds;
    if (isKnown && (this.isDone[node] === 1 || (this.far[node] as number) <= distance)) return;
    if (!isKnown) this.touched[this.touches++] = node;
    this.round[node] = this.rounds;
    this.isDone[node] = 0;
    this.far[node] = distance;
    this.by[node] = cell;
    this.push(node, distance);
  }

  /** −1 where there is no more. */
  next(): number {
    while (this.size > 0) {
      const node = this.pop();
      if (this.isDone[node] === 1) continue;
      this.isDone[node] = 1;
      return node;
    }
    return -1;
  }

  distance(node: number): number {
    return this.far[node] as number;
  }

  cameBy(node: number): number {
    return this.by[node] as number;
  }

  /** Keeps what every step costs from falling below nothing. */
  settle(potential: Float64Array, far: number): void {
    for (let at = 0; at < this.touches; at++) {
      const node = this.touched[at] as number;
      const own = this.far[node] as number;
      if (this.isDone[node] === 1 && own < far) potential[node] = (potential[node] as number) + own - far;
    }
  }

  private push(node: number, key: number): void {
    if (this.size === this.heap.length) this.grow();
    const { heap, keys } = this;
    let at = this.size++;
    for (; at > 0; ) {
      const above = (at - 1) >> 1;
      const other = keys[above] as number;
      if (other < key || (other === key && (heap[above] as number) <= node)) break;
      heap[at] = heap[above] as number;
      keys[at] = other;
      at = above;
    }
    heap[at] = node;
    keys[at] = key;
  }

  private pop(): number {
    const { heap, keys } = this;
    const first = heap[0] as number;
    const last = --this.size;
    const [node, key] = [heap[last] as number, keys[last] as number];
    let at = 0;
    for (;;) {
      let below = 2 * at + 1;
      if (below >= last) break;
      if (below + 1 < last && this.isBefore(below + 1, below)) below++;
      const other = keys[below] as number;
      if (key < other || (key === other && node <= (heap[below] as number))) break;
      heap[at] = heap[below] as number;
      keys[at] = other;
      at = below;
    }
    heap[at] = node;
    keys[at] = key;
    return first;
  }

  private isBefore(a: number, b: number): boolean {
    const [first, second] = [this.keys[a] as number, this.keys[b] as number];
    return first < second || (first === second && (this.heap[a] as number) < (this.heap[b] as number));
  }

  private grow(): void {
    const [heap, keys] = [new Int32Array(2 * this.heap.length), new Float64Array(2 * this.keys.length)];
    heap.set(this.heap);
    keys.set(this.keys);
    this.heap = heap;
    this.keys = keys;
  }
}
