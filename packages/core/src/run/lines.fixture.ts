import { addDays, type Day } from '../calendar/day.ts';
import { type FiscalCalendar, makeCalendar, makeMonthlyYear, yearOf } from '../calendar/fiscalCalendar.ts';
import { accountLabel } from '../chart/accountReference.ts';
import { buildAccountTree } from '../chart/accountTree.ts';
import { isIncomeOrExpense } from '../chart/element.ts';
import { traitsOf } from '../cube/vector.ts';
import { type FacetSet, type FacetsOfLine, selectSets } from '../facet/facetFilter.ts';
import { defaultLayoutOptions } from '../layout/options.ts';
import type { Currency } from '../money/currency.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { portionsByAccount } from '../placement/place.ts';
import type { DescribedCategory } from '../placement/placement.ts';
import type { TestCompany } from '../statement/statementsOf.fixture.ts';
import type { Ground } from './ground.ts';
import type { GroundAccount } from './groundAccount.ts';
import type { VectorNeed } from './need.ts';
import { Vectors } from './vectors.ts';

/** A line of the ledger; debit positive. */
export interface TestLine {
  readonly day: Day;
  /** By its place among the accounts. */
  readonly account: number;
  readonly net: bigint;
  readonly facets?: FacetsOfLine;
  readonly layer?: 'ledger' | 'adjustment';
}

const euro: Currency = { code: 'EUR', exponent: 2 };
export const testFacet = 'facet:1';
/** Two values, one of them nested below the other, and a third. */
const facetCodes = [
  { code: 'NORTH', caption: 'North', parent: null, element: null, side: null },
  { code: 'COAST', caption: 'Coast', parent: 'NORTH', element: null, side: null },
  { code: 'SOUTH', caption: 'South', parent: null, element: null, side: null },
];

const testCalendar: FiscalCalendar = makeCalendar([2025, 2026].flatMap((year) => makeMonthlyYear(year, 1).periods));

/** What statements of a small company are run over. */
export function groundOfTest(company: TestCompany, natures: ReadonlyMap<number, DescribedCategory['nature']> = new Map()): Ground {
  const categories = company.categories.map(
    (one): DescribedCategory => ({ ...one, nature: natures.get(one.id) ?? null, note: '', description: '', ranges: [], captions: [] }),
  );
  const accounts = company.accounts.map((one): GroundAccount => ({ ...one, codes: {}, cashFrom: null, cashUntil: null }));
  const accountIds = accounts.map(({ id }) => id);
  const retainedEarningsId = company.retainedEarningsId ?? null;
  return {
    revision: 1,
    structureVersion: 1,
    currency: euro,
    kept: euro,
    money: { in: 'own' },
    languages: ['en'],
    digitOrder: 'by_value',
    calendar: testCalendar,
    lists: [{ kind: 'facet', key: testFacet, name: 'Region', codes: facetCodes, neededFor: [], neededOn: '', notAllowedOn: '' }],
    classificationId: 1,
    classificationName: '',
    options: company.options ?? defaultLayoutOptions,
    retainedEarningsId,
    exclusions: [],
    doubled: new Set(),
    firstBalances: [],
    opensOn: () => false,
    hasLines: () => false,
    standIns: null,
    accounts,
    labels: new Map(accounts.map((one) => [one.id, accountLabel(one)])),
    tree: buildAccountTree(accounts),
    accountIds,
    indexOf: new Map(accountIds.map((id, at) => [id, at])),
    traits: traitsOf(accounts, retainedEarningsId),
    categories,
    categoryTree: buildCategoryTree(categories),
    portions: portionsByAccount(company.places),
  };
}

/**
 * Vectors added up line by line, with nothing of the arrays that the product reads them from: what a plan is given in tests. A line with what it
 * is reversed by, and lines within equity, are not told from others, and which entries moved no cash is not known.
 */
export function provideFromLines(ground: Ground, lines: readonly TestLine[], needs: readonly VectorNeed[]): Vectors {
  const vectors = new Vectors();
  for (const need of needs) {
    const own = (need.amounts.of === 'without_cash' ? [] : lines).filter(
      ({ layer = 'ledger', facets = {} }) => (need.layers === 'all' || layer === 'ledger') && isWanted(ground, need, facets),
    );
    const { take } = need;
    if (take.take === 'balance') vectors.give(need, balanceOf(ground, own, take.day, take.at === 'begin'));
    else {
      const within = own.filter(({ day }) => take.span.firstDay <= day && day <= take.span.lastDay);
      const sum = (some: readonly TestLine[]): BigInt64Array => summed(ground, some);
      if (take.take === 'movement') vectors.give(need, { net: sum(within), notAllotted: 0n, carried: 0n });
      else {
        const raised = sum(within.filter(({ account, net }) => net > 0n === (ground.accounts[account]?.normalSide === 'debit')));
        const none = sum([]);
        vectors.giveFlows(need, { increases: raised, raised, exchange: none, transfers: { raised: none, lowered: none } });
      }
    }
  }
  return vectors;
}

function isWanted({ lists }: Ground, { filter }: VectorNeed, facets: FacetsOfLine): boolean {
  const set: FacetSet = { id: 1, facets };
  return selectSets([set], filter, lists).ids.has(1);
}

function summed({ accountIds }: Ground, lines: readonly TestLine[]): BigInt64Array {
  const sums = new BigInt64Array(accountIds.length);
  for (const { account, net } of lines) sums[account] = (sums[account] as bigint) + net;
  return sums;
}

/** Income and expenses begin each fiscal year at nothing; what the years before left goes to retained earnings. */
function balanceOf(ground: Ground, lines: readonly TestLine[], day: Day, atBeginning: boolean) {
  const last = atBeginning ? addDays(day, -1) : day;
  const year = yearOf(ground.calendar, day)?.firstDay ?? day;
  const resets = (account: number): boolean => isIncomeOrExpense((ground.accounts[account] as GroundAccount).element);
  const upTo = lines.filter((line) => line.day <= last);
  const net = summed(
    ground,
    upTo.filter((line) => !resets(line.account) || line.day >= year),
  );
  const carried = upTo.reduce((sum, line) => (resets(line.account) && line.day < year ? sum + line.net : sum), 0n);
  const bearer = ground.traits.retainedEarnings;
  if (bearer >= 0) net[bearer] = (net[bearer] as bigint) + carried;
  return { net, notAllotted: bearer >= 0 ? 0n : carried, carried };
}
