import {
  type CategoryNode,
  type DescribedCategory,
  type LayoutOptions,
  type NewChart,
  type Outcome,
  type StarterKey,
  starterCategories,
  starterCharts,
  succeed,
  toNewChart,
  withoutNumbers,
} from '@ivory-ladder/core';
import { enterCompany } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { copiedPlacement } from '../placement/index.ts';
import type { BegunPlacements, Books, CompanySettings, Identity, Ports } from '../ports/index.ts';

export interface CompanyBeginning {
  readonly name: string;
  readonly currency: string;
  readonly fiscalYearFirstMonth: number;
  /** Whether its accounts have numbers; a copy is as its original. */
  readonly numbered?: boolean | undefined;
  /** What it begins with; categories alone where nothing is said. */
  readonly beginWith?:
    | { readonly kind: 'categories' }
    | { readonly kind: 'starter'; readonly key: StarterKey }
    | { readonly kind: 'copy'; readonly companyId: number }
    | undefined;
}

interface Beginning {
  readonly settings: CompanySettings;
  readonly chart: NewChart;
  readonly options: LayoutOptions | null;
  readonly placements: BegunPlacements;
}

/** The chart's own placement is that of the main classification. */
const statutoryAlone: BegunPlacements = { main: 'Statutory', others: [] };

/** Only a company that the person belongs to can be copied; its name, currency and calendar stay its own. */
export async function beginningOf(
  ports: Ports,
  identity: Identity,
  { name, currency, fiscalYearFirstMonth, numbered = true, beginWith = { kind: 'categories' } }: CompanyBeginning,
): Promise<Outcome<Beginning, Failure>> {
  const settings: CompanySettings = {
    name,
    currency,
    fiscalYearFirstMonth,
    digitOrder: 'by_value',
    numberScheme: null,
    repeatedNames: 'pointed_out',
    numbered,
    languages: ['en'],
  };
  switch (beginWith.kind) {
    case 'categories':
      return succeed({ settings, chart: toNewChart({ categories: starterCategories, accounts: noAccounts }), options: null, placements: statutoryAlone });
    case 'starter': {
      const starter = starterCharts.find(({ key }) => key === beginWith.key);
      if (!starter) throw new Error(`there is no starter chart ${beginWith.key}`);
      const chart = numbered ? toNewChart(starter) : withoutNumbers(toNewChart(starter));
      return succeed({ settings, chart, options: null, placements: statutoryAlone });
    }
    case 'copy': {
      const access = enterCompany(identity, beginWith.companyId, 'see');
      if (!access.ok) return access;
      const opened = await openBooks(ports, beginWith.companyId);
      if (!opened.ok) return opened;
      const { company } = opened.value;
      const kept = {
        digitOrder: company.digitOrder,
        numberScheme: company.numberScheme,
        repeatedNames: company.repeatedNames,
        numbered: company.numbered,
        languages: company.languages,
      };
      const { classifications, options } = opened.value;
      const placements: BegunPlacements = {
        main: classifications.find(({ id }) => id === company.mainClassification)?.name ?? statutoryAlone.main,
        others: classifications.filter(({ id }) => id !== company.mainClassification).map((one) => ({ name: one.name, draft: copiedPlacement(one) })),
      };
      return succeed({ settings: { ...settings, ...kept }, chart: chartOf(opened.value), options, placements });
    }
  }
}

const noAccounts = { asset: [], liability: [], equity: [], income: [], expense: [] } as const;

/** Accounts and categories of a company as they stand, with their ids as keys, each parent before what is below it. */
function chartOf({ lists, tree, accounts, categories: kinds, categoryTree, places }: Books): NewChart {
  const kept = new Map(accounts.map((account) => [account.id, account]));
  const described = new Map<number, DescribedCategory>(kinds.map((kind) => [kind.id, kind]));
  const categories: NewChart['categories'][number][] = [];
  const visit = ({ category, children }: CategoryNode): void => {
    const { id, parentId, element, name, term, step, contraOf } = category;
    const { captions, nature, note, description } = described.get(id) as DescribedCategory;
    categories.push({ key: id, parentKey: parentId, element, name, term, step, nature, note, description, contraOfKey: contraOf, captions });
    for (const child of children) visit(child);
  };
  for (const tops of categoryTree.tops.values()) for (const top of tops) visit(top);
  return {
    categories,
    accounts: tree.order.map(({ id, parentId, number, name, element, normalSide, active, role }) => {
      const { purpose = '', externalNumber = '', codes = {} } = kept.get(id) ?? {};
      return { key: id, parentKey: parentId, number, name, element, normalSide, active, role, purpose, externalNumber, codes };
    }),
    places: places.map(({ accountId, side, categoryId }) => ({ accountKey: accountId, side, categoryKey: categoryId })),
    lists,
    ranges: kinds.flatMap(({ id, ranges }) => ranges.map(({ side, text }) => ({ categoryKey: id, side, text }))),
  };
}
