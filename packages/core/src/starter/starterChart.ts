import type { AccountRole } from '../chart/accountRole.ts';
import type { CodesOfAccount } from '../chart/codeList.ts';
import { type Element, elements, naturalSide, otherSide, type Side } from '../chart/element.ts';
import { sortByNumber } from '../chart/numberOrder.ts';
import type { Facet } from '../facet/checkFacets.ts';
import type { CaptionInLanguage } from '../placement/captionsIn.ts';
import type { Nature, Step, Term } from '../placement/category.ts';
import type { PlaceSide } from '../placement/place.ts';
import type { StarterCategory } from '../placement/starterCategories.ts';

export type StarterKey = 'passenger_transport' | 'trading' | 'professional_practice' | 'manufacture' | 'association';

/** Number, name and the name of its category, which is unique under its element. */
export type StarterAccount = readonly [
  number: string,
  name: string,
  category: string,
  more?: { readonly role?: AccountRole; readonly isContra?: true; readonly purpose?: string },
];

/** A chart to begin with for a trade, in our own wording: categories with their steps, and accounts that all stand in one. */
export interface StarterChart {
  readonly key: StarterKey;
  readonly name: string;
  readonly about: string;
  readonly categories: Readonly<Record<Element, readonly StarterCategory[]>>;
  readonly accounts: Readonly<Record<Element, readonly StarterAccount[]>>;
}

/** A chart and its placement before they have ids; parents stand before what is below them, siblings in their order. */
export interface NewChart {
  readonly categories: readonly {
    readonly key: number;
    readonly parentKey: number | null;
    readonly element: Element;
    readonly name: string;
    readonly term: Term | null;
    readonly step: Step | null;
    readonly contraOfKey: number | null;
    readonly nature: Nature | null;
    readonly note: string;
    readonly description: string;
    /** In the company's other languages. */
    readonly captions: readonly CaptionInLanguage[];
  }[];
  readonly accounts: readonly {
    readonly key: number;
    readonly parentKey: number | null;
    readonly number: string;
    readonly name: string;
    readonly element: Element;
    readonly normalSide: Side;
    readonly active: boolean;
    readonly role: AccountRole | null;
    readonly purpose: string;
    readonly externalNumber: string;
    readonly codes: CodesOfAccount;
  }[];
  readonly places: readonly { readonly accountKey: number; readonly side: PlaceSide; readonly categoryKey: number }[];
  /** Lists of codes; accounts name theirs by the keys that stand here. */
  readonly lists: readonly Facet[];
  /** Account numbers that a category takes, in their text form. */
  readonly ranges: readonly { readonly categoryKey: number; readonly side: PlaceSide; readonly text: string }[];
}

/** The same chart for a company of names only. */
export function withoutNumbers(chart: NewChart): NewChart {
  return { ...chart, accounts: chart.accounts.map((account) => ({ ...account, number: '' })) };
}

/** A starter chart in number order, with keys in the place of names; a category that is not there is a bug of the chart. */
export function toNewChart({ categories, accounts }: Pick<StarterChart, 'categories' | 'accounts'>): NewChart {
  const planted: NewChart['categories'][number][] = [];
  const keyOf = new Map<string, number>();
  const plant = (element: Element, children: readonly StarterCategory[], parentKey: number | null): void => {
    const siblings = new Map<string, number>();
    for (const { name, term = null, step = null, nature = null, contraOf, children: below = [] } of children) {
      const key = planted.length + 1;
      planted.push({
        key,
        parentKey,
        element,
        name,
        term,
        step,
        contraOfKey: contraOf === undefined ? null : (siblings.get(contraOf) ?? null),
        nature,
        note: '',
        description: '',
        captions: [],
      });
      siblings.set(name, key);
      keyOf.set(`${element} ${name}`, key);
      plant(element, below, key);
    }
  };
  for (const element of elements) plant(element, categories[element], null);
  const added: NewChart['accounts'][number][] = [];
  const places: NewChart['places'][number][] = [];
  const listed = elements.flatMap((element) => accounts[element].map((account) => ({ element, account, number: account[0] })));
  for (const { element, account } of sortByNumber(listed, 'by_value')) {
    const [number, name, category, { role = null, isContra = false, purpose = '' } = {}] = account;
    const key = added.length + 1;
    const categoryKey = keyOf.get(`${element} ${category}`);
    if (categoryKey === undefined) throw new Error(`${number} ${name}: there is no category ${category} of element ${element}`);
    const normalSide = isContra ? otherSide(naturalSide(element)) : naturalSide(element);
    added.push({ key, parentKey: null, number, name, element, normalSide, active: true, role, purpose, externalNumber: '', codes: {} });
    places.push({ accountKey: key, side: 'any', categoryKey });
  }
  return { categories: planted, accounts: added, places, ranges: [], lists: [] };
}
