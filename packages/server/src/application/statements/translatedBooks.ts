import {
  buildAccountTree,
  buildCategoryTree,
  buildPairCube,
  bytesOfArrays,
  type Currency,
  captionLanguages,
  type Day,
  type EquityLine,
  type ExchangeRate,
  fail,
  findCurrency,
  type MissingRate,
  type Outcome,
  periodIndexOf,
  positionBefore,
  presentationRates,
  type SelectedSets,
  type Span,
  succeed,
  type TranslatedCube,
  type TranslatedFrom,
  type TranslatedParts,
  traitsOf,
  translateCube,
  translateParts,
  translationAccountId,
  translationWords,
} from '@ivory-ladder/core';
import { accountsById, mainLanguage, openBooksOf } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, ChartAccount, Ports, Structure, Translation, VersionedCategory } from '../ports/index.ts';

/** One state of the ledger in another currency, and the shares in it, which are made when a part is first asked for. */
type Translating = Pick<Ports, 'ledger' | 'rates' | 'memory'>;

interface Translated {
  readonly translation: Outcome<Translation, Failure>;
  parts?: { readonly ofBalances: () => TranslatedParts; readonly ofFlows: () => TranslatedParts };
}

const structures = new WeakMap<Books['portions'], Pick<Structure, 'accounts' | 'labels' | 'tree' | 'categories' | 'categoryTree' | 'portions'>>();

/**
 * The books in another currency (IAS 21.39): all that is run over them is run in it. They have one account and one category more, for the
 * difference that translation leaves in equity. Books of a part of the ledger have their shares of what all of it comes to.
 */
export async function translatedBooks(ports: Translating, books: Books, code: string): Promise<Outcome<Books, Failure>> {
  const to = findCurrency(code);
  const { company } = books;
  if (!to || code === company.currency.code) return fail({ code: 'currency_unknown', currency: code });
  const translate = books.selected === null ? translatedWhole : translatedPart;
  const { translation: translated } = await translate(ports, books, to);
  if (!translated.ok) return translated;
  const structure = structures.get(books.portions) ?? withDifference(books);
  structures.set(books.portions, structure);
  const { balances } = translated.value;
  const byId = accountsById({ ...books, ...structure });
  const sorted = balances.cube.accountIds.map((id) => byId.get(id) as ChartAccount);
  return succeed({
    ...books,
    ...structure,
    company: { ...company, currency: to },
    cube: balances.cube,
    traits: traitsOf(sorted, books.retainedEarningsId),
    translation: { ...translated.value, of: books },
  });
}

/** Of one state of the ledger, which the cube is of, and of the rates. */
interface Kept {
  readonly of: Books['cube'];
  readonly ratesVersion: number;
  readonly translated: Translated;
}

/** Made once for each state of the ledger and of the rates, and each part of the ledger. */
async function onceOf(ports: Translating, books: Books, code: string, make: () => Promise<Translated>): Promise<Translated> {
  const { id, ratesVersion } = books.company;
  const part = books.selected === null ? '' : [...books.selected.ids, books.selected.withoutAny].join();
  const key = `${id} ${code} ${part}`;
  const kept = ports.memory.get<Kept>('translated', key);
  if (kept?.of === books.cube && kept.ratesVersion === ratesVersion) return kept.translated;
  const translated = await make();
  const { translation } = translated;
  if (translation.ok) ports.memory.keep('translated', key, { of: books.cube, ratesVersion, translated } satisfies Kept, bytesOf(translation.value, books));
  return translated;
}

/** What balances and flows take; of facet values as if they were made, which they are when they are first asked for. */
function bytesOf({ balances, flows }: Translation, { cube, selected }: Books): number {
  return 2 * (selected === null ? bytesOfArrays(balances.cube.books, flows.cube.books) : bytesOfArrays(cube.books));
}

function translatedWhole(ports: Translating, books: Books, to: Currency): Promise<Translated> {
  return onceOf(ports, books, to.code, async () => {
    const rates = (await ports.rates.list(books.company.id)).filter(({ currency }) => currency === to.code);
    return { translation: translate(books, rates, to, await ports.ledger.equityLines(books)) };
  });
}

function translatedPart(ports: Translating, books: Books, to: Currency): Promise<Translated> {
  return onceOf(ports, books, to.code, async () => {
    const opened = await openBooksOf(ports, books.company.id, {});
    if (!opened.ok) return { translation: opened };
    const whole = opened.value;
    const posted = await ports.ledger.facetBalances(whole);
    if (!posted || whole.cube.revision !== books.cube.revision) return { translation: fail({ code: 'ledger_moved_on' }) };
    const all = await translatedWhole(ports, whole, to);
    if (!all.translation.ok) return all;
    const { given, balances, flows } = all.translation.value;
    const shared = (): NonNullable<Translated['parts']> => {
      const pairs = onceAsked(() => buildPairCube(whole.cube, posted));
      return {
        ofBalances: onceAsked(() => translateParts(given, balances, pairs())),
        ofFlows: onceAsked(() => translateParts(flowsOf(given, whole), flows, pairs())),
      };
    };
    all.parts ??= shared();
    return { translation: succeed(partOf(all.translation.value, whole, books, all.parts)) };
  });
}

function partOf({ given, balances, flows }: Translation, whole: Books, books: Books, { ofBalances, ofFlows }: NonNullable<Translated['parts']>): Translation {
  const selected = books.selected as SelectedSets;
  const isSelected = (set: number): boolean => (set === 0 ? selected.withoutAny : selected.ids.has(set));
  const shareOf = (translated: TranslatedCube, parts: () => TranslatedParts): TranslatedCube => {
    const cube = onceAsked(() => parts().cubeOf(selected));
    return {
      get cube() {
        return cube();
      },
      missing: translated.missing,
      within: (partial, ofSets = () => []) => parts().within(selected, partial, ofSets),
    };
  };
  return {
    of: books,
    whole,
    given: { ...given, cube: books.cube, equityLines: given.equityLines.filter(({ facetSetId }) => isSelected(facetSetId)) },
    balances: shareOf(balances, ofBalances),
    flows: shareOf(flows, ofFlows),
  };
}

