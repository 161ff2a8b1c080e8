import {
  type FiscalYear,
  fail,
  findCurrency,
  type LayoutOptions,
  type Outcome,
  type Permission,
  type RoleKey,
  type Span,
  succeed,
  yearName,
} from '@ivory-ladder/core';
import { type Access, ownAccess } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { roleNameOf } from '../people/index.ts';
import { leftOutOf } from '../placement/index.ts';
import type { Books, Identity, Ports } from '../ports/index.ts';
import { booksAfter, type WholeEffect, wholeEffect } from '../statements/index.ts';
import { beginningOf, type CompanyBeginning } from './newCompany.ts';

export interface CompanyView {
  readonly role: RoleKey;
  readonly roleName: string;
  readonly permissions: readonly Permission[];
  readonly books: Books;
  readonly years: readonly (FiscalYear & { readonly name: string })[];
  readonly lastEntryDay: string | null;
  readonly unplaced: number;
}

export async function createCompany(ports: Ports, identity: Identity, input: CompanyBeginning): Promise<Outcome<CompanyView, Failure>> {
  const { person } = identity;
  if (!person.mayAddCompanies) return fail({ code: 'adding_companies_refused' });
  if (!findCurrency(input.currency)) return fail({ code: 'currency_unknown', currency: input.currency });
  const begun = await beginningOf(ports, identity, input);
  if (!begun.ok) return begun;
  const { settings, ...begin } = begun.value;
  return viewCompany(ports, ownAccess(await ports.companies.create(settings, begin, person), { name: person.name, personId: person.id }));
}

export async function viewCompany(ports: Ports, { companyId, role, permissions }: Access): Promise<Outcome<CompanyView, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const leftOut = leftOutOf(books);
  const unplaced = books.tree.order.filter(({ id }, at) => !books.tree.isParent[at] && !books.portions.has(id) && !leftOut.has(id)).length;
  return succeed({
    role,
    roleName: await roleNameOf(ports, companyId, role),
    permissions,
    books,
    years: books.calendar.years.map((year) => ({ ...year, name: yearName(year) })),
    lastEntryDay: await ports.ledger.lastEntryDay(companyId),
    unplaced,
  });
}

export async function viewLayoutOptions(ports: Ports, { companyId }: Access): Promise<Outcome<{ options: LayoutOptions; version: number }, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? succeed({ options: opened.value.options, version: opened.value.optionsVersion }) : opened;
}

export async function setLayoutOptions(
  ports: Ports,
  { companyId, actor }: Access<'keep_layouts'>,
  options: LayoutOptions,
  version: number,
): Promise<Outcome<{ options: LayoutOptions; version: number }, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const set = await ports.companies.setLayoutOptions(companyId, options, version, actor);
  return set.ok ? succeed({ options, version: set.value }) : set;
}

/** What other settings of the generated layouts would do to every statement and layout in use; nothing is changed. */
export async function checkLayoutOptions(
  ports: Ports,
  { companyId }: Access<'keep_layouts'>,
  options: LayoutOptions,
  span: Span,
): Promise<Outcome<WholeEffect, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? wholeEffect(ports, opened.value, booksAfter(opened.value, { options }), span) : opened;
}
