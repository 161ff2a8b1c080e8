import type { DescribedCategory, Element, NumberScheme } from '@ivory-ladder/core';
import { describeColumn, elements, roles, toDecimalText } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import { ownAccess } from '../application/access.ts';
import { openBooks } from '../application/books/index.ts';
import { addCodeList, applyChartFile, changeAccount, changeCodeList } from '../application/chart/index.ts';
import { changeSettings, createCompany, makeYear } from '../application/companies/index.ts';
import { postDemoEntries, postTrialBalance } from '../application/ledger/index.ts';
import { demoPerson } from '../application/people/index.ts';
import { applyChange } from '../application/placement/index.ts';
import type { Books, Ports } from '../application/ports/index.ts';
import { boatyard } from './boatyard.ts';
import { boatyardCodes, boatyardLists } from './boatyardCodes.ts';
import { demoActor } from './demoActor.ts';
import type { DemoCategory, DemoCompany } from './demoCompany.ts';
import type { DemoEntry } from './demoLedger.ts';
import { ferryCaptions } from './ferryCaptions.ts';
import { ferryAccounts, ferryCategories, ferryRoles } from './ferryChart.ts';
import { type DemoList, demoCodeOf, ferryCodes, ferryLists } from './ferryCodes.ts';
import { ferryOpening } from './ferryFigures.ts';
import { composeFerry } from './ferryLayouts.ts';
import { makeFerryLedger } from './ferryLedger.ts';
import { planFerry, planFreight } from './ferryPlans.ts';
import { makeFerrySet } from './ferrySet.ts';
import { nordskerryFreight } from './freight.ts';
import { must } from './must.ts';

const seed = 20_260_930;
const lastDay = '2026-09-30';

/**
 * Loads the companies of the demo once, the way a user would: a company, its categories, an opening trial balance from a file,
 * then the entries, month by month. A month is one revision, so a load that was broken off goes on where it stopped.
 */
export async function loadDemo(ports: Ports, say: (text: string) => void): Promise<void> {
  const { entries, dealings } = makeFerryLedger(seed);
  const ferry: DemoCompany = {
    name: 'Eiderholm Ferry Company',
    currency: 'EUR',
    fiscalYearFirstMonth: 1,
    accounts: ferryAccounts,
    categories: ferryCategories,
    roles: ferryRoles,
    retainedEarnings: '3100',
    opening: ferryOpening,
    entries,
  };
  const id = await loadCompany(ports, ferry, say, async (companyId) => {
    const { company, lists } = must(await openBooks(ports, companyId));
    if (company.languages.length === 1) must(await changeSettings(ports, ownAccess(companyId, demoActor), { version: company.settingsVersion, languages: ['en', 'nb'] }));
    if (lists.length === 0) await giveCodes(ports, companyId, { lists: ferryLists, codes: ferryCodes });
  });
  await planFerry(ports, must(await openBooks(ports, id)));
  await composeFerry(ports, must(await openBooks(ports, id)));
  await makeFerrySet(ports, must(await openBooks(ports, id)));
  const partner = { kind: 'facet' as const, name: 'Partner', codes: [{ code: 'FERRY', caption: 'Eiderholm Ferry Company', parent: null, element: null, side: null }] };
  await loadCompany(ports, boatyard(dealings), say, async (companyId) => {
    const { company, lists } = must(await openBooks(ports, companyId));
    if (company.numberScheme === null) must(await changeSettings(ports, ownAccess(companyId, demoActor), { version: company.settingsVersion, numberScheme: yardNumbers }));
    if (lists.length === 0) await giveCodes(ports, companyId, { lists: boatyardLists, codes: boatyardCodes });
  });
  const freightId = await loadCompany(ports, nordskerryFreight(dealings), say, async (companyId) => {
    if (must(await openBooks(ports, companyId)).lists.length === 0) must(await addCodeList(ports, ownAccess(companyId, demoActor), partner));
  });
  await planFreight(ports, must(await openBooks(ports, freightId)));
}

