import type { Day } from '../calendar/day.ts';
import type { Layer } from '../cube/layer.ts';
import { allocate } from '../money/allocate.ts';
import { addFaced, type Faced, weightsOf } from './betweenWeights.ts';
import { type Activity, activities, type CashEntry, type CashPlaces, type EntryLine } from './cashPlaces.ts';
import { type CashPart, lineOfAmount, partsOfEntry } from './partsOfEntry.ts';

/** Of one day, layer and account; `line`: what a stand-in on that line of the direct cash flow bears, −1: the account itself. */
export interface CashMove {
  readonly account: number;
  readonly line: number;
  readonly day: Day;
  readonly layer: Layer;
  readonly isReversing: boolean;
  readonly debit: bigint;
  readonly credit: bigint;
}

/**
 * An entry, or the part of one, that moved no cash and is of investing or financing activities (IAS 7.43). `byActivity`: what it would be in each, as inflows,
 * which add up to nothing; all nil where it is within one.
 */
export interface WithoutCash {
  readonly entry: Pick<CashEntry, 'id' | 'documentNumber' | 'description'>;
  readonly day: Day;
  readonly layer: Layer;
  /** Whether a line of it is on cash. */
  readonly touchesCash: boolean;
  readonly amount: bigint;
  readonly byActivity: Readonly<Record<Activity, bigint>>;
  /** Those that its lines are of, in their order. */
  readonly activities: readonly Activity[];
}

/** What of a span is known to have moved without cash; of trial balances that were brought in on some of its days it is not known. */
export interface KnownWithoutCash {
  readonly entries: readonly WithoutCash[];
  readonly broughtIn: readonly Day[];
}

/** What accounts between moved to other activities than their own, as inflows; adds up to nothing. */
export type MovedBetween = Readonly<Record<Activity, bigint>>;

/** What a period's entries moved of cash. */
export interface CashMoves {
  /** What came and went, on the accounts that it came from and went to: with the cash itself, they add up to nothing. */
  readonly paid: readonly CashMove[];
  /** What whole movements have beyond it, as far as an activity differs: they add up to nothing. */
  readonly beyond: readonly CashMove[];
  readonly without: readonly WithoutCash[];
  readonly between: readonly { readonly day: Day; readonly layer: Layer; readonly moved: MovedBetween }[];
}

type Entry = CashEntry & { readonly layer: Layer };

/** What entries of a period moved; `faced`: what accounts between faced in it and in the periods that it looks back on. Cost: lines. */
export function cashMovesOf(entries: Iterable<Entry>, places: CashPlaces, isResult: (account: number) => boolean, faced: Faced): CashMoves {
  const [paid, beyond] = [new Moves(), new Moves()];
  const without: WithoutCash[] = [];
  const between: { day: Day; layer: Layer; moved: Record<Activity, bigint> }[] = [];
  const shares = (line: EntryLine, amount: bigint) => sharesOf(line, amount, places, faced);
  for (const entry of entries) {
    const { day, layer } = entry;
    const found = partsOfEntry(entry, places, shares);
    if (found.of === 'transfer') continue;
    const list = (touchesCash: boolean, amounts: readonly (readonly [CashPart, bigint])[]): void => {
      const byActivity = noneMoved();
      for (const [part, amount] of amounts) byActivity[places.activityOf[part.line] as Activity] -= amount;
      const of = activities.filter((activity) => amounts.some(([part, amount]) => amount !== 0n && places.activityOf[part.line] === activity));
      without.push({ entry, day, layer, touchesCash, amount: sizeOf(amounts.map(([, amount]) => amount)), byActivity, activities: of });
    };
    if (found.of === 'without_cash' && !found.isApart) {
      if (found.isWhole) continue;
      const counted = found.parts.filter(({ isCounted }) => isCounted);
      if (counted.some(({ line }) => places.activityOf[line] !== 'operating'))
        list(
          false,
          counted.map((part) => [part, part.amount]),
        );
      continue;
    }
    const moved = noneMoved();
    for (const part of found.parts) {
      if (!part.isCounted) continue;
      if (found.of === 'cash') paid.add(entry, part.account, onOwn(part, entry, places) ? -1 : part.line, part.amount - part.without);
      addBeyond(beyond, entry, part, places, isResult, found.of === 'cash' ? moved : null);
    }
    const apart = found.parts.filter(({ without: given, isCounted }) => isCounted && given !== 0n);
    if (apart.length > 0)
      list(
        found.of === 'cash',
        apart.map((part) => [part, part.without]),
      );
    if (activities.some((activity) => moved[activity] !== 0n)) between.push({ day, layer, moved });
  }
  return { paid: paid.list(), beyond: beyond.list(), without, between };
}

/** What a period faced: looked back on by those after it. */
export function facedIn(entries: Iterable<CashEntry>, places: CashPlaces): Faced {
  const faced: Faced = new Map();
  for (const entry of entries) addFaced(faced, entry, places);
  return faced;
}

/** By what faced the account, else on its own line. */
export function sharesOf({ account, partner }: EntryLine, amount: bigint, places: CashPlaces, faced: Faced): (readonly [number, bigint])[] {
  const weights = weightsOf(faced, account, partner, places.isCreditNormal(account));
  if (weights.length === 0) return [[places.lineOf(account, true), amount]];
  const parts = allocate(
    amount,
    weights.map(([, weight]) => weight),
  );
  return weights.flatMap(([line], at) => (parts[at] === 0n ? [] : [[line, parts[at] as bigint] as const]));
}

function onOwn({ account, line, amount }: CashPart, entry: CashEntry, places: CashPlaces): boolean {
  return line === lineOfAmount(account, amount, entry, places);
}

/**
 * What a whole movement has and the flow has not: what moved without cash, and what an account between has on a line of another activity, which a
 * stand-in has instead. Of income and expenses a stand-in gives it up, so that profit stays what it is.
 */
function addBeyond(
  beyond: Moves,
  entry: Entry,
  part: CashPart,
  places: CashPlaces,
  isResult: (account: number) => boolean,
  moved: Record<Activity, bigint> | null,
): void {
  const { account, line, amount, without } = part;
  const own = lineOfAmount(account, amount, entry, places);
  const [ofOwn, ofLine] = [places.activityOf[own] as Activity, places.activityOf[line] as Activity];
  if (ofOwn === ofLine) {
    if (without !== 0n) beyond.add(entry, account, isResult(account) ? line : -1, without);
    return;
  }
  beyond.add(entry, account, -1, amount);
  if (amount !== without) beyond.add(entry, account, line, without - amount);
  if (!moved) return;
  moved[ofOwn] += amount;
  moved[ofLine] -= amount;
}

function noneMoved(): Record<Activity, bigint> {
  return { operating: 0n, investing: 0n, financing: 0n };
}

function sizeOf(amounts: readonly bigint[]): bigint {
  return amounts.reduce((sum, amount) => (amount > 0n ? sum + amount : sum), 0n);
}

/** Added up by account, line, day, layer and whether it reverses. */
class Moves {
  private readonly sums = new Map<string, { -readonly [Field in keyof CashMove]: CashMove[Field] }>();

  add({ day, layer, isReversing }: Entry, account: number, line: number, amount: bigint): void {
    if (amount === 0n) return;
    const key = `${account} ${line} ${day} ${layer} ${isReversing}`;
    const there = this.sums.get(key) ?? { account, line, day, layer, isReversing, debit: 0n, credit: 0n };
    if (amount > 0n) there.debit += amount;
    else there.credit -= amount;
    this.sums.set(key, there);
  }

  list(): CashMove[] {
    return [...this.sums.values()];
  }
}
