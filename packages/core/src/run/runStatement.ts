import { addDays, type Day } from '../calendar/day.ts';
import { longDay } from '../calendar/dayText.ts';
import { periodIndexOf } from '../calendar/fiscalCalendar.ts';
import type { KnownWithoutCash, WithoutCash } from '../cash/cashMoves.ts';
import type { FootingException } from '../footing/footLines.ts';
import { type FootedStatement, footStatement } from '../footing/footStatement.ts';
import { roundRows } from '../footing/printedColumns.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { Currency } from '../money/currency.ts';
import { type Decimal, readDecimal } from '../money/decimal.ts';
import { formatAmount } from '../money/formatAmount.ts';
import { type NoteWords, noteWords } from '../statement/noteWords.ts';
import { presentRows } from '../statement/presentRows.ts';
import { type PresentedTransfer, presentTransfers } from '../statement/presentTransfers.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import { convertedUnit, inUnit, type Scale, type ShownUnit, shownUnit } from '../statement/scale.ts';
import type { Detail, StatementRow } from '../statement/statement.ts';
import { statementNotes } from '../statement/statementNotes.ts';
import { withoutCashNotes } from '../statement/withoutCashNotes.ts';
import { needsOf } from './columnNeeds.ts';
import { captionOfTotal } from './explain.ts';
import { type FootedTo, type FootingPlans, footingPlans, plansIn } from './footingPlans.ts';
import { footingRoots } from './footingRoots.ts';
import { presentedAccounts } from './ground.ts';
import type { VectorNeed } from './need.ts';
import type { StatementPlan } from './plan.ts';
import { runColumns, vectorsNeeded } from './runColumns.ts';
import { statementTies } from './statementTies.ts';
import type { Vectors } from './vectors.ts';

/** How much of a statement is shown, and in what. */
export interface Printed {
  readonly detail: Detail;
  readonly scale: Scale;
  /** Of a set: the statements that figures foot to. */
  readonly footedTo?: FootedTo | undefined;
  /** Beside the rows that are shown, all down to accounts. */
  readonly withAccounts?: boolean | undefined;
}

/** A finished statement. */
export interface RanStatement extends StatementPlan {
  /** One for each column of amounts. */
  readonly runs: readonly RunColumn[];
  /** As printed: in units of the scale, and of the currency that it is presented in. */
  readonly rows: readonly StatementRow[];
  /** In minor units of the ground; the same where nothing is scaled and no rate is laid over all. */
  readonly exactRows: readonly StatementRow[];
  /** All rows down to accounts, where they were asked for: exact, and as printed. */
  readonly all: { readonly exact: readonly StatementRow[]; readonly printed: readonly StatementRow[] } | null;
  /** Where printed figures do not add, or are not near their amounts. */
  readonly exceptions: readonly FootingException[];
  readonly scale: Scale;
  /** What is shown of an exact amount; `null`: it itself. */
  readonly unit: ShownUnit | null;
  /** Of the amounts in `rows`, with their decimals. */
  readonly currency: Currency;
  /** How many rungs of categories there are to open. */
  readonly rungs: number;
  readonly transfers: readonly PresentedTransfer[];
  /** What has to be said under the figures, in the language of the captions. */
  readonly notes: readonly string[];
  /** Its totals do not tie, or a cash flow does not explain its cash. */
  readonly isDraft: boolean;
}

/** What a plan is printed with beside its own columns. */
export interface PrintPlan {
  readonly plan: StatementPlan;
  readonly printed: Printed;
  readonly unit: ShownUnit | null;
  readonly footing: FootingPlans | null;
}

export function planPrint(plan: StatementPlan, printed: Printed): PrintPlan {
  const unit = unitOf(plan, printed.scale.unit);
  const isFooted = unit !== null && printed.scale.rounding === 'footed';
  return { plan, printed, unit, footing: isFooted ? footingPlans(plan, printed.footedTo) : null };
}

/** Of the statement, and of those that its figures foot to. */
export function printNeeds({ plan, footing }: PrintPlan): VectorNeed[] {
  return vectorsNeeded([plan, ...(footing ? plansIn(footing) : [])]);
}

/** The figures of a statement and the rows that they stand in: what is there first where it is composed. */
export type RanRows = Pick<RanStatement, 'runs' | 'rows' | 'exactRows' | 'all' | 'exceptions'>;

export function runRows({ plan, printed, unit, footing }: PrintPlan, vectors: Vectors): RanRows {
  const { compiled, columns, ground } = plan;
  const runs = runColumns(plan, vectors);
  const accounts = presentedAccounts(ground);
  const exactRows = presentRows({ compiled, columns, runs, accounts, detail: printed.detail });
  const roots = unit && footing ? footingRoots(plan, runs, footing, vectors, unit) : null;
  const inPrint = (exact: readonly StatementRow[]): Pick<FootedStatement, 'rows' | 'exceptions'> => {
    if (unit && roots) return footStatement({ compiled, columns, runs, rows: exact, unit, roots });
    return { rows: unit ? roundRows(exact, columns, unit) : exact, exceptions: [] };
  };
  const shown = inPrint(exactRows);
  const whole = printed.withAccounts ? presentRows({ compiled, columns, runs, accounts, detail: { ...printed.detail, ...everything } }) : null;
  const all = whole && { exact: whole, ...inPrint(whole) };
  return { runs, rows: shown.rows, exactRows, all: all && { exact: all.exact, printed: all.rows }, exceptions: (all ?? shown).exceptions };
}

