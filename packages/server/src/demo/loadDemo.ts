import type { Element } from '@ivory-ladder/core';
import { describeColumn, roles, toDecimalText } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import { ownAccess } from '../application/access.ts';
import { addCategory, deleteCategory } from '../application/categories.ts';
import { changeAccount } from '../application/chart.ts';
import { applyChartFile } from '../application/chartFile.ts';
import { addCodeList } from '../application/codeLists.ts';
import { createCompany } from '../application/companies.ts';
import { changeSettings } from '../application/companySettings.ts';
import { openBooks } from '../application/openBooks.ts';
import type { Books, Ports } from '../application/ports/index.ts';
import { postDemoEntry } from '../application/postEntry.ts';
import { postTrialBalance } from '../application/postTrialBalance.ts';
import { demoPerson } from '../application/signIn.ts';
import { makeYear } from '../application/years.ts';
import { ferryCaptions } from './ferryCaptions.ts';
import { type DemoCategory, ferryAccounts, ferryCategories, ferryRoles } from './ferryChart.ts';
import { ferryCodeOf, ferryCodes, ferryLists } from './ferryCodes.ts';
import { ferryOpening } from './ferryFigures.ts';
import { makeFerryLedger } from './ferryLedger.ts';
import { planFerry } from './ferryPlans.ts';
import { must } from './must.ts';

const seed = 20_260_930;
const actor = 'Demo';
const euro = { code: 'EUR', exponent: 2 };
const companyName = 'Eiderholm Ferry Company';

/**
 * Loads the demo company once, the way a user would: a company, its categories, an opening trial balance from a file,
 * then the entries. One posting is one revision, so a load that was broken off goes on where it stopped.
 */
export async function loadDemo(ports: Ports, say: (text: string) => void): Promise<void> {
  const entries = makeFerryLedger(seed);
  const there = await ports.companies.findByName(companyName);
  const begun = there === null ? null : must(await openBooks(ports, there));
  if (begun) await addDemoPeople(ports, begun.company.id);
  const posted = begun?.cube.revision ?? 0;
  if (posted > entries.length) return begun ? planFerry(ports, begun) : undefined;
  if (begun && posted > 1 && (await ports.ledger.lastEntryDay(begun.company.id)) !== entries[posted - 2]?.date) return;
  say(begun ? `Going on with the demo: ${companyName}` : `Loading the demo: ${companyName}`);
  const { company } = begun ?? must(await createCompany(ports, { person: await demoPerson(ports, 'administrator'), roles: {} }, { name: companyName, currency: 'EUR', fiscalYearFirstMonth: 1 })).books;
  if (!begun) await addDemoPeople(ports, company.id);
  if (posted === 0) await openLedger(ports, company.id);
  await giveRoles(ports, company.id);
  await giveCodes(ports, company.id);
  must(await makeYear(ports, ownAccess(company.id, actor), '2026-09-30'));
  const books = must(await openBooks(ports, company.id));
  const keyOf = new Map(books.lists.map(({ key, name }) => [name, key]));
  const idOf = new Map(books.accounts.map((account) => [account.number, account.id]));
  for (const [index, entry] of entries.entries()) {
    if (index + 1 < posted) continue;
    const lines = entry.lines.map(({ number, cents, facets }) => ({
      accountId: idOf.get(number) ?? 0,
      debit: cents > 0 ? BigInt(cents) : 0n,
      credit: cents < 0 ? BigInt(-cents) : 0n,
      text: '',
      facets: Object.fromEntries(Object.entries(facets).map(([name, value]) => [keyOf.get(name), value])),
    }));
    must(await postDemoEntry(ports, books, { ...entry, lines }, actor));
    if ((index + 1) % 250 === 0) say(`  ${index + 1} of ${entries.length} entries`);
  }
  say(`  ${entries.length} entries posted`);
  await planFerry(ports, must(await openBooks(ports, company.id)));
}

/** Whoever enters the demo in a role has it in the demo's company. */
async function addDemoPeople(ports: Ports, companyId: number): Promise<void> {
  for (const role of roles) {
    const { name, email } = await demoPerson(ports, role);
    const added = await ports.people.addMember(companyId, { name, email, role }, actor);
    if (!added.ok && added.failure.code !== 'person_is_member') must(added);
  }
}

