import type { Day } from '../calendar/day.ts';
import { ordinaryPeriods, periodIndexOf, yearName } from '../calendar/fiscalCalendar.ts';
import { type Element, elements } from '../chart/element.ts';
import { beganWithin } from '../cube/openings.ts';
import { filterText } from '../facet/filterText.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { Layout } from '../layout/line.ts';
import { measureOf, type OwnLayout, scopeOf, type UsualColumns } from '../layout/ownLayout.ts';
import { findCurrency } from '../money/currency.ts';
import { fail, succeed } from '../outcome.ts';
import { closingRateOn } from '../rates/rate.ts';
import type { AmountColumn, StatementColumn } from '../statement/statement.ts';
import { type PresentationRates, presentationRates, toPresentation } from '../translation/presentationRates.ts';
import { budgetedUpTo } from './columnNeeds.ts';
import { groundOfCash } from './daysOfCash.ts';
import type { Ground } from './ground.ts';
import { groundInMoney } from './inMoney.ts';
import type { ColumnsPlan, Presentation, RatesNeeded, StatementPlan } from './plan.ts';
import { planColumns } from './planColumns.ts';
import { type Planned, ratesMissing, unknownYet } from './planFailure.ts';
import { type ChosenPlan, type Definitions, languageFor, type StatementRequest } from './request.ts';
import { composedOn, generatedOn } from './runLayouts.ts';
import { groundOnDays, type PastPlacement } from './standIns.ts';

/** `grounds`: what is kept of each classification, in the company's currency; `null` for one that is not there. */
export interface Known {
  readonly grounds: (classificationId: number) => Ground | null;
  readonly definitions: Definitions;
}

/**
 * A statement as it will be run, and with it which vectors it needs. In rounds: a layout names its plan, a plan budgets and past placements;
 * while any of them is not known yet the outcome is `definitions_missing`, and they stand in the definitions. Pure.
 */
export function planStatement(facts: Known, request: StatementRequest): Planned<StatementPlan> {
  const { definitions } = facts;
  const asToday = openLayout(facts, request, []);
  if (!asToday.ok) return asToday;
  const chosen = request.columns ?? usualColumns(definitions, asToday.value.usual);
  if (chosen === undefined) return unknownYet;
  const { ground: today, kind, measure, language } = asToday.value;
  const columns = planColumns(today, definitions, { kind, measure, language }, chosen, request);
  if (!columns.ok) return columns;
  const stood = pastPlacements(definitions, today, columns.value);
  if (!stood.ok) return stood;
  const layout = stood.value.length === 0 ? asToday : openLayout(facts, request, stood.value);
  if (!layout.ok) return layout;
  const { ground, compiled, scope, layoutId } = layout.value;
  const rates = ratesOf(definitions, ground, compiled, scope, columns.value);
  if (!rates.ok) return rates;
  const presentation = presentationOf(definitions, ground, request);
  if (!presentation.ok) return presentation;
  const named = allNamed(definitions, ground, compiled, columns.value, request);
  if (!named.ok) return named;
  return succeed({
    ground,
    compiled,
    columns: named.value,
    facets: request.facets,
    presented: rates.value?.presented ?? null,
    layoutId,
    scope,
    span: request.span,
    part: filterText(request.facets, ground.lists),
    planned: chosen,
    presentation: presentation.value,
    ratesNeeded: rates.value?.needed ?? null,
    rates: rates.value?.rates ?? null,
  });
}

interface OpenedLayout {
  readonly ground: Ground;
  readonly compiled: CompiledLayout;
  readonly kind: Layout['kind'];
  readonly measure: 'closing' | 'movement';
  readonly language: Layout['language'];
  readonly layoutId: number | null;
  readonly scope: readonly Element[];
  readonly usual: UsualColumns | undefined;
}

function openLayout(facts: Known, request: StatementRequest, stood: readonly Stood[]): Planned<OpenedLayout> {
  const { statement } = request;
  if (typeof statement === 'string') {
    const kind = statement === 'trial_balance' ? 'free' : statement;
    const ground = groundFor(facts, request.classificationId, kind, request, stood);
    if (!ground.ok) return ground;
    const language = languageFor(ground.value.languages, request.language);
    return succeed({
      ground: ground.value,
      compiled: titled(generatedOn(ground.value, language)[statement], ground.value),
      kind,
      measure: statement === 'balance_sheet' || statement === 'trial_balance' ? 'closing' : 'movement',
      language,
      layoutId: null,
      scope: scopeOf({ kind, scope: elements }),
      usual: undefined,
    });
  }
  if ('drafted' in statement) return openOwn(facts, request, statement.drafted, null, request.classificationId, stood);
  const { layoutId } = statement;
  const found = facts.definitions.find({ of: 'layout', id: layoutId });
  if (found === undefined) return unknownYet;
  if (found === null) return fail({ code: 'not_found', thing: 'layout', id: layoutId });
  if (found.own !== null) return openOwn(facts, request, found.own, layoutId, found.classificationId, stood);
  const ground = groundFor(facts, found.classificationId, found.kind, request, stood);
  return ground.ok ? fail({ code: 'layout_not_in_use', name: found.name }) : ground;
}

