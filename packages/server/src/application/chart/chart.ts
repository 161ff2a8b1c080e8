import {
  type Account,
  bringToScheme,
  type CodesOfAccount,
  checkAccount,
  checkPlaces,
  checkRole,
  codeFinder,
  collationKey,
  compareKeys,
  fail,
  findSameName,
  type ListKey,
  naturalSide,
  type Outcome,
  roleRules,
  type SiblingPlace,
  type Span,
  siblingsWith,
  succeed,
} from '@ivory-ladder/core';
import { type Access, refuseWithout } from '../access.ts';
import { lastBalance, openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { layoutsKeptBy, runningAs } from '../layouts/index.ts';
import { placesKeptBy } from '../placement/index.ts';
import type { AccountFields, Books, ChartAccount, KeptLayout, PlacesByHand, Ports } from '../ports/index.ts';
import { booksAfter, placementsKeeping, type WholeEffect, wholeEffect } from '../statements/index.ts';

export interface AccountInput {
  readonly number: string;
  readonly name: string;
  readonly element: Account['element'];
  readonly normalSide?: Account['normalSide'] | undefined;
  readonly parentId: number | null;
  /** Sibling to stand behind; `null` stands first; absent: where its number puts it. */
  readonly after?: number | null | undefined;
  readonly purpose: string;
  readonly externalNumber: string;
  readonly categoryId: number | null;
  readonly codes: CodesGiven;
}

/** As they are typed; empty or `null`: none. Lists that are not named stay. */
type CodesGiven = Readonly<Record<string, string | null>>;

/** Only what changes. */
export type AccountEdit = { readonly [Field in keyof Omit<AccountFields, 'codes'>]?: AccountFields[Field] | undefined } & {
  readonly codes?: CodesGiven | undefined;
  readonly version: number;
  readonly after?: number | null | undefined;
};

export function addAccount(ports: Ports, access: Access<'keep_chart'>, input: AccountInput): Promise<Outcome<ChartAccount, Failure>> {
  const { companyId, actor } = access;
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const { after, categoryId, ...own } = input;
    const number = numberFor(books, own.number);
    if (!number.ok) return number;
    const codes = codesGiven(books, {}, own.codes);
    if (!codes.ok) return codes;
    const fields: AccountFields = {
      ...own,
      codes: codes.value,
      number: number.value,
      normalSide: input.normalSide ?? naturalSide(input.element),
      active: true,
      role: null,
      cashFrom: null,
      cashUntil: null,
    };
    const refused = checkName(books, fields, null) ?? checkAccount(fields, null, books.tree, books.company.numbered) ?? checkParentActive(books, fields);
    if (refused) return fail(refused);
    if (categoryId !== null) {
      const unplaced = refuseWithout(access, 'keep_placement');
      if (unplaced) return fail(unplaced);
      const placed = checkPlaces({ id: 0, element: fields.element }, [{ side: 'any', categoryId }], books.categoryTree);
      if (!placed.ok) return placed;
    }
    const siblings = siblingsOf(books, fields, null);
    const added = await ports.chart.addAccount(
      companyId,
      fields,
      siblingsWith(siblings, newcomer, placeAmong(books, siblings, fields.number, after)).map((id) => (id === newcomer ? null : id)),
      categoryId,
      books.company.structureVersion,
      actor,
    );
    return added.ok ? findAccount(ports, companyId, added.value) : added;
  });
}

export function changeAccount(
  ports: Ports,
  { companyId, actor }: Access<'keep_chart'>,
  accountId: number,
  edit: AccountEdit,
): Promise<Outcome<ChartAccount, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const planned = await planChange(ports, books, accountId, edit);
    if (!planned.ok) return planned;
    const { current, fields, kept } = planned.value;
    const order = newOrder(books, current, fields, edit.after);
    const changed = await ports.chart.changeAccount(companyId, current, fields, order, kept, versionsOf(books), actor);
    return changed.ok ? findAccount(ports, companyId, accountId) : changed;
  });
}