/** One letter, two digits, three digits. */
const yardNumbers: NumberScheme = {
  parts: [
    { kind: 'letters', shortest: 1, longest: 1 },
    { kind: 'digits', shortest: 2, longest: 2 },
    { kind: 'digits', shortest: 3, longest: 3 },
  ],
  separator: '-',
  leastParts: 3,
};

/** `prepare`: what is set before the first entry, done again where a load goes on. Gives the company's id. */
async function loadCompany(ports: Ports, demo: DemoCompany, say: (text: string) => void, prepare: (companyId: number) => Promise<void>): Promise<number> {
  const batches = byMonth(demo.entries);
  const there = await ports.companies.findByName(demo.name);
  const begun = there === null ? null : must(await openBooks(ports, there));
  if (begun) await addDemoPeople(ports, begun.company.id);
  const posted = begun?.cube.revision ?? 0;
  if (begun && posted > batches.length) return begun.company.id;
  // Somebody has posted to what was there: it is theirs now.
  if (begun && posted > 1 && (await ports.ledger.lastEntryDay(begun.company.id)) !== batches[posted - 2]?.at(-1)?.date) return begun.company.id;
  say(begun ? `Going on with the demo: ${demo.name}` : `Loading the demo: ${demo.name}`);
  const { name, currency, fiscalYearFirstMonth } = demo;
  const { company } = begun ?? must(await createCompany(ports, { person: await demoPerson(ports, 'administrator'), memberships: {}, lacksSecondFactor: false }, { name, currency, fiscalYearFirstMonth })).books;
  if (!begun) await addDemoPeople(ports, company.id);
  if (posted === 0) await openLedger(ports, company.id, demo);
  await giveRoles(ports, company.id, demo.roles);
  await prepare(company.id);
  must(await makeYear(ports, ownAccess(company.id, demoActor), lastDay));
  const books = must(await openBooks(ports, company.id));
  const keyOf = new Map(books.lists.map(({ key, name: list }) => [list, key]));
  const idOf = new Map(books.accounts.map((account) => [account.number, account.id]));
  for (const [index, batch] of batches.entries()) {
    if (index + 1 < posted) continue;
    const drafts = batch.map(({ lines, ...entry }) => ({
      ...entry,
      lines: lines.map(({ number, cents, facets, foreign }) => ({
        accountId: idOf.get(number) ?? 0,
        debit: cents > 0 ? BigInt(cents) : 0n,
        credit: cents < 0 ? BigInt(-cents) : 0n,
        text: '',
        facets: Object.fromEntries(Object.entries(facets).map(([facet, value]) => [keyOf.get(facet), value])),
        foreign: foreign ? { currency: foreign.currency, amount: BigInt(foreign.cents), rate: null } : null,
      })),
    }));
    must(await postDemoEntries(ports, books, drafts, demoActor));
  }
  say(`  ${demo.entries.length.toLocaleString('en')} entries posted`);
  return company.id;
}

function byMonth(entries: readonly DemoEntry[]): DemoEntry[][] {
  const months = new Map<string, DemoEntry[]>();
  for (const entry of entries) months.set(entry.date.slice(0, 7), [...(months.get(entry.date.slice(0, 7)) ?? []), entry]);
  return [...months.values()];
}

/** Whoever enters the demo in a role has it in the demo's company. */
async function addDemoPeople(ports: Ports, companyId: number): Promise<void> {
  for (const role of roles) {
    const { name, email } = await demoPerson(ports, role);
    const added = await ports.people.addMember(companyId, { name, email, role }, demoActor);
    if (!added.ok && added.failure.code !== 'person_is_member') must(added);
  }
}

