import {
  buildAccountTree,
  buildCategoryTree,
  type CategoryRange,
  type ColumnInput,
  type Day,
  fail,
  type Outcome,
  readRangeText,
  type StatementColumn,
  standingOf,
  stoodElsewhere,
  succeed,
  traitsOf,
  translationAccountId,
  widenCube,
} from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import type { Failure } from './failure.ts';
import type { Books, ChartAccount, PastPlacement, Ports, StandIns, Structure } from './ports/index.ts';

type Placed = Pick<Structure, 'accounts' | 'labels' | 'tree' | 'portions'> & { readonly standIns: StandIns; readonly ids: readonly number[] };

/** What stood on earlier days never changes; where it stands among the categories of today does with the structure. */
const known = new WeakMap<Books['portions'], Map<string, Placed>>();

/** The days whose placement columns ask for. */
export function placementDays(columns: readonly StatementColumn[]): Day[] {
  return [...new Set(columns.flatMap((column) => (column.kind === 'amount' && column.placedOn !== undefined ? [column.placedOn] : [])))].sort();
}

/**
 * The books with a stand-in for each account that stood elsewhere at the end of one of the days. It stands where the account stood, and
 * bears its amounts in columns of that day's placement; so one layout has both, line for line.
 */
export async function withStandIns({ placement }: Pick<Ports, 'placement'>, books: Books, days: readonly Day[]): Promise<Outcome<Books, Failure>> {
  if (days.length === 0) return succeed(books);
  const before = known.get(books.portions) ?? new Map<string, Placed>();
  known.set(books.portions, before);
  let placed = before.get(days.join());
  if (!placed) {
    const stood: { readonly day: Day; readonly past: PastPlacement }[] = [];
    for (const day of days) {
      const past = await placement.at(books.company.id, books.classificationId, `${day} 23:59:59.999999`);
      if (past.categories.length === 0) return fail({ code: 'placement_not_kept', day });
      stood.push({ day, past });
    }
    placed = standInsOf(books, stood);
    before.set(days.join(), placed);
  }
  return succeed(widened(books, placed));
}

/** Books of the same structure, such as those of a part of the ledger, with the same accounts. */
export function withSameAccounts(books: Books, others: Books): Books {
  const extra = books.cube.accountIds.length - others.cube.accountIds.length;
  if (!books.standIns || extra === 0) return others;
  const { accounts, labels, tree, portions, standIns } = books;
  return widened(others, { accounts, labels, tree, portions, standIns, ids: books.cube.accountIds.slice(-extra) });
}

/** Of accounts that are in no chart: behind the one that bears the difference of translation. */
export function placedBeside(at: number): number {
  return translationAccountId - 1 - at;
}

/** The books with accounts more, which nothing was posted on. */
export function widened(books: Books, { ids, ...placed }: Placed): Books {
  const cube = widenCube(books.cube, ids);
  const byId = accountsById({ ...books, ...placed });
  return {
    ...books,
    ...placed,
    cube,
    traits: traitsOf(
      cube.accountIds.map((id) => byId.get(id) as ChartAccount),
      books.retainedEarningsId,
    ),
  };
}

function standInsOf(books: Books, stood: readonly { readonly day: Day; readonly past: PastPlacement }[]): Placed {
  const { indexOf, accountIds } = books.cube;
  const own = books.accounts.filter(({ id }) => id !== translationAccountId);
  const byId = accountsById(books);
  const added: ChartAccount[] = [];
  const portions = new Map(books.portions);
  const labels = new Map(books.labels);
  const standFor = new Map<number, number>();
  const onDay = new Map<Day, { of: number; by: number }[]>();
  for (const { day, past } of stood) {
    const tree = buildCategoryTree(past.categories);
    const ranges = past.categories.flatMap(({ id, ranges: texts }) => texts.flatMap(({ side, text }): CategoryRange[] => rangesIn(id, side, text)));
    const then = standingOf(own, past.places, ranges, tree, books.company.digitOrder).portions;
    const ids = own.map(({ id }) => id);
    const pairs = stoodElsewhere(ids, books.portions, then, books.categoryTree, tree).map((one) => {
      const id = placedBeside(added.length);
      const account = byId.get(one.accountId) as ChartAccount;
      portions.set(id, one.portions);
      labels.set(id, books.labels.get(account.id) ?? account.name);
      standFor.set(id, account.id);
      added.push({ ...account, id });
      return { of: indexOf.get(account.id) as number, by: accountIds.length + added.length - 1 };
    });
    onDay.set(day, pairs);
  }
  const accounts = [...books.accounts, ...added];
  return { accounts, labels, tree: buildAccountTree(accounts), portions, standIns: { onDay, standFor }, ids: added.map(({ id }) => id) };
}

function rangesIn(categoryId: number, side: CategoryRange['side'], text: string): CategoryRange[] {
  const read = readRangeText(text, null);
  return read.ok ? [{ categoryId, side, ranges: read.value }] : [];
}

/** What a column is run over, with the amounts of its day's stand-ins on them and not on the accounts that they stand for. */
export function onStandIns({ standIns, cube, traits }: Books, placedOn: Day | undefined, input: ColumnInput): ColumnInput {
  const pairs = placedOn === undefined ? [] : (standIns?.onDay.get(placedOn) ?? []);
  if (pairs.length === 0) return input;
  const moved = (amounts: BigInt64Array): BigInt64Array => {
    const wide = new BigInt64Array(cube.accountIds.length);
    wide.set(amounts);
    for (const { of, by } of pairs) {
      wide[by] = wide[of] as bigint;
      wide[of] = 0n;
    }
    return wide;
  };
  return {
    ...input,
    net: moved(input.net),
    ...(input.sides ? { sides: { opening: moved(input.sides.opening), resets: traits.resets } } : {}),
    ...(input.readings ? { readings: input.readings.map(moved) } : {}),
  };
}
