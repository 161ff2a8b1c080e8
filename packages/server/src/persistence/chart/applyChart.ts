import {
  type ChangedAccount,
  type DigitOrder,
  type Element,
  type PlaceTarget,
  placesByAccount,
  sameCodes,
  sortByNumber,
  writeCategoryPath,
} from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { Actor, Books, ChartPlan } from '../../application/ports/index.ts';
import { readCompany } from '../books/index.ts';
import { type AuditEvent, numberColumns, Refused, updateAccounts } from '../database/index.ts';
import { keepLayouts } from '../layouts/index.ts';
import { addCategoryPath, keepPlaces, keptEvent, replacePlaces } from '../placement/index.ts';
import { takeRole } from './accountRoles.ts';
import { replaceCodes } from './codeRows.ts';
import { insertAccounts } from './insertAccounts.ts';

const idsInOne = 2000;

/** Writes what a chart file does to the chart: categories, new accounts, fields, nesting, order and places. */
export async function applyChart(
  runner: QueryRunner,
  books: Books,
  { accounts, newCategories, kept }: ChartPlan,
  expectedRevision: number,
  actor: Actor,
): Promise<AuditEvent[]> {
  const companyId = books.company.id;
  const audit: AuditEvent[] = [];
  await holdPostingsOff(runner, companyId, accounts, expectedRevision);
  const categoryIds = new Map<string, number>();
  for (const { element, path } of newCategories) categoryIds.set(pathKey(element, path), await addCategoryPath(runner, books, element, path, audit));
  const changed = accounts.filter(({ account }) => account !== null);
  const added = accounts.filter(({ account }) => account === null);
  await freeRoles(runner, companyId, accounts, audit);
  await writeChanged(runner, companyId, changed, books.company.digitOrder);
  const idOf = await insertAdded(runner, companyId, added, books.company.digitOrder);
  const real = (id: number | null): number | null => (id !== null && id < 0 ? (idOf.get(id) as number) : id);
  await updateAccounts(
    runner,
    companyId,
    ['parent_id'],
    accounts.map(({ id, parentId }) => [real(id) as number, real(parentId)]),
  );
  await orderAdded(runner, books, accounts, real);
  const placed = accounts.filter(({ places }) => places !== null);
  const target = (to: PlaceTarget): number => ('categoryId' in to ? to.categoryId : (categoryIds.get(pathKey(to.element, to.path)) as number));
  await replacePlaces(
    runner,
    companyId,
    placed.map(({ id, places }) => ({
      accountId: real(id) as number,
      classificationId: books.classificationId,
      places: (places ?? []).map(({ side, target: to }) => ({ side, categoryId: target(to) })),
    })),
  );
  await keepPlaces(runner, companyId, kept.places);
  // Under another element an account cannot stand where other classifications have it.
  const elsewhere = changed.filter(({ account, element }) => account?.element !== element);
  await replacePlaces(
    runner,
    companyId,
    books.classifications
      .filter(({ id }) => id !== books.classificationId)
      .flatMap(({ id: classificationId }) => elsewhere.map(({ id }) => ({ accountId: id, classificationId, places: [] }))),
  );
  const coded = accounts.filter(({ account, codes }) => !sameCodes(codes, account?.codes ?? {}));
  await replaceCodes(
    runner,
    companyId,
    coded.map(({ id, codes }) => ({ accountId: real(id) as number, codes })),
  );
  const placesBefore = placesByAccount(books.places);
  for (const { id, account, places, ...fields } of accounts) {
    const after = { ...fields, parentId: real(fields.parentId) };
    const thingId = real(id) as number;
    if (!account) audit.push({ thing: 'account', thingId, action: 'added', after });
    else {
      const keys = (Object.keys(after) as (keyof typeof after)[]).filter((key) =>
        key === 'codes' ? !sameCodes(after.codes, account.codes) : after[key] !== account[key],
      );
      if (keys.length > 0)
        audit.push({
          thing: 'account',
          thingId,
          action: 'changed',
          before: Object.fromEntries(keys.map((key) => [key, account[key]])),
          after: Object.fromEntries(keys.map((key) => [key, after[key]])),
        });
    }
    if (places !== null && (account || places.length > 0))
      audit.push({
        thing: 'place',
        thingId,
        action: account ? 'changed' : 'added',
        before: account ? (placesBefore.get(id) ?? []) : undefined,
        after: places.map(({ side, target: to }) => ({ side, categoryId: target(to) })),
      });
  }
  audit.push(...kept.places.map(keptEvent), ...(await keepLayouts(runner, companyId, kept.layouts, actor)));
  return audit;
}

const pathKey = (element: Element, path: readonly string[]): string => `${element} ${writeCategoryPath(path).toLowerCase()}`;

