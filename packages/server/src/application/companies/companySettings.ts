import { fail, findCurrency, numberWhole, type Outcome, type RangedAccount, repeatedBeside, type Span, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { layoutsKeptBy, runningAs } from '../layouts/index.ts';
import { placesKeptBy } from '../placement/index.ts';
import type { Books, ChangedNumber, CompanyRecord, CompanySettings, Kept, Ports } from '../ports/index.ts';
import { booksAfter, placementsKeeping, type WholeEffect, wholeEffect } from '../statements/index.ts';
import { type CompanyView, viewCompany } from './companies.ts';

/** Only what changes. */
export type SettingsEdit = { readonly [Field in keyof CompanySettings]?: CompanySettings[Field] | undefined } & { readonly version: number };

export interface SettingsCheck {
  readonly effect: WholeEffect;
  /** Accounts that stay by hand where they stood by range, and those that a range has again. */
  readonly kept: number;
  readonly returned: number;
}

/** What other settings of numbers would do: accounts stay where they stand, but lines of layouts may take others. Nothing is changed. */
export async function checkSettings(
  ports: Ports,
  { companyId }: Access<'keep_people_and_settings'>,
  edit: Pick<SettingsEdit, 'digitOrder' | 'numbered'>,
  span: Span,
): Promise<Outcome<SettingsCheck, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const before = settingsOf(books.company);
  const after = { ...before, digitOrder: edit.digitOrder ?? before.digitOrder, numbered: edit.numbered ?? before.numbered };
  const { numbers, kept } = await whatNumbersChange(ports, books, after);
  const accounts = numbers.map((number) => ({ id: number.id, number: number.after }));
  const then = booksAfter(books, { accounts, digitOrder: after.digitOrder, placements: placementsKeeping(books, kept.places) });
  const effect = await wholeEffect(ports, books, then, span, { layouts: runningAs(kept.layouts) });
  if (!effect.ok) return effect;
  const returned = kept.places.filter((places) => places.after.length === 0).length;
  return succeed({ effect: effect.value, kept: kept.places.length - returned, returned });
}

/** The numbers that accounts have then, and what keeps them where they stand: in their categories, and on the lines that take ranges of numbers. */
async function whatNumbersChange(ports: Ports, books: Books, after: CompanySettings): Promise<{ readonly numbers: ChangedNumber[]; readonly kept: Kept }> {
  const numbers = changedNumbers(books, after);
  // Without numbers no text of numbers can say anything; it waits as it is.
  const isFollowed = books.company.numbered && after.numbered && numbers.length > 0;
  const numberOf = new Map(numbers.map((number) => [number.id, number.after]));
  return {
    numbers,
    kept: {
      places: placesKeptBy(books, numbersAfter(books, numbers), after.digitOrder),
      layouts: isFollowed ? await layoutsKeptBy(ports, books, numberOf, after.digitOrder) : [],
    },
  };
}

/** The company with all that is in it, for good, by who types its name. */
export function removeCompany(
  { companies }: Pick<Ports, 'companies'>,
  { companyId }: Access<'keep_people_and_settings'>,
  name: string,
): Promise<Outcome<null, Failure>> {
  return companies.remove(companyId, name);
}

/** The currency is held by the first entry, the first month by the first fiscal year. */
export function changeSettings(
  ports: Ports,
  access: Access<'keep_people_and_settings'>,
  { version, ...edit }: SettingsEdit,
): Promise<Outcome<CompanyView, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, access.companyId);
    if (!opened.ok) return opened;
    const { company, accounts, calendar } = opened.value;
    const before = settingsOf(company);
    if (company.settingsVersion !== version) return fail({ code: 'version_conflict', thing: 'company', id: company.id, current: before });
    const chosen = Object.fromEntries(Object.entries(edit).filter(([, value]) => value !== undefined)) as Partial<CompanySettings>;
    const after: CompanySettings = { ...before, ...chosen };
    if (!findCurrency(after.currency)) return fail({ code: 'currency_unknown', currency: after.currency });
    if (after.currency !== before.currency && company.revision > 0) return fail({ code: 'setting_held', setting: 'currency', by: 'entries' });
    if (after.fiscalYearFirstMonth !== before.fiscalYearFirstMonth && calendar.years.length > 0)
      return fail({ code: 'setting_held', setting: 'fiscalYearFirstMonth', by: 'years' });
    const repeated = before.numbered && !after.numbered ? repeatedBeside(accounts) : [];
    if (repeated.length > 0) return fail({ code: 'names_repeated', accounts: repeated.map(({ id, number, name }) => ({ id, number, name })) });
    const settings = after.numbered ? after : { ...after, numberScheme: null };
    const changed = await ports.companies.changeSettings(company, before, settings, await whatNumbersChange(ports, opened.value, settings), access.actor);
    return changed.ok ? viewCompany(ports, access) : changed;
  });
}

function settingsOf({ name, currency, fiscalYearFirstMonth, digitOrder, numberScheme, repeatedNames, numbered, languages }: CompanyRecord): CompanySettings {
  return { name, currency: currency.code, fiscalYearFirstMonth, digitOrder, numberScheme, repeatedNames, numbered, languages };
}

/** What the ranges see then; no account where neither numbers nor their order change. */
function numbersAfter({ accounts }: Books, numbers: readonly ChangedNumber[]): Map<number, Pick<RangedAccount, 'number' | 'element'>> {
  const after = new Map(numbers.map((number) => [number.id, number.after]));
  return new Map(accounts.flatMap(({ id, element }) => (after.has(id) ? [[id, { number: after.get(id) ?? '', element }] as const] : [])));
}

/** Numbers are taken away, or given to all in the chart's own order, or ordered anew. */
function changedNumbers({ company, accounts, tree }: Books, after: CompanySettings): ChangedNumber[] {
  if (after.numbered === company.numbered && (after.digitOrder === company.digitOrder || !after.numbered)) return [];
  const numberOf = after.numbered && !company.numbered ? numberWhole(tree.order) : null;
  return accounts.map(({ id, number }) => ({ id, before: number, after: numberOf?.get(id) ?? (after.numbered ? number : '') }));
}