/** The demo's own categories in the place of the starter's, and the balances at the end of the year before its first. */
async function openLedger(ports: Ports, companyId: number, demo: DemoCompany): Promise<void> {
  await plantCategories(ports, must(await openBooks(ports, companyId)), demo.categories);
  const fileId = must(await ports.files.keep(companyId, 'opening-balances-2023.csv', Buffer.from(openingFile(demo), 'utf8'), demoActor));
  const posting = { date: '2023-12-31', figures: { kind: 'year_to_date' }, retainedEarnings: demo.retainedEarnings, confirmElements: true, elements: {}, leaveOut: [], missing: 'nil', withdraw: [] } as const;
  must(await postTrialBalance(ports, ownAccess(companyId, demoActor), fileId, posting, { actor: demoActor, idempotencyKey: null, requestHash: Buffer.alloc(32) }));
}

async function giveRoles(ports: Ports, companyId: number, rolesOf: DemoCompany['roles']): Promise<void> {
  const { accounts } = must(await openBooks(ports, companyId));
  for (const { id, number, version, role: held } of accounts) {
    const role = rolesOf[number];
    if (role && role !== held) must(await changeAccount(ports, ownAccess(companyId, demoActor), id, { version, role }));
  }
}

/** Lists and codes of the accounts, which come in a chart file. */
async function giveCodes(ports: Ports, companyId: number, { lists: given, codes }: { readonly lists: readonly DemoList[]; readonly codes: typeof ferryCodes }): Promise<void> {
  const access = ownAccess(companyId, demoActor);
  for (const list of given) {
    const { id, version } = must(await addCodeList(ports, access, { kind: list.kind, name: list.name, codes: list.codes }));
    if (list.isComplete) must(await changeCodeList(ports, access, id, { version, neededFor: [...elements] }));
  }
  const { company, cube, lists, accounts } = must(await openBooks(ports, companyId));
  const coded = lists.filter(({ name }) => codes[name] !== undefined);
  const rows = accounts.map(({ number }) => [number, ...coded.map(({ name }) => demoCodeOf(codes, name, number))]);
  const file = stringify([['Number', ...coded.map(({ key }) => describeColumn(key, lists).heading)], ...rows]);
  const fileId = must(await ports.files.keep(companyId, 'codes-of-accounts.csv', Buffer.from(file, 'utf8'), demoActor));
  must(await applyChartFile(ports, access, fileId, { structureVersion: company.structureVersion, revision: cube.revision }));
}

/** The demo's own categories in the place of those that are there, as one change. */
async function plantCategories(ports: Ports, books: Books, categoriesOf: DemoCompany['categories']): Promise<void> {
  const planted = new Map<number, DescribedCategory | null>(books.categories.map(({ id }) => [id, null]));
  let newId = 0;
  const plant = (element: Element, categories: readonly DemoCategory[], parentId: number | null): void => {
    const ids = new Map<string, number>();
    for (const [at, { name, term = null, step = null, nature = null, note = '', contraOf, range, children = [] }] of categories.entries()) {
      newId--;
      const caption = ferryCaptions[name];
      planted.set(newId, {
        id: newId,
        parentId,
        element,
        name,
        position: (at + 1) * 1000,
        term,
        step,
        contraOf: contraOf === undefined ? null : (ids.get(contraOf) ?? null),
        nature,
        note,
        description: '',
        ranges: range === undefined ? [] : [{ side: 'any', text: range }],
        captions: caption === undefined ? [] : [{ language: 'nb', caption }],
      });
      ids.set(name, newId);
      plant(element, children, newId);
    }
  };
  for (const [element, categories] of Object.entries(categoriesOf)) plant(element as Element, categories, null);
  must(await applyChange(ports, books, demoActor, { categories: planted }, 'The categories of the demo'));
}

/** The opening trial balance as a ledger would export it, with elements, parents and category paths. */
function openingFile({ accounts, opening, retainedEarnings, currency }: DemoCompany): string {
  const opened = Object.values(opening).reduce((total, units) => total + units, 0);
  const rows = accounts.map(({ number, name, element, category, parent }) => {
    const units = number === retainedEarnings ? -opened : (opening[number] ?? 0);
    return [number, name, element, parent, category, toDecimalText(BigInt(Math.round(units * 100)), { code: currency, exponent: 2 })];
  });
  return stringify([['Number', 'Name', 'Element', 'Parent', 'Category', 'Balance'], ...rows]);
}
