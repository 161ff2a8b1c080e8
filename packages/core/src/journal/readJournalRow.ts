import type { Day } from '../calendar/day.ts';
import { isDay, toDay } from '../calendar/day.ts';
import type { Layer } from '../cube/layer.ts';
import type { FacetRefused } from '../facet/checkFacets.ts';
import type { FacetsOfLine } from '../facet/facetFilter.ts';
import type { Currency } from '../money/currency.ts';
import { readAmount } from '../money/readAmount.ts';
import type { DateOrder, JournalColumn, JournalReading } from './journalColumns.ts';

/** One line of a file, understood. Amounts in minor units, one of them nil. */
export interface JournalLine {
  readonly document: string;
  readonly date: Day;
  readonly layer: Layer;
  readonly description: string;
  readonly accountId: number;
  readonly debit: bigint;
  readonly credit: bigint;
  readonly text: string;
  readonly facets: FacetsOfLine;
}

export type JournalRowFault =
  | { code: 'date_unreadable' | 'account_missing' | 'account_unknown' | 'layer_unreadable' | 'too_long'; found: string }
  | { code: 'amount_unreadable'; found: string }
  | { code: 'amount_missing' | 'amount_on_both_sides' }
  | { code: 'account_takes_none'; reason: 'parent' | 'inactive'; found: string }
  | { code: 'day_outside_calendar' | 'period_locked'; found: string }
  | FacetRefused;

/** What rows are understood by. */
export interface JournalContext {
  readonly currency: Currency;
  /** By number, or by path where accounts have names only; whatever the case. */
  accountOf(reference: string): { readonly id: number; readonly takesNone: 'parent' | 'inactive' | null; readonly defaults: FacetsOfLine } | undefined;
  dayFault(day: Day): 'day_outside_calendar' | 'period_locked' | null;
  /** A value of a facet as it is listed, whatever its case; the text itself where there is none such. */
  valueOf(facet: string, typed: string): string;
  facetFault(accountId: number, facets: FacetsOfLine): FacetRefused | null;
}

const longest: readonly (readonly [JournalColumn, number])[] = [
  ['document', 60],
  ['description', 500],
  ['text', 500],
];
const oddSpaces = /[\u00a0\u202f\u2007]/u;

/** What of a row with a fault can be read, so that its document is judged all the same; `null` for what cannot. */
export interface JournalRowPart {
  readonly document: string;
  readonly date: Day | null;
  readonly layer: Layer | null;
  readonly amounts: { readonly debit: bigint; readonly credit: bigint } | null;
}

export type JournalRow = { readonly line: JournalLine } | { readonly faults: readonly JournalRowFault[]; readonly part: JournalRowPart } | null;

/** Texts of days, remembered: a million rows speak of few. */
const mostDays = 10_000;

/**
 * Reads rows as lines: a line, everything that is wrong with its day, account, amount and layer, or with its facets where those are right, or `null`
 * for a row without anything in its columns.
 */