/** What the change would do to every statement and layout in use; refused as the change would be, and nothing is changed. */
export async function checkAccountChange(
  ports: Ports,
  { companyId }: Access<'keep_chart'>,
  accountId: number,
  edit: AccountEdit,
  span: Span,
): Promise<Outcome<WholeEffect, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const planned = await planChange(ports, books, accountId, edit);
  if (!planned.ok) return planned;
  const { fields, kept } = planned.value;
  const { role } = fields;
  // A role of one holder leaves the one that has it.
  const former = role === null || roleRules[role].isForSeveral ? [] : books.accounts.filter((one) => one.role === role && one.id !== accountId);
  const accounts = [{ ...fields, id: accountId }, ...former.map(({ id }) => ({ id, role: null }))];
  return wholeEffect(ports, books, booksAfter(books, { accounts, placements: placementsKeeping(books, kept.places) }), span, {
    layouts: runningAs(kept.layouts),
  });
}

interface PlannedChange {
  readonly current: ChartAccount;
  readonly fields: AccountFields;
  readonly kept: { readonly places: readonly PlacesByHand[]; readonly layouts: readonly KeptLayout[] };
}

async function planChange(ports: Ports, books: Books, accountId: number, edit: AccountEdit): Promise<Outcome<PlannedChange, Failure>> {
  const current = books.accounts.find(({ id }) => id === accountId);
  if (!current) return fail({ code: 'not_found', thing: 'account', id: accountId });
  if (current.version !== edit.version) return fail({ code: 'version_conflict', thing: 'account', id: accountId, current });
  const number = edit.number === undefined ? succeed(current.number) : numberFor(books, edit.number);
  if (!number.ok) return number;
  const codes = codesGiven(books, current.codes, edit.codes ?? {});
  if (!codes.ok) return codes;
  const fields = { ...withDaysOfCash(fieldsAfter(current, edit)), number: number.value, codes: codes.value };
  const refused =
    checkName(books, fields, current) ??
    checkAccount(fields, accountId, books.tree, books.company.numbered) ??
    checkParentActive(books, fields) ??
    checkElement(books, current, fields) ??
    checkRole(current.role, fields) ??
    checkCashDays(fields) ??
    checkRetiring(books, current, fields);
  if (refused) return fail(refused);
  // Under another element it cannot stand where it stood.
  const isRenumbered = fields.number !== current.number && fields.element === current.element;
  const kept = {
    places: isRenumbered ? placesKeptBy(books, new Map([[accountId, fields]])) : [],
    layouts: fields.number === current.number ? [] : await layoutsKeptBy(ports, books, new Map([[accountId, fields.number]])),
  };
  return succeed({ current, fields, kept });
}

/** Only an account that nothing holds: no journal line, no sub-account, no budget, no role. */
export function deleteAccount(ports: Ports, { companyId, actor }: Access<'keep_chart'>, accountId: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const account = books.accounts.find(({ id }) => id === accountId);
    if (!account) return fail({ code: 'not_found', thing: 'account', id: accountId });
    const { lines } = await ports.chart.useOf(companyId, accountId);
    const budgets = await ports.budgets.budgetsOf(companyId, accountId);
    const subAccounts = books.accounts.filter(({ parentId }) => parentId === accountId).length;
    if (lines + subAccounts + budgets > 0 || account.role !== null) return fail({ code: 'account_held', lines, subAccounts, budgets, role: account.role });
    return ports.chart.deleteAccount(companyId, account, versionsOf(books), actor);
  });
}

function versionsOf({ company, cube }: Books): { structure: number; revision: number } {
  return { structure: company.structureVersion, revision: cube.revision };
}

/** Stands for an account that has no id yet. */
const newcomer = 0;

function fieldsAfter(current: ChartAccount, edit: AccountEdit): AccountFields {
  const { id: _, version: __, position: ___, ...known } = current;
  const { version: ____, after: _____, codes: ______, ...set } = edit;
  const chosen = Object.fromEntries(Object.entries(set).filter(([, value]) => value !== undefined)) as Partial<AccountFields>;
  const element = chosen.element ?? known.element;
  // Another element brings its own normal side, unless one is chosen with it.
  const side = element === known.element ? {} : { normalSide: naturalSide(element) };
  return { ...known, ...side, ...chosen };
}

/** What an account has of each list with those given in the place of its own. */
function codesGiven({ lists }: Books, own: CodesOfAccount, written: CodesGiven): Outcome<CodesOfAccount, Failure> {
  const codes: Record<ListKey, string> = { ...own };
  for (const [key, typed] of Object.entries(written)) {
    const list = lists.find((one) => one.key === key);
    if (!list) return fail({ code: 'not_found', thing: 'code_list', id: key });
    const found = codeFinder(list)(typed ?? '');
    if ((typed ?? '').trim() === '') delete codes[list.key];
    else if (found) codes[list.key] = found.code;
    else return fail({ code: 'list_code_unknown', listed: typed ?? '' });
  }
  return succeed(codes);
}