function openOwn(
  facts: Known,
  request: StatementRequest,
  own: OwnLayout,
  layoutId: number | null,
  classificationId: number,
  stood: readonly Stood[],
): Planned<OpenedLayout> {
  const ground = groundFor(facts, classificationId, own.kind, request, stood);
  if (!ground.ok) return ground;
  const language = languageFor(ground.value.languages, request.language);
  return succeed({
    ground: ground.value,
    compiled: composedOn(ground.value, own, language),
    kind: own.kind,
    measure: measureOf(own),
    language,
    layoutId,
    scope: scopeOf(own),
    usual: own.columns,
  });
}

interface Stood {
  readonly day: Day;
  readonly past: PastPlacement;
}

/** In the currency asked for, where amounts come into it by themselves and not by one rate for all; with stand-ins for accounts. */
function groundFor(facts: Known, classificationId: number, kind: Layout['kind'], request: StatementRequest, stood: readonly Stood[]): Planned<Ground> {
  const kept = facts.grounds(classificationId);
  if (!kept) return fail({ code: 'not_found', thing: 'classification', id: classificationId });
  const { presentation } = request;
  let ground = kept;
  if (presentation?.method === 'own_rates') {
    const to = findCurrency(presentation.currency);
    if (!to || to.code === kept.currency.code) return fail({ code: 'currency_unknown', currency: presentation.currency });
    ground = groundInMoney(kept, to, kind === 'cash_flow' ? 'moved' : 'held');
  }
  return succeed(kind === 'cash_flow' ? groundOfCash(ground) : groundOnDays(ground, stood));
}

/** Of another classification than the main one, a statement says so wherever it goes. */
function titled(compiled: CompiledLayout, { classificationName }: Ground): CompiledLayout {
  if (classificationName === '') return compiled;
  return { ...compiled, layout: { ...compiled.layout, title: `${compiled.layout.title} (${classificationName})` } };
}

/** A version that is returned to may name a plan that has gone since: then it is run with the comparison. `undefined`: not known yet. */
function usualColumns(definitions: Definitions, usual: UsualColumns | undefined): ChosenPlan | undefined {
  if (usual?.plan !== 'composed') return usual ?? { plan: 'comparison' };
  const found = definitions.find({ of: 'column_plan', id: usual.planId });
  return found === undefined ? undefined : found === null ? { plan: 'comparison' } : usual;
}

/** How accounts stood on the days that columns ask for, in their order. */
function pastPlacements(definitions: Definitions, { classificationId }: Ground, columns: readonly StatementColumn[]): Planned<readonly Stood[]> {
  const days = [...new Set(columns.flatMap((column) => (column.kind === 'amount' && column.placedOn !== undefined ? [column.placedOn] : [])))].sort();
  const found = days.map((day) => ({ day, past: definitions.find({ of: 'past_placement', classificationId, day }) }));
  if (found.some(({ past }) => past === undefined)) return unknownYet;
  const stood: Stood[] = [];
  for (const { day, past } of found) {
    if (!past) return fail({ code: 'placement_not_kept', day });
    stood.push({ day, past });
  }
  return succeed(stood);
}

/** What a run at each amount's own rate needs, and how fixed transfers come into the currency. */
function ratesOf(
  definitions: Definitions,
  ground: Ground,
  compiled: CompiledLayout,
  scope: readonly Element[],
  columns: readonly StatementColumn[],
): Planned<{ readonly needed: RatesNeeded; readonly rates: PresentationRates; readonly presented: NonNullable<ColumnsPlan['presented']> } | null> {
  const { money, calendar, currency, kept } = ground;
  if (money.in === 'own') return succeed(null);
  const presentation = definitions.find({ of: 'rates', currency: currency.code });
  if (presentation === undefined) return unknownYet;
  const rates = presentationRates(presentation ?? [], currency, calendar);
  const holds = (...some: readonly Element[]): boolean => scope.length === 0 || scope.some((element) => some.includes(element));
  // What rates did to what is held at closing rates is neither an increase nor a decrease.
  const isByDirection = compiled.readings.some(({ direction }) => direction !== undefined);
  if (isByDirection && money.manner !== 'moved' && holds('asset', 'liability')) return fail({ code: 'directions_not_translated' });
  const spans = columns.flatMap((column) => (column.kind === 'amount' && column.budgetId === undefined ? [column.span] : []));
  const days = compiled.fixed.map(({ day }) => day).filter((day) => spans.some(({ firstDay, lastDay }) => firstDay <= day && day <= lastDay));
  const missing = [...new Set(days.map((day) => periodIndexOf(calendar, day)))].flatMap((index) =>
    rates.averageOf(index) === null ? [{ kind: 'average' as const, day: calendar.periods[index]?.firstDay ?? '' }] : [],
  );
  return succeed({
    rates,
    needed: { currency: currency.code, manner: money.manner, spans, ofBalances: holds('asset', 'liability', 'equity'), missing },
    // Like the flow that it moves, at the average rate of its period; a rate that is missing keeps a statement from being run.
    presented: (net, day) => {
      const rate = rates.averageOf(periodIndexOf(calendar, day));
      return rate === null ? 0n : toPresentation(net, kept, currency, rate);
    },
  });
}