export function journalRowReader(reading: JournalReading, context: JournalContext): (cells: readonly string[]) => JournalRow {
  const { columns } = reading;
  const places = Object.values(columns);
  const facetPlaces = Object.entries(reading.facets);
  const days = new Map<string, Day | null>();
  const dayOf = (text: string): Day | null => {
    const read = days.get(text);
    if (read !== undefined) return read;
    const day = readDay(text, reading.dateOrder);
    if (days.size < mostDays) days.set(text, day);
    return day;
  };
  return (cells) => {
    if (places.every((at) => (cells[at] ?? '').trim() === '')) return null;
    const cell = (column: JournalColumn): string => textAt(cells, columns[column]);
    const faults: JournalRowFault[] = [];
    const long = longest.find(([column, most]) => cell(column).length > most);
    if (long) faults.push({ code: 'too_long', found: cell(long[0]).slice(0, 60) });
    const date = dayOf(cell('date'));
    const dayFault = date === null ? 'date_unreadable' : context.dayFault(date);
    if (dayFault) faults.push({ code: dayFault, found: date ?? cell('date') });
    const reference = cell('account');
    const account = reference === '' ? undefined : context.accountOf(reference);
    if (!account) faults.push({ code: reference === '' ? 'account_missing' : 'account_unknown', found: reference });
    else if (account.takesNone) faults.push({ code: 'account_takes_none', reason: account.takesNone, found: reference });
    const amounts = readAmounts(cell, reading, context.currency);
    if ('code' in amounts) faults.push(amounts);
    const layer = readLayer(cell('layer'));
    if (layer === null) faults.push({ code: 'layer_unreadable', found: cell('layer') });
    const wrong = () => ({ faults, part: { document: cell('document').slice(0, 60), date, layer, amounts: 'code' in amounts || long ? null : amounts } });
    if (faults.length > 0 || date === null || !account || layer === null || 'code' in amounts) return wrong();
    let facets = account.defaults;
    for (const [key, at] of facetPlaces) {
      const typed = (cells[at] ?? '').trim();
      if (typed !== '') facets = { ...facets, [key]: context.valueOf(key, typed) };
    }
    const facetFault = context.facetFault(account.id, facets);
    if (facetFault) {
      faults.push(facetFault);
      return wrong();
    }
    const { debit, credit } = amounts;
    return {
      line: {
        document: cell('document'),
        date,
        layer,
        description: cell('description'),
        accountId: account.id,
        debit,
        credit,
        text: cell('text'),
        facets,
      },
    };
  };
}

function textAt(cells: readonly string[], at: number | undefined): string {
  const text = at === undefined ? '' : (cells[at] ?? '');
  return oddSpaces.test(text) ? text.replace(/[\u00a0\u202f\u2007]/g, ' ').trim() : text.trim();
}

function readAmounts(
  cell: (column: JournalColumn) => string,
  { columns, decimalSign }: JournalReading,
  currency: Currency,
): { debit: bigint; credit: bigint } | JournalRowFault {
  const sides: bigint[] = [];
  for (const column of columns.amount === undefined ? (['debit', 'credit'] as const) : (['amount'] as const)) {
    const read = readAmount(cell(column), decimalSign, currency);
    if (!read.ok) return { code: 'amount_unreadable', found: cell(column) };
    sides.push(read.value.mark === 'credit' && column === 'amount' ? -read.value.minorUnits : read.value.minorUnits);
  }
  const [first = 0n, second = 0n] = sides;
  if (first !== 0n && second !== 0n) return { code: 'amount_on_both_sides' };
  const net = first - second;
  if (net === 0n) return { code: 'amount_missing' };
  return net > 0n ? { debit: net, credit: 0n } : { debit: 0n, credit: -net };
}

function readLayer(text: string): Layer | null {
  if (text === '') return 'ledger';
  const layer = text.toLowerCase();
  return layer === 'ledger' || layer === 'adjustment' ? layer : null;
}

/** `2026-09-30`, `20260930`, and with dots, slashes or dashes in the order that the file has; a time behind it is left alone. */
export function readDay(text: string, order: DateOrder): Day | null {
  const plain = text.replace(/[ T]\d{1,2}:\d{2}.*$/, '');
  const iso = /^(\d{4})[-./]?(\d{2})[-./]?(\d{2})$/.exec(plain);
  const parts = iso ? [iso[1], iso[2], iso[3]] : (/^(\d{1,2})[-./](\d{1,2})[-./](\d{4})$/.exec(plain)?.slice(1) ?? null);
  if (!parts) return null;
  const [a = 0, b = 0, c = 0] = parts.map(Number);
  const [year, month, dayOfMonth] = iso ? [a, b, c] : order === 'mdy' ? [c, a, b] : [c, b, a];
  const day = toDay(year, month, dayOfMonth);
  return isDay(day) ? day : null;
}