/** As for one account retired: postings under way are waited for, and one that came since makes the balances stale. */
async function holdPostingsOff(runner: QueryRunner, companyId: number, accounts: readonly ChangedAccount[], expectedRevision: number): Promise<void> {
  const retired = accounts.filter(({ account, active }) => account?.active && !active).map(({ id }) => id);
  if (retired.length === 0) return;
  for (let at = 0; at < retired.length; at += idsInOne) {
    const ids = retired.slice(at, at + idsInOne);
    await runner.query(`SELECT id FROM account WHERE company_id = ? AND id IN (${ids.map(() => '?').join(', ')}) ORDER BY id FOR UPDATE`, [companyId, ...ids]);
  }
  if ((await readCompany(runner, companyId))?.revision !== expectedRevision) throw new Refused({ code: 'ledger_moved_on' });
}

/** Who holds a role that the file gives to another account loses it, whether the file names them or not. */
async function freeRoles(runner: QueryRunner, companyId: number, accounts: readonly ChangedAccount[], audit: AuditEvent[]): Promise<void> {
  const named = new Set(accounts.map(({ id }) => id));
  for (const { account, role } of accounts) {
    if (role === null || role === account?.role) continue;
    for (const id of await takeRole(runner, companyId, role))
      if (!named.has(id)) audit.push({ thing: 'account', thingId: id, action: 'changed', before: { role }, after: { role: null } });
  }
}

async function writeChanged(runner: QueryRunner, companyId: number, changed: readonly ChangedAccount[], order: DigitOrder): Promise<void> {
  const renumbered = changed.filter(({ account, number }) => account?.number !== number);
  // Through numbers that nobody can have, so that two accounts may swap theirs.
  await updateAccounts(
    runner,
    companyId,
    ['number'],
    renumbered.map(({ id }) => [id, `\u0001${id}`]),
  );
  await updateAccounts(
    runner,
    companyId,
    ['number', 'number_key', 'name', 'element', 'normal_side', 'active', 'role', 'purpose', 'external_number'],
    changed.map(({ id, number, name, element, normalSide, active, role, purpose, externalNumber }) => [
      id,
      ...numberColumns(number, order),
      name,
      element,
      normalSide,
      active ? 1 : 0,
      role,
      purpose,
      externalNumber,
    ]),
    { versioned: true },
  );
}

/** The ids they got, by the negative ids they had. */
async function insertAdded(runner: QueryRunner, companyId: number, added: readonly ChangedAccount[], order: DigitOrder): Promise<Map<number, number>> {
  const inserted = await insertAccounts(runner, companyId, added, order);
  return new Map(added.map(({ id }, at) => [id, inserted[at] as number]));
}

/**
 * An account that is new among its siblings stands where its number puts it: behind the last of them with a lower one.
 * The others keep their order.
 */
async function orderAdded(runner: QueryRunner, books: Books, accounts: readonly ChangedAccount[], real: (id: number | null) => number | null): Promise<void> {
  const after = new Map(accounts.map((account) => [account.id, account]));
  const comers = accounts.filter(({ account, parentId }) => account === null || account.parentId !== parentId);
  const arriving = new Map<number | null, ChangedAccount[]>();
  for (const comer of comers) arriving.set(comer.parentId, [...(arriving.get(comer.parentId) ?? []), comer]);
  const staying = new Map<number | null, { id: number; number: string }[]>();
  for (const account of books.tree.order) {
    const { parentId, number } = after.get(account.id) ?? account;
    if (parentId === account.parentId) staying.set(parentId, [...(staying.get(parentId) ?? []), { id: account.id, number }]);
  }
  const positions: [number, number][] = [];
  for (const [parentId, comersHere] of arriving) {
    const stayingHere = staying.get(parentId) ?? [];
    // Without numbers they stand behind the others, in the order of the file.
    const siblings = books.company.numbered ? placeByNumber(stayingHere, comersHere, books.company.digitOrder) : [...stayingHere, ...comersHere];
    for (const [at, { id }] of siblings.entries()) positions.push([real(id) as number, (at + 1) * 1000]);
  }
  await updateAccounts(runner, books.company.id, ['position'], positions);
}

type Numbered = { readonly id: number; readonly number: string };

function placeByNumber(staying: readonly Numbered[], comers: readonly Numbered[], order: DigitOrder): Numbered[] {
  const rank = new Map(sortByNumber([...staying, ...comers], order).map(({ id }, at) => [id, at]));
  const rankOf = ({ id }: Numbered): number => rank.get(id) as number;
  const slots: Numbered[][] = Array.from({ length: staying.length + 1 }, () => []);
  // For each newcomer the last of those staying with a lower number: the highest rank up to each place, from behind.
  for (const comer of [...comers].sort((a, b) => rankOf(a) - rankOf(b))) {
    let slot = staying.length;
    while (slot > 0 && rankOf(staying[slot - 1] as Numbered) > rankOf(comer)) slot--;
    (slots[slot] as Numbered[]).push(comer);
  }
  return slots.flatMap((comersThere, slot) => [...(slot > 0 ? [staying[slot - 1] as Numbered] : []), ...comersThere]);
}
