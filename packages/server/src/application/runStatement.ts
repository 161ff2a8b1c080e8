import {
  addDays,
  type CompiledLayout,
  type Currency,
  convertedUnit,
  type Day,
  type Decimal,
  type Detail,
  footRows,
  formatAmount,
  inUnit,
  longDay,
  noteWords,
  type Outcome,
  type PresentedTransfer,
  periodIndexOf,
  presentRows,
  presentTransfers,
  readDecimal,
  roundRows,
  type Scale,
  type ShownUnit,
  type StatementRow,
  shownUnit,
  statementNotes,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { footingRoots } from './footingRoots.ts';
import type { Ports } from './ports/index.ts';
import { type ColumnChoice, type PreparedStatement, prepareStatement, type StatementName } from './prepareStatement.ts';
import type { Presentation } from './presentation.ts';
import { statementTies } from './statementTies.ts';

export interface StatementChoice extends ColumnChoice {
  readonly detail: number | 'accounts';
  readonly open: readonly string[];
  readonly shut: readonly string[];
  readonly zero: boolean;
  readonly scale: Scale['unit'];
  readonly rounding: Scale['rounding'];
  /** A composed balance sheet, over the same categories, that figures foot to instead of the generated one. */
  readonly sheet?: CompiledLayout | undefined;
}

export interface Statement extends PreparedStatement {
  /** As printed: in units of the scale, and of the currency that it is presented in. */
  readonly rows: readonly StatementRow[];
  /** In minor units of the books; the same where nothing is scaled and no rate is laid over all. */
  readonly exactRows: readonly StatementRow[];
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

export async function runStatement(ports: Ports, { companyId }: Access, name: StatementName, choice: StatementChoice): Promise<Outcome<Statement, Failure>> {
  const prepared = await prepareStatement(ports, companyId, name, choice);
  if (!prepared.ok) return prepared;
  const { compiled, columns, runs, accounts } = prepared.value;
  const detail: Detail = { rungs: choice.detail, opened: new Set(choice.open), shut: new Set(choice.shut), zeroLines: choice.zero };
  const exactRows = presentRows({ compiled, columns, runs, accounts, detail });
  const rungs = Math.max(1, ...compiled.lines.map((line) => line.rung));
  const scale: Scale = { unit: choice.scale, rounding: choice.rounding };
  const { presentation } = prepared.value;
  const currency = presentation?.to ?? prepared.value.books.company.currency;
  const unit = unitOf(scale.unit, currency, presentation);
  const rows = unit ? await scaled(ports, prepared.value, exactRows, scale, unit, choice.sheet) : exactRows;
  const transfers = presentTransfers(compiled, columns, runs).map((one) => ({
    ...one,
    values: one.values.map((value, at) => (value === null || !unit || columns[at]?.kind !== 'amount' ? value : inUnit(value, unit))),
  }));
  return succeed({
    ...prepared.value,
    rows,
    exactRows,
    scale,
    unit,
    currency: { ...currency, exponent: scale.unit === 'exact' ? currency.exponent : 0 },
    rungs,
    transfers,
    ...told(prepared.value, exactRows),
  });
}

/** What has to be said under it, and whether it ties. */
function told(prepared: PreparedStatement, rows: readonly StatementRow[]): Pick<Statement, 'notes' | 'isDraft'> {
  const { language } = prepared.compiled.layout;
  const { currency } = prepared.books.company;
  const words = noteWords[language];
  const format = (net: bigint): string => `${formatAmount(net < 0n ? -net : net, currency)} ${currency.code}`;
  const ties = statementTies(prepared);
  const failing = ties.filter(({ difference }) => difference !== 0n);
  // Each with its amount in the first column that it has one in.
  const outside = new Map(ties.flatMap((tie) => tie.outside.map((line) => [line.key, line] as const)).reverse());
  return {
    isDraft: failing.length > 0,
    notes: [
      ...failing.map(({ difference, column }) => words.doesNotTie(format(difference), longDay(column.span.lastDay, language))),
      ...[...outside.values()].reverse().map(({ caption, net }) => words.inNoTotal(caption, format(net))),
      ...olderRates(prepared).map(({ of, day, to }) => words.olderRate(to, longDay(of, language), longDay(day, language))),
      ...statementNotes(rows, language),
    ],
  };
}

/** Closing rates in use that were given before the period of their day began. */
function olderRates({ presentation, books, columns }: PreparedStatement): { readonly to: string; readonly of: Day; readonly day: Day }[] {
  if (!presentation) return [];
  const isOlder = (of: Day | null, day: Day): boolean => {
    const period = books.calendar.periods[periodIndexOf(books.calendar, day)];
    return of !== null && period !== undefined && of < period.firstDay;
  };
  const { to, rate } = presentation;
  const amounts = columns.flatMap((column) => (column.kind === 'amount' && column.budgetId === undefined ? [column] : []));
  const days = new Set(amounts.map(({ measure, span }) => (measure === 'opening' ? addDays(span.firstDay, -1) : span.lastDay)));
  const used = rate
    ? [
        {
          of: rate.day,
          day:
            amounts
              .map(({ span }) => span.lastDay)
              .sort()
              .at(-1) ?? rate.day,
        },
      ]
    : [];
  const rates = books.translation?.given.rates;
  const own = rates ? [...days].sort().map((day) => ({ of: rates.closingDayOn(day), day })) : [];
  return [...used, ...own].flatMap(({ of, day }) => (of !== null && isOlder(of, day) ? [{ to: to.code, of, day }] : []));
}

/** `null`: amounts are shown as they are. */
function unitOf(unit: Scale['unit'], currency: Currency, presentation: Presentation | null): ShownUnit | null {
  if (presentation?.rate) return convertedUnit(unit, presentation.from, currency, readDecimal(presentation.rate.text) as Decimal);
  return unit === 'exact' ? null : shownUnit(unit, currency.exponent);
}

async function scaled(
  ports: Ports,
  prepared: PreparedStatement,
  rows: readonly StatementRow[],
  { rounding }: Scale,
  unit: ShownUnit,
  sheet: CompiledLayout | undefined,
): Promise<readonly StatementRow[]> {
  const from = { rows, columns: prepared.columns, unit };
  return rounding === 'independent' ? roundRows(from) : footRows(from, await footingRoots(ports, prepared, unit, sheet));
}
