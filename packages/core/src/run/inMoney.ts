import { buildAccountTree } from '../chart/accountTree.ts';
import { traitsOf } from '../cube/vector.ts';
import { captionLanguages } from '../layout/captionWords.ts';
import type { Currency } from '../money/currency.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import type { DescribedCategory } from '../placement/placement.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { translationWords } from '../translation/translationWords.ts';
import { accountById, type Ground, mainLanguageOf, type Placed } from './ground.ts';
import type { GroundAccount } from './groundAccount.ts';

const placedOf = new WeakMap<Ground['portions'], Placed>();

/**
 * The ground for amounts in another currency, each at its own rate (IAS 21.39): one account and one category more, for the difference that
 * translation leaves in equity. `manner`: how what moves is translated.
 */
export function groundInMoney(ground: Ground, currency: Currency, manner: 'held' | 'moved'): Ground {
  const placed = placedOf.get(ground.portions) ?? withDifference(ground);
  placedOf.set(ground.portions, placed);
  return { ...ground, ...placed, currency, money: { in: 'other', code: currency.code, manner } };
}

/** Behind the category of retained earnings, or behind all of equity, where it stands beside them. */
function withDifference(ground: Ground): Placed {
  const name = translationWords[mainLanguageOf(ground)].difference;
  const id = translationAccountId;
  const retained = ground.portions.get(ground.retainedEarningsId ?? 0)?.credit ?? null;
  const parentId = retained === null ? null : (ground.categoryTree.nodes.get(retained)?.parent?.category.id ?? null);
  const category: DescribedCategory = {
    id,
    parentId,
    element: 'equity',
    name,
    position: 1 + Math.max(0, ...ground.categories.map(({ position }) => position)),
    term: null,
    step: null,
    contraOf: null,
    nature: null,
    note: '',
    description: '',
    ranges: [],
    captions: captionLanguages.map((one) => ({ language: one, caption: translationWords[one].difference })),
  };
  const account: GroundAccount = {
    id,
    number: '',
    name,
    element: 'equity',
    normalSide: 'credit',
    parentId: null,
    position: 1 + Math.max(0, ...ground.accounts.map(({ position }) => position)),
    active: true,
    role: null,
    codes: {},
  };
  const accounts = [...ground.accounts, account];
  const categories = [...ground.categories, category];
  const accountIds = [...ground.accountIds, id];
  const byId = accountById({ accounts });
  return {
    accounts,
    labels: new Map([...ground.labels, [id, name]]),
    tree: buildAccountTree(accounts),
    accountIds,
    indexOf: new Map(accountIds.map((one, at) => [one, at])),
    traits: traitsOf(
      accountIds.map((one) => byId.get(one) as GroundAccount),
      ground.retainedEarningsId,
    ),
    categories,
    categoryTree: buildCategoryTree(categories),
    portions: new Map([...ground.portions, [id, { debit: id, credit: id }]]),
  };
}