/** Flows are asked for by cash flows alone. */
function onceAsked<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

function translate(books: Books, rates: readonly ExchangeRate[], to: Currency, equityLines: readonly EquityLine[]): Outcome<Translation, Failure> {
  const { company, cube, traits } = books;
  const byId = accountsById(books);
  const original: TranslatedFrom = {
    cube,
    from: company.currency,
    rates: presentationRates(rates, to, books.calendar),
    elements: cube.accountIds.map((id) => (byId.get(id) as ChartAccount).element),
    retainedEarnings: traits.retainedEarnings,
    equityLines,
    openingLines: books.openingLines,
    isFlow: null,
  };
  const balances = translateCube(original);
  if (!balances.ok) return balances;
  const flows = translateCube(flowsOf(original, books));
  return flows.ok ? succeed({ of: books, given: original, balances: balances.value, flows: flows.value }) : flows;
}

/** For a cash flow: all but cash is translated as it moves. */
function flowsOf(original: TranslatedFrom, books: Books): TranslatedFrom {
  const byId = accountsById(books);
  const isFlow = original.elements.map(
    (element, at) => (element === 'asset' || element === 'liability') && byId.get(original.cube.accountIds[at] as number)?.role !== 'cash',
  );
  return { ...original, isFlow };
}

/** Behind the category of retained earnings, or behind all of equity, where it stands beside them. */
function withDifference(books: Books): Pick<Structure, 'accounts' | 'labels' | 'tree' | 'categories' | 'categoryTree' | 'portions'> {
  const language = mainLanguage(books.company);
  const name = translationWords[language].difference;
  const id = translationAccountId;
  const retained = books.portions.get(books.retainedEarningsId ?? 0)?.credit ?? null;
  const parentId = retained === null ? null : (books.categoryTree.nodes.get(retained)?.parent?.category.id ?? null);
  const category: VersionedCategory = {
    id,
    parentId,
    element: 'equity',
    name,
    position: 1 + Math.max(0, ...books.categories.map(({ position }) => position)),
    term: null,
    step: null,
    contraOf: null,
    nature: null,
    note: '',
    description: '',
    ranges: [],
    captions: captionLanguages.map((one) => ({ language: one, caption: translationWords[one].difference })),
    version: 0,
  };
  const account: ChartAccount = {
    id,
    number: '',
    name,
    element: 'equity',
    normalSide: 'credit',
    parentId: null,
    position: 1 + Math.max(0, ...books.accounts.map(({ position }) => position)),
    active: true,
    role: null,
    purpose: '',
    externalNumber: '',
    codes: {},
    cashFrom: null,
    cashUntil: null,
    version: 0,
  };
  const accounts = [...books.accounts, account];
  const categories = [...books.categories, category];
  return {
    accounts,
    labels: new Map([...books.labels, [id, name]]),
    tree: buildAccountTree(accounts),
    categories,
    categoryTree: buildCategoryTree(categories),
    portions: new Map([...books.portions, [id, { debit: id, credit: id }]]),
  };
}

/** The books by which a cash flow is run: what moves is translated as it moves (IAS 7.26). Others are run by what they hold. */
export function asFlows(books: Books): Books {
  return books.translation ? { ...books, translation: { ...books.translation, isOfFlows: true } } : books;
}

/** What a movement over the books is taken from. */
export function movingBooks(books: Books): Books {
  const { translation } = books;
  if (!translation?.isOfFlows) return books;
  return { ...books, cube: translation.flows.cube, translation: { ...translation, balances: translation.flows } };
}

export interface RatesNeeded {
  readonly spans: readonly Span[];
  /** Whether balances are shown, or income and expenses alone. */
  readonly ofBalances: boolean;
}

/** Rates that the figures of some spans need and nobody gave. */
export function missingRates({ translation, calendar, cube }: Books, { spans, ofBalances }: RatesNeeded): readonly MissingRate[] {
  if (!translation) return [];
  const { balances, flows, isOfFlows, given } = translation;
  const last =
    spans
      .map(({ lastDay }) => lastDay)
      .sort()
      .at(-1) ?? '';
  const ofPeriod = (day: Day, { firstDay, lastDay }: Span): boolean => {
    const period = calendar.periods[periodIndexOf(calendar, day)];
    return period !== undefined && period.lastDay >= firstDay && period.firstDay <= lastDay;
  };
  const moved = isOfFlows ? flows.missing : balances.missing;
  const found = new Map<string, MissingRate>();
  const add = (rate: MissingRate): void => void found.set(`${rate.kind} ${rate.day}`, rate);
  if (!ofBalances) {
    for (const rate of moved) if (rate.kind === 'average' && spans.some((span) => ofPeriod(rate.day, span))) add(rate);
    return [...found.values()];
  }
  for (const rate of balances.missing) if (rate.day <= last) add(rate);
  for (const rate of moved) if (spans.some((span) => ofPeriod(rate.day, span))) add(rate);
  for (const { firstDay, lastDay } of spans) {
    const before = positionBefore(cube.calendar, firstDay);
    const days = before.periodIndex < 0 && before.partialFrom === null ? [lastDay] : [before.day, lastDay];
    for (const day of days) if (given.rates.closingOn(day) === null) add({ kind: 'closing', day });
  }
  return [...found.values()].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}