export function runStatement(print: PrintPlan, vectors: Vectors): RanStatement {
  const { plan, unit } = print;
  const { compiled, columns, ground } = plan;
  const ran = runRows(print, vectors);
  const { runs } = ran;
  const { scale } = print.printed;
  const currency = plan.presentation?.to ?? ground.currency;
  const transfers = presentTransfers(compiled, columns, runs).map((one) => ({
    ...one,
    values: one.values.map((value, at) => (value === null || !unit || columns[at]?.kind !== 'amount' ? value : inUnit(value, unit))),
  }));
  return {
    ...plan,
    ...ran,
    scale,
    unit,
    currency: { ...currency, exponent: scale.unit === 'exact' ? currency.exponent : 0 },
    rungs: Math.max(1, ...compiled.lines.map((line) => line.rung)),
    transfers,
    ...told(plan, ran, vectors),
  };
}

const everything: Pick<Detail, 'rungs' | 'opened' | 'shut'> = { rungs: 'accounts', opened: new Set(), shut: new Set() };

/** `null`: amounts are shown as they are. */
function unitOf({ presentation, ground }: StatementPlan, unit: Scale['unit']): ShownUnit | null {
  const currency = presentation?.to ?? ground.currency;
  if (presentation?.rate) return convertedUnit(unit, presentation.from, currency, readDecimal(presentation.rate.text) as Decimal);
  return unit === 'exact' ? null : shownUnit(unit, currency.exponent);
}

/** What has to be said under it, and whether it ties. */
function told(plan: StatementPlan, { runs, exactRows, exceptions }: RanRows, vectors: Vectors): Pick<RanStatement, 'notes' | 'isDraft'> {
  const { language } = plan.compiled.layout;
  const { currency } = plan.ground;
  const words = noteWords[language];
  const format = (net: bigint): string => `${formatAmount(net < 0n ? -net : net, currency)} ${currency.code}`;
  const ties = statementTies(plan, runs);
  const failing = ties.filter(({ difference }) => difference !== 0n);
  // Each with its amount in the first column that it has one in.
  const outside = new Map(ties.flatMap((tie) => tie.outside.map((line) => [line.key, line] as const)).reverse());
  return {
    isDraft: failing.length > 0,
    notes: [
      ...failing.map(({ difference, column }) => words.doesNotTie(format(difference), longDay(column.span.lastDay, language))),
      ...[...outside.values()].reverse().map(({ caption, net }) => words.inNoTotal(caption, format(net))),
      ...olderRates(plan).map(({ of, day, to }) => words.olderRate(to, longDay(of, language), longDay(day, language))),
      ...statementNotes(exactRows, language),
      ...withoutCashNotes(withoutCashIn(plan, vectors), plan.ground.kept, language),
      ...exceptionNotes(plan.compiled, exceptions, words),
    ],
  };
}

/** Of all columns of what was posted, each entry and day once. */
function withoutCashIn(plan: StatementPlan, vectors: Vectors): KnownWithoutCash {
  const found = new Map<number, WithoutCash>();
  const days = new Set<Day>();
  for (const column of plan.columns) {
    const needs = column.kind === 'amount' ? needsOf(plan, column) : null;
    if (needs?.of !== 'posted' || !needs.wanted.withoutCash) continue;
    const { entries, broughtIn } = vectors.withoutCash(needs.over.withoutCash.movement);
    for (const one of entries) found.set(one.entry.id, one);
    for (const day of broughtIn) days.add(day);
  }
  return { entries: [...found.values()], broughtIn: [...days].sort() };
}

/** More would fill the page. */
const mostNamed = 6;

/** Of printed figures that are off what they would be alone, by the captions of their lines, whatever is open; those of accounts are listed alone. */
function exceptionNotes({ lines }: CompiledLayout, exceptions: RanRows['exceptions'], words: NoteWords): string[] {
  if (exceptions.length === 0) return [];
  const told = (why: FootingException['why'], say: (captions: string) => string): string[] => {
    const keys = new Set(exceptions.flatMap((one) => (one.why === why ? [one.key] : [])));
    const captions = lines.flatMap((line) => (keys.has(line.key) ? [`«${captionOfTotal(line)}»`] : []));
    return captions.length === 0 ? [] : [say([...captions.slice(0, mostNamed), ...(captions.length > mostNamed ? ['…'] : [])].join(', '))];
  };
  return [...told('beyond', words.roundedOff), ...told('given', words.printsOtherwise), ...told('across', words.notAcross)];
}

/** Closing rates in use that were given before the period of their day began. */
function olderRates({ presentation, ground, columns, rates }: StatementPlan): { readonly to: string; readonly of: Day; readonly day: Day }[] {
  if (!presentation) return [];
  const { calendar } = ground;
  const isOlder = (of: Day | null, day: Day): boolean => {
    const period = calendar.periods[periodIndexOf(calendar, day)];
    return of !== null && period !== undefined && of < period.firstDay;
  };
  const { to, rate } = presentation;
  const amounts = columns.flatMap((column) => (column.kind === 'amount' && column.budgetId === undefined ? [column] : []));
  const days = new Set(amounts.map(({ measure, span }) => (measure === 'opening' ? addDays(span.firstDay, -1) : span.lastDay)));
  const lastDays = amounts.map(({ span }) => span.lastDay).sort();
  const used = rate ? [{ of: rate.day, day: lastDays.at(-1) ?? rate.day }] : [];
  const own = rates ? [...days].sort().map((day) => ({ of: rates.closingDayOn(day), day })) : [];
  return [...used, ...own].flatMap(({ of, day }) => (of !== null && isOlder(of, day) ? [{ to: to.code, of, day }] : []));
}