function siblingsOf({ tree }: Books, { parentId }: Pick<AccountFields, 'parentId'>, own: number | null): number[] {
  return tree.order.filter((account) => account.parentId === parentId && account.id !== own).map(({ id }) => id);
}

/** Brought to the scheme; none where none is given, which is judged with the rest of the account. */
function numberFor({ company }: Books, typed: string): ReturnType<typeof bringToScheme> {
  return typed.trim() === '' ? succeed('') : bringToScheme(typed, company.numberScheme);
}

/** Where nothing is said: behind the last sibling with a lower number; without numbers behind all of them. */
function placeAmong({ accounts, company }: Books, siblings: readonly number[], number: string, after: number | null | undefined): SiblingPlace {
  if (after === null) return 'first';
  if (after !== undefined) return { after };
  if (!company.numbered) return siblings.length === 0 ? 'first' : { after: siblings.at(-1) as number };
  const key = collationKey(number, company.digitOrder);
  const numbers = new Map(accounts.map((account) => [account.id, account.number]));
  // From the end, since a number is most often added behind the others.
  const lower = siblings.findLast((id) => compareKeys(collationKey(numbers.get(id) ?? '', company.digitOrder), key) < 0);
  return lower === undefined ? 'first' : { after: lower };
}

function newOrder(books: Books, current: ChartAccount, fields: AccountFields, after: number | null | undefined): number[] {
  if (after === undefined && fields.parentId === current.parentId) return [];
  const siblings = siblingsOf(books, fields, current.id);
  return siblingsWith(siblings, current.id, placeAmong(books, siblings, fields.number, after));
}

function checkParentActive({ accounts }: Books, { parentId, active }: AccountFields): Failure | null {
  const parent = accounts.find(({ id }) => id === parentId);
  return active && parent && !parent.active ? { code: 'account_parent_inactive', number: parent.number || parent.name } : null;
}

/** Sub-accounts, places of every classification and a role hang on the element; they go first. */
function checkElement({ accounts, classifications }: Books, current: ChartAccount, { element }: AccountFields): Failure | null {
  if (element === current.element) return null;
  if (accounts.some(({ parentId }) => parentId === current.id)) return { code: 'account_element_held', by: 'sub_accounts' };
  if (current.role !== null) return { code: 'account_element_held', by: 'role' };
  return classifications.some(({ places }) => places.some(({ accountId }) => accountId === current.id)) ? { code: 'account_element_held', by: 'places' } : null;
}

/** Where the company forbids it, no two active accounts have one name; a name that is kept is not judged anew. */
function checkName({ accounts, company }: Books, { name, active }: AccountFields, current: ChartAccount | null): Failure | null {
  if (company.repeatedNames !== 'forbidden' || !active || (current?.active && current.name === name)) return null;
  const holder = findSameName(accounts, name, current?.id ?? null);
  return holder ? { code: 'account_name_taken', name, accountId: holder.id, number: holder.number } : null;
}

/** Of another account they say nothing. */
function withDaysOfCash(fields: AccountFields): AccountFields {
  return fields.role === 'cash' ? fields : { ...fields, cashFrom: null, cashUntil: null };
}

function checkCashDays({ cashFrom, cashUntil }: AccountFields): Failure | null {
  return cashFrom !== null && cashUntil !== null && cashFrom > cashUntil ? { code: 'span_reversed', from: cashFrom, to: cashUntil } : null;
}

/** Cash stays what it was: it is nil from then on, and was cash before. */
function checkRetiring(books: Books, current: ChartAccount, { active, role }: AccountFields): Failure | null {
  if (active || !current.active) return null;
  const balance = lastBalance(books, current.id);
  const subAccounts = books.accounts.filter((account) => account.parentId === current.id && account.active).length;
  return balance !== 0n || subAccounts > 0 || (role !== null && role !== 'cash') ? { code: 'account_not_retirable', balance, subAccounts, role } : null;
}

async function findAccount(ports: Ports, companyId: number, accountId: number): Promise<Outcome<ChartAccount, Failure>> {
  const books = await openBooks(ports, companyId);
  const account = books.ok ? books.value.accounts.find(({ id }) => id === accountId) : undefined;
  return account ? succeed(account) : fail({ code: 'not_found', thing: 'account', id: accountId });
}
