import type { Day } from '../calendar/day.ts';
import { buildAccountTree } from '../chart/accountTree.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { traitsOf } from '../cube/vector.ts';
import { type CategoryRange, standingOf } from '../placement/categoryRange.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import type { Place } from '../placement/place.ts';
import type { DescribedCategory } from '../placement/placement.ts';
import { stoodElsewhere } from '../placement/standIns.ts';
import type { ColumnInput } from '../statement/runColumn.ts';
import type { Sides } from '../statement/sides.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { accountById, type Ground, type Placed } from './ground.ts';
import type { GroundAccount } from './groundAccount.ts';
import type { StandIn, StandIns } from './standIn.ts';

/** How a classification stood at the end of a day. */
export interface PastPlacement {
  readonly categories: readonly DescribedCategory[];
  readonly places: readonly Place[];
}

/** UTC; how an account stood on a day is how it stood when the day ended. */
export function lastMomentOf(day: Day): string {
  return `${day} 23:59:59.999999`;
}

type Widened = Placed & { readonly standIns: StandIns };

/** What stood on earlier days never changes; where it stands among the categories of today does with the structure. */
const widenedOf = new WeakMap<Ground['portions'], Map<string, Widened>>();

/** Of accounts that are in no chart: behind the one that bears the difference of translation. */
export function placedBeside(at: number): number {
  return translationAccountId - 1 - at;
}

/**
 * The ground with a stand-in for each account that stood elsewhere at the end of one of the days. It stands where the account stood, and
 * bears its amounts in columns of that day's placement; so one layout has both, line for line.
 */
export function groundOnDays(ground: Ground, stood: readonly { readonly day: Day; readonly past: PastPlacement }[]): Ground {
  if (stood.length === 0) return ground;
  const before = widenedOf.get(ground.portions) ?? new Map<string, Widened>();
  widenedOf.set(ground.portions, before);
  const key = stood.map(({ day }) => day).join();
  const placed = before.get(key) ?? standInsOf(ground, stood);
  before.set(key, placed);
  return { ...ground, ...placed };
}

function standInsOf(ground: Ground, stood: readonly { readonly day: Day; readonly past: PastPlacement }[]): Widened {
  const own = ground.accounts.filter(({ id }) => id !== translationAccountId);
  const byId = accountById(ground);
  const added: GroundAccount[] = [];
  const portions = new Map(ground.portions);
  const labels = new Map(ground.labels);
  const standFor = new Map<number, number>();
  const onDay = new Map<Day, StandIn[]>();
  for (const { day, past } of stood) {
    const tree = buildCategoryTree(past.categories);
    const ranges = past.categories.flatMap(({ id, ranges: texts }) => texts.flatMap(({ side, text }): CategoryRange[] => rangesIn(id, side, text)));
    const then = standingOf(own, past.places, ranges, tree, ground.digitOrder).portions;
    const ids = own.map(({ id }) => id);
    const pairs = stoodElsewhere(ids, ground.portions, then, ground.categoryTree, tree).map((one) => {
      const id = placedBeside(added.length);
      const account = byId.get(one.accountId) as GroundAccount;
      portions.set(id, one.portions);
      labels.set(id, ground.labels.get(account.id) ?? account.name);
      standFor.set(id, account.id);
      added.push({ ...account, id });
      return { of: ground.indexOf.get(account.id) as number, by: ground.accountIds.length + added.length - 1 };
    });
    onDay.set(day, pairs);
  }
  return widened(ground, added, { labels, portions, standIns: { onDay, standFor, besideCash: [] } });
}

function rangesIn(categoryId: number, side: CategoryRange['side'], text: string): CategoryRange[] {
  const read = readRangeText(text, null);
  return read.ok ? [{ categoryId, side, ranges: read.value }] : [];
}

/** The ground with accounts more behind its own. */
export function widened(ground: Ground, added: readonly GroundAccount[], placed: Pick<Widened, 'labels' | 'portions' | 'standIns'>): Widened {
  const accounts = [...ground.accounts, ...added];
  const accountIds = [...ground.accountIds, ...added.map(({ id }) => id)];
  const byId = accountById({ accounts });
  return {
    accounts,
    tree: buildAccountTree(accounts),
    accountIds,
    indexOf: new Map(accountIds.map((id, at) => [id, at])),
    traits: traitsOf(
      accountIds.map((id) => byId.get(id) as GroundAccount),
      ground.retainedEarningsId,
    ),
    categories: ground.categories,
    categoryTree: ground.categoryTree,
    ...placed,
  };
}

/** A vector of the books with room for accounts that stand in for others. */
export function wide({ standIns, accountIds }: Pick<Ground, 'standIns' | 'accountIds'>, amounts: BigInt64Array): BigInt64Array {
  if (standIns === null || amounts.length === accountIds.length) return amounts;
  const all = new BigInt64Array(accountIds.length);
  all.set(amounts);
  return all;
}

/** What a column is run over, with the amounts of its day's stand-ins on them and not on the accounts that they stand for. */
export function onStandIns({ standIns }: Pick<Ground, 'standIns'>, placedOn: Day | undefined, input: ColumnInput): ColumnInput {
  const pairs = placedOn === undefined ? [] : (standIns?.onDay.get(placedOn) ?? []);
  if (pairs.length === 0) return input;
  const moved = (amounts: BigInt64Array): BigInt64Array => {
    const all = amounts.slice();
    for (const { of, by } of pairs) {
      all[by] = all[of] as bigint;
      all[of] = 0n;
    }
    return all;
  };
  return {
    ...input,
    net: moved(input.net),
    ...(input.sides ? { sides: movedSides(input.sides, moved) } : {}),
    ...(input.readings ? { readings: input.readings.map(moved) } : {}),
  };
}

function movedSides({ opening, whole, ...sides }: Sides, moved: (amounts: BigInt64Array) => BigInt64Array): Sides {
  return {
    ...sides,
    ...(opening ? { opening: moved(opening) } : {}),
    ...(whole ? { whole: { net: moved(whole.net), ...(whole.opening ? { opening: moved(whole.opening) } : {}) } } : {}),
  };
}
