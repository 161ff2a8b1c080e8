import {
  type CompiledLayout,
  type Currency,
  closingRateOn,
  type Day,
  type Element,
  fail,
  findCurrency,
  type Layout,
  type MissingRate,
  type Outcome,
  type PresentationChoice,
  periodIndexOf,
  type Span,
  type StatementColumn,
  succeed,
} from '@ivory-ladder/core';
import { withDaysOfCash } from './besideCash.ts';
import type { Failure } from './failure.ts';
import { withStandIns } from './placedThen.ts';
import type { Books, Ports } from './ports/index.ts';
import { asFlows, missingRates, translatedBooks } from './translatedBooks.ts';

/** `rate`: of the last day, where all amounts are shown by it; the books are in the company's currency then. */
export interface Presentation {
  readonly from: Currency;
  readonly to: Currency;
  readonly rate: { readonly text: string; readonly day: Day } | null;
}

/**
 * In the currency asked for, where amounts come into it by themselves and not by one rate for all; with stand-ins for accounts that stood elsewhere
 * on days whose placement columns ask for.
 */
export async function presented(
  ports: Ports,
  books: Outcome<Books, Failure>,
  kind: Layout['kind'],
  presentation: PresentationChoice | undefined,
  days: readonly Day[],
): Promise<Outcome<Books, Failure>> {
  if (!books.ok) return books;
  const translated = presentation?.method === 'own_rates' ? await translatedBooks(ports, books.value, presentation.currency) : books;
  if (!translated.ok) return translated;
  return kind === 'cash_flow' ? succeed(withDaysOfCash(asFlows(translated.value))) : withStandIns(ports, translated.value, days);
}

export async function presentationOf(
  { rates }: Pick<Ports, 'rates'>,
  { company, translation }: Books,
  presentation: PresentationChoice | undefined,
  day: Day,
): Promise<Outcome<Presentation | null, Failure>> {
  if (!presentation) return succeed(null);
  if (translation) return succeed({ from: translation.of.company.currency, to: company.currency, rate: null });
  const to = findCurrency(presentation.currency);
  if (!to || to.code === company.currency.code) return fail({ code: 'currency_unknown', currency: presentation.currency });
  const closing = closingRateOn(await rates.list(company.id), to.code, day);
  if (!closing) return fail({ code: 'rates_missing', currency: to.code, rates: [{ kind: 'closing', day }], more: 0 });
  return succeed({ from: company.currency, to, rate: { text: closing.rate, day: closing.day } });
}

/** Averages of periods in which an amount was moved between lines that no account moved in. */
function missingOfTransfers({ translation, calendar }: Books, { fixed }: CompiledLayout, spans: readonly Span[]): MissingRate[] {
  const days = fixed.map(({ day }) => day).filter((day) => spans.some(({ firstDay, lastDay }) => firstDay <= day && day <= lastDay));
  const periods = new Set(days.map((day) => periodIndexOf(calendar, day)));
  return [...periods].flatMap((index) =>
    translation?.given.rates.averageOf(index) === null ? [{ kind: 'average' as const, day: calendar.periods[index]?.firstDay ?? '' }] : [],
  );
}

/** How many of the rates that are missing are named. */
const mostNamed = 6;

/** What a run in another currency lacks. */
export function refusedInCurrency(
  { books, compiled, scope }: { readonly books: Books; readonly compiled: CompiledLayout; readonly scope: readonly Element[] },
  columns: readonly StatementColumn[],
): Failure | null {
  if (!books.translation) return null;
  const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  const holds = (...some: readonly Element[]): boolean => scope.length === 0 || scope.some((element) => some.includes(element));
  // What rates did to what is held at closing rates is neither an increase nor a decrease.
  const isByDirection = compiled.readings.some(({ direction }) => direction !== undefined);
  if (isByDirection && !books.translation.isOfFlows && holds('asset', 'liability')) return { code: 'directions_not_translated' };
  const spans = amounts.flatMap(({ budgetId, span }) => (budgetId === undefined ? [span] : []));
  const ofBalances = holds('asset', 'liability', 'equity');
  const missing = [...missingRates(books, { spans, ofBalances }), ...missingOfTransfers(books, compiled, spans)];
  if (missing.length === 0) return null;
  return { code: 'rates_missing', currency: books.company.currency.code, rates: missing.slice(0, mostNamed), more: Math.max(0, missing.length - mostNamed) };
}
