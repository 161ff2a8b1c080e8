import type { Day } from '../calendar/day.ts';
import { makeCalendar, type Period } from '../calendar/fiscalCalendar.ts';
import { buildAccountTree } from '../chart/accountTree.ts';
import type { FirstBalances } from '../cube/openings.ts';
import { traitsOf } from '../cube/vector.ts';
import { captionsIn } from '../placement/captionsIn.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import type { Place } from '../placement/place.ts';
import { type DescribedCategory, placementOf } from '../placement/placement.ts';
import { standingFollower } from '../placement/standingFollower.ts';
import type { Ground } from './ground.ts';
import type { GroundAccount } from './groundAccount.ts';

/** A placement as it is shown: accounts in the order of the chart with their places by hand, categories, and what the ledger has of its own. */
export interface ViewedPlacement extends Pick<Ground, 'exclusions' | 'options' | 'revision' | 'structureVersion'> {
  readonly accounts: readonly (Omit<GroundAccount, 'position'> & { readonly label: string; readonly places: readonly Omit<Place, 'accountId'>[] })[];
  readonly categories: readonly (DescribedCategory & { readonly version?: number })[];
  readonly ledger: { readonly firstBalances: readonly FirstBalances[]; readonly openings: readonly Day[]; readonly adjusted: readonly number[] };
}

/** What of a company statements are run over beside its placement. */
export interface ViewedCompany extends Pick<Ground, 'languages' | 'digitOrder'> {
  readonly currency: string;
  readonly exponent: number;
  readonly years: readonly { readonly year: number; readonly periods: readonly (Omit<Period, 'year' | 'isAdjusting'> & { readonly isAdjusting: boolean })[] }[];
}

/** What statements are run over, from what whoever reads a company is shown of it: the same as the server's at the same state of the books. */
export function groundOfView(view: ViewedPlacement, company: ViewedCompany, lists: Ground['lists'], classificationId: number, classificationName = ''): Ground {
  const accounts = view.accounts.map((account, position): GroundAccount => ({ ...account, position }));
  const accountIds = accounts.map(({ id }) => id);
  const categories = view.categories.map(({ version: _, ...category }): DescribedCategory => category);
  const placement = placementOf(
    categories,
    view.accounts.flatMap(({ id, places }): Place[] => places.map((place) => ({ ...place, accountId: id }))),
  );
  const retainedEarningsId = accounts.find(({ role }) => role === 'retained_earnings')?.id ?? null;
  const currency = { code: company.currency, exponent: company.exponent };
  const [openings, adjusted] = [new Set(view.ledger.openings), new Set(view.ledger.adjusted)];
  return {
    revision: view.revision,
    structureVersion: view.structureVersion,
    currency,
    kept: currency,
    money: { in: 'own' },
    languages: company.languages,
    digitOrder: company.digitOrder,
    calendar: makeCalendar(
      company.years.flatMap(({ year, periods }) =>
        periods.map(({ number, firstDay, lastDay, isAdjusting }) => ({ year, number, firstDay, lastDay, ...(isAdjusting ? { isAdjusting } : {}) })),
      ),
    ),
    lists,
    classificationId,
    classificationName,
    options: view.options,
    retainedEarningsId,
    exclusions: view.exclusions,
    doubled: new Set(),
    firstBalances: view.ledger.firstBalances,
    opensOn: (day) => openings.has(day),
    hasLines: (periodIndex) => adjusted.has(periodIndex),
    standIns: null,
    accounts,
    labels: new Map(view.accounts.map(({ id, label }) => [id, label])),
    tree: buildAccountTree(accounts),
    accountIds,
    indexOf: new Map(accountIds.map((id, at) => [id, at])),
    traits: traitsOf(accounts, retainedEarningsId),
    categories,
    categoryTree: buildCategoryTree(captionsIn(categories, company.languages[0] ?? 'en')),
    portions: standingFollower(accounts, company.digitOrder)(placement).portions,
  };
}