function presentationOf(definitions: Definitions, { money, currency, kept }: Ground, { presentation, span }: StatementRequest): Planned<Presentation | null> {
  if (!presentation) return succeed(null);
  if (money.in === 'other') return succeed({ from: kept, to: currency, rate: null });
  const to = findCurrency(presentation.currency);
  if (!to || to.code === currency.code) return fail({ code: 'currency_unknown', currency: presentation.currency });
  const rates = definitions.find({ of: 'rates', currency: to.code });
  if (rates === undefined) return unknownYet;
  const closing = closingRateOn(rates ?? [], to.code, span.lastDay);
  if (!closing) return fail(ratesMissing(to.code, [{ kind: 'closing', day: span.lastDay }]));
  return succeed({ from: currency, to, rate: { text: closing.rate, day: closing.day } });
}

/** Columns of budgets with the names of those, and columns in which balances began with that day. */
function allNamed(
  definitions: Definitions,
  ground: Ground,
  compiled: CompiledLayout,
  columns: readonly StatementColumn[],
  { facets }: StatementRequest,
): Planned<readonly StatementColumn[]> {
  const named: StatementColumn[] = [];
  for (const column of columns) {
    const told = column.kind !== 'amount' ? succeed(column) : namedAsRun(definitions, ground, compiled, column, Object.keys(facets).length > 0);
    if (!told.ok) return told;
    named.push(told.value);
  }
  return succeed(named);
}

function namedAsRun(definitions: Definitions, ground: Ground, compiled: CompiledLayout, column: AmountColumn, isPart: boolean): Planned<AmountColumn> {
  if (column.budgetId === undefined) return nameOrDay(definitions, ground, column);
  // A budget moves nothing within equity.
  const readings = compiled.readings.filter((_, at) => at !== compiled.transfersAt);
  if (readings.some((reading) => reading.measure !== 'column' || reading.direction !== undefined)) return fail({ code: 'budget_without_flows' });
  if (isPart || column.facets !== undefined || readings.length > 0) return fail({ code: 'budget_of_all_lines' });
  // Balances of a budget would need closing rates of days to come.
  if (ground.money.in === 'other' && column.measure !== 'movement') return fail({ code: 'budget_not_translated' });
  return nameOrDay(definitions, ground, column);
}

/** With the name of its budget, or with the day on which balances began where that is within it. */
function nameOrDay(definitions: Definitions, ground: Ground, column: AmountColumn): Planned<AmountColumn> {
  const { calendar, firstBalances } = ground;
  const { budgetId, measure, span } = column;
  if (budgetId === undefined) {
    const began = beganWithin(calendar, firstBalances, span);
    return succeed(began === null ? column : { ...column, began });
  }
  const budget = definitions.find({ of: 'budget', id: budgetId });
  if (budget === undefined) return unknownYet;
  if (budget === null) return fail({ code: 'not_found', thing: 'budget', id: budgetId });
  const over = budgetedUpTo(ground, measure, span);
  if (over !== null) {
    const year = calendar.years.find((made) => made.year === budget.year);
    if (!year || over.firstDay < year.firstDay || over.lastDay > year.lastDay)
      return fail({ code: 'budget_of_other_year', name: budget.name, year: year ? yearName(year) : String(budget.year) });
    const within = ordinaryPeriods(year.periods).filter(({ firstDay, lastDay }) => firstDay >= over.firstDay && lastDay <= over.lastDay);
    if (within[0]?.firstDay !== over.firstDay || within.at(-1)?.lastDay !== over.lastDay)
      return fail({ code: 'budget_needs_whole_periods', name: budget.name });
  }
  return succeed({ ...column, budget: budget.name });
}