/** The demo's own categories in the place of the starter's, and the balances at the end of the year before its first. */
async function openLedger(ports: Ports, companyId: number): Promise<void> {
  const { company } = must(await openBooks(ports, companyId));
  must(await changeSettings(ports, ownAccess(companyId, actor), { version: company.settingsVersion, languages: ['en', 'nb'] }));
  await plantCategories(ports, companyId, must(await openBooks(ports, companyId)));
  const fileId = await ports.files.keep(companyId, 'opening-balances-2023.csv', Buffer.from(openingFile(), 'utf8'), actor);
  const posting = { date: '2023-12-31', figures: { kind: 'year_to_date' }, retainedEarnings: '3100', confirmElements: true, elements: {}, missing: 'nil', withdraw: [] } as const;
  must(await postTrialBalance(ports, ownAccess(companyId, actor), fileId, posting, { actor, idempotencyKey: null, requestHash: Buffer.alloc(32) }));
}

async function giveRoles(ports: Ports, companyId: number): Promise<void> {
  const { accounts } = must(await openBooks(ports, companyId));
  for (const { id, number, version, role: held } of accounts) {
    const role = ferryRoles[number];
    if (role && role !== held) must(await changeAccount(ports, ownAccess(companyId, actor), id, { version, role }));
  }
}

/** Lists and codes of the accounts, which come in a chart file. */
async function giveCodes(ports: Ports, companyId: number): Promise<void> {
  const access = ownAccess(companyId, actor);
  if (must(await openBooks(ports, companyId)).lists.length > 0) return;
  for (const list of ferryLists) must(await addCodeList(ports, access, list));
  const { company, cube, lists } = must(await openBooks(ports, companyId));
  const coded = lists.filter(({ name }) => ferryCodes[name] !== undefined);
  const rows = ferryAccounts.map(({ number }) => [number, ...coded.map(({ name }) => ferryCodeOf(name, number))]);
  const file = stringify([['Number', ...coded.map(({ key }) => describeColumn(key, lists).heading)], ...rows]);
  const fileId = await ports.files.keep(companyId, 'codes-of-accounts.csv', Buffer.from(file, 'utf8'), actor);
  must(await applyChartFile(ports, access, fileId, { structureVersion: company.structureVersion, revision: cube.revision }));
}

async function plantCategories(ports: Ports, companyId: number, books: Books): Promise<void> {
  const deepestFirst = [...books.categoryTree.nodes.values()].sort((a, b) => b.depth - a.depth || Number(b.category.contraOf !== null) - Number(a.category.contraOf !== null));
  for (const { category } of deepestFirst) must(await deleteCategory(ports, ownAccess(companyId, actor), category.id));
  const plant = async (element: Element, categories: readonly DemoCategory[], parentId: number | null): Promise<void> => {
    const ids = new Map<string, number>();
    for (const { name, term = null, step = null, contraOf, range, children = [] } of categories) {
      const category = must(
        await addCategory(ports, ownAccess(companyId, actor), {
          parentId,
          element,
          name,
          term,
          step,
          contraOf: contraOf === undefined ? null : (ids.get(contraOf) ?? null),
          ranges: range === undefined ? [] : [{ side: 'any', text: range }],
          captions: ferryCaptions[name] === undefined ? [] : [{ language: 'nb', caption: ferryCaptions[name] }],
        }),
      );
      ids.set(name, category.id);
      await plant(element, children, category.id);
    }
  };
  for (const [element, categories] of Object.entries(ferryCategories)) await plant(element as Element, categories, null);
}

/** The opening trial balance as a ledger would export it, with elements, parents and category paths. */
function openingFile(): string {
  const known = Object.values(ferryOpening).reduce((total, euros) => total + euros, 0);
  const rows = ferryAccounts.map(({ number, name, element, category, parent }) => {
    const euros = number === '3100' ? -known : (ferryOpening[number] ?? 0);
    return [number, name, element, parent, category, toDecimalText(BigInt(Math.round(euros * 100)), euro)];
  });
  return stringify([['Number', 'Name', 'Element', 'Parent', 'Category', 'Balance'], ...rows]);
}
