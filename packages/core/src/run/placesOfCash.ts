import type { Day } from '../calendar/day.ts';
import type { Activity, CashPlaces } from '../cash/cashPlaces.ts';
import { isCashOn } from '../chart/cashDays.ts';
import { naturalSide } from '../chart/element.ts';
import type { CashFlowOptions } from '../layout/options.ts';
import { naturesOf } from '../placement/cashNature.ts';
import type { Category, Nature } from '../placement/category.ts';
import { accountById, creditNormalOf, type Ground } from './ground.ts';

type Placing = Pick<Ground, 'accounts' | 'accountIds' | 'categoryTree' | 'categories' | 'portions' | 'options'>;

const madeOf = new WeakMap<Ground['portions'], { readonly options: CashFlowOptions; readonly accounts: Ground['accounts']; readonly places: CashPlaces }>();

/**
 * What each account is for a cash flow, as the generated one has it: an account in two categories by side is where its normal side is; what is charged to a
 * deduction from an asset is an adjustment of profit. Operating activities are one line; interest and dividends have theirs (IAS 7.31), what comes and what goes in a category of investing or financing one each (IAS 7.21). Once for each structure.
 */
export function placesOfCash(ground: Placing): CashPlaces {
  const { portions, options, accounts } = ground;
  const made = madeOf.get(portions);
  if (made && made.options === options.cashFlow && made.accounts === accounts) return made.places;
  const places = placesOn(ground);
  madeOf.set(portions, { options: options.cashFlow, accounts, places });
  return places;
}

function placesOn(ground: Placing): CashPlaces {
  const { accountIds, categoryTree, categories, portions, options } = ground;
  const natures = naturesOf(categoryTree, categories);
  const byId = accountById(ground);
  const accounts = accountIds.map((id) => byId.get(id));
  const creditNormal = creditNormalOf(ground);
  const rising = new Int32Array(accounts.length);
  const falling = new Int32Array(accounts.length);
  const settledLater = new Uint8Array(accounts.length);
  const lines: Activity[] = ['operating'];
  const lineOfKey = new Map<string, number>();
  const lineAt = (activity: Activity, key: string): number => {
    if (activity === 'operating') return operating;
    const line = lineOfKey.get(key) ?? lines.push(activity) - 1;
    lineOfKey.set(key, line);
    return line;
  };
  for (const [at, account] of accounts.entries()) {
    const stands = account && portions.get(account.id);
    const categoryId = stands && (creditNormal[at] === 1 ? (stands.credit ?? stands.debit) : (stands.debit ?? stands.credit));
    const category = categoryId == null ? undefined : categoryTree.nodes.get(categoryId)?.category;
    const nature = category && natures.get(category.id);
    if (!account || !category || !nature) continue;
    const isExchange = account.role === 'exchange_differences' && nature === 'interest';
    const activity = isExchange ? 'operating' : activityOf(nature, category, options.cashFlow);
    const isDeducted = category.element === 'asset' && account.normalSide !== naturalSide('asset');
    const isByDirection = nature === 'investing' || nature === 'financing';
    const line = (direction: 'up' | 'down'): number =>
      lineAt(activity, isByDirection ? `category ${category.id} ${direction}` : `${nature} ${isReceived(category)}`);
    falling[at] = line('down');
    settledLater[at] = nature === 'operating' && (category.element === 'asset' || category.element === 'liability') ? 1 : 0;
    rising[at] = isDeducted && isByDirection ? operating : line('up');
  }
  return {
    activityOf: lines,
    lineOf: (account, isIncrease) => (isIncrease ? rising : falling)[account] ?? operating,
    isCashOn: (at, day: Day) => {
      const account = accounts[at];
      return account !== undefined && isCashOn(account, day);
    },
    isBetween: () => false,
    isSettledLater: (at) => settledLater[at] === 1,
    isEquity: (at) => accounts[at]?.element === 'equity',
    isCreditNormal: (at) => creditNormal[at] === 1,
  };
}

/** All of operating activities are one. */
const operating = 0;

function isReceived({ element }: Pick<Category, 'element'>): boolean {
  return element === 'income' || element === 'asset';
}

function activityOf(nature: Nature, category: Pick<Category, 'element'>, options: CashFlowOptions): Activity {
  switch (nature) {
    case 'investing':
    case 'financing':
      return nature;
    case 'interest':
      return isReceived(category) ? options.interestReceived : options.interestPaid;
    case 'dividends':
      return isReceived(category) ? options.dividendsReceived : options.dividendsPaid;
    case 'operating':
    case 'income_tax':
    case 'none':
    case 'oci':
      return 'operating';
  }
}

/** Accounts whose amounts may stand in another activity than operating: whoever moves between activities has a line on one of them. */
export function apartFromOperating(places: CashPlaces, accounts: number): number[] {
  return Array.from({ length: accounts }, (_, at) => at).filter((at) => [true, false].some((isIncrease) => places.lineOf(at, isIncrease) !== operating));
}
