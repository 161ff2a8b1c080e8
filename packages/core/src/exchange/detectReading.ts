import type { Day } from '../calendar/day.ts';
import type { DecimalSign } from '../money/readAmount.ts';
import { holdsBoth } from './accountCells.ts';
import { type Cell, isBlankRow, textOf } from './cell.ts';
import { type ColumnMap, columnsOfHeading } from './columnMeaning.ts';
import { findDay } from './findDay.ts';

export type AmountForm = 'signed' | 'debit_and_credit' | 'marked';

/** What a file of a trial balance is taken for; each part can be corrected. */
export interface Reading {
  /** Index of the row of headings, or `null` where the file has none. */
  readonly headingRow: number | null;
  readonly columns: ColumnMap;
  readonly decimalSign: DecimalSign;
  /** The amounts do not say which sign it is: a currency with three decimals may have `1,234` either way. */
  readonly isSignUnclear?: boolean;
  readonly amounts: AmountForm;
  /** A day found above the headings or in the file's name. */
  readonly day: Day | null;
}

const rowsLookedAt = 40;
const amountLike = /^[\s(+-]*(dr|cr)?\s*[\d.,'’\s]+\)?\s*-?\s*(dr|cr|d|c|s|h)?\.?$/i;
const numberLike = /^[A-Za-z]{0,3}[.\-/]?[\d][\dA-Za-z.\-/_ ]{0,48}$/;

/**
 * `decimals`: of the currency. `numbered`: whether accounts have numbers; else a column headed as theirs holds their names if no other does.
 * Postcondition: what cannot be told is left out of `columns`, never guessed from one cell. Cost: cells.
 */
export function detectReading(rows: readonly (readonly Cell[])[], fileName: string, numbered: boolean, decimals = 2): Reading {
  const headingRow = findHeadingRow(rows);
  const body = rows.slice((headingRow ?? -1) + 1);
  const found = headingRow === null ? columnsByContent(rows, numbered) : withNames(columnsOfHeading(rows[headingRow] ?? []), body);
  const columns = numbered ? found : withoutNumbers(found);
  const titles = rows.slice(0, headingRow ?? 0).flatMap((row) => row.map(textOf));
  const day = [...titles, ...(headingRow === null ? [] : (rows[headingRow] ?? []).map(textOf)), fileName].map(findDay).find((found) => found !== null) ?? null;
  const { sign, isUnclear } = detectDecimalSign(body, columns);
  const unclear = decimals === 3 && isUnclear ? { isSignUnclear: true } : {};
  return { headingRow, columns, decimalSign: sign, ...unclear, amounts: formOf(columns, body), day };
}

function withNames(columns: ColumnMap, body: readonly (readonly Cell[])[]): ColumnMap {
  const { number, name } = columns;
  return number !== undefined && name === undefined && holdsBoth(body, number) ? { ...columns, name: number } : columns;
}

function withoutNumbers({ number, ...columns }: ColumnMap): ColumnMap {
  return columns.name === undefined && number !== undefined ? { ...columns, name: number } : columns;
}

/** The row near the top with most known headings; two are needed, one of them for amounts or the number. */
function findHeadingRow(rows: readonly (readonly Cell[])[]): number | null {
  let best: number | null = null;
  let most = 1;
  for (let index = 0; index < Math.min(rows.length, rowsLookedAt); index++) {
    const columns = columnsOfHeading(rows[index] ?? []);
    const count = Object.keys(columns).length;
    const isUsable = columns.number !== undefined || columns.amount !== undefined || columns.debit !== undefined;
    if (count > most && isUsable) {
      most = count;
      best = index;
    }
  }
  return best;
}

function columnsByContent(rows: readonly (readonly Cell[])[], numbered: boolean): ColumnMap {
  const body = rows.filter((row) => !isBlankRow(row)).slice(0, 200);
  const width = Math.max(0, ...body.map((row) => row.length));
  const share = (column: number, test: (text: string) => boolean): number => {
    const texts = body.map((row) => textOf(row[column])).filter((text) => text !== '');
    return texts.length < body.length / 4 ? 0 : texts.filter(test).length / texts.length;
  };
  const all = Array.from({ length: width }, (_, column) => column);
  const number = all.find((column) => numbered && share(column, (text) => numberLike.test(text)) > 0.8 && new Set(body.map((row) => textOf(row[column]))).size > body.length * 0.8);
  const name = all.find((column) => column !== number && share(column, (text) => /\p{L}{2}/u.test(text) && !amountLike.test(text)) > 0.8);
  const amounts = all.filter((column) => column !== number && column !== name && share(column, (text) => amountLike.test(text)) > 0.8);
  const [first, second] = amounts;
  return {
    ...(number === undefined ? {} : { number }),
    ...(name === undefined ? {} : { name }),
    ...(first === undefined ? {} : second === undefined ? { amount: first } : { debit: first, credit: second }),
  };
}

function formOf(columns: ColumnMap, body: readonly (readonly Cell[])[]): AmountForm {
  if (columns.mark !== undefined && columns.amount !== undefined) return 'marked';
  if (columns.debit !== undefined && columns.credit !== undefined) return 'debit_and_credit';
  const marked = columns.amount === undefined ? 0 : body.filter((row) => /^\s*(dr|cr|[sh])\b|(dr|cr|\b[sh])\.?\s*$/i.test(textOf(row[columns.amount as number]))).length;
  return marked > 0 ? 'marked' : 'signed';
}

/**
 * Each amount votes: with both signs the last one is the decimal sign; a sign that repeats is for thousands; one not
 * followed by exactly three digits is the decimal sign. No vote: a dot, and where there are signs nobody can tell.
 */
function detectDecimalSign(body: readonly (readonly Cell[])[], columns: ColumnMap): { readonly sign: DecimalSign; readonly isUnclear: boolean } {
  const { amount, debit, credit, opening, turnover_debit, turnover_credit } = columns;
  const looked = [amount, debit, credit, opening, turnover_debit, turnover_credit].filter((column) => column !== undefined);
  const votes = { '.': 0, ',': 0 };
  let silent = 0;
  for (const row of body)
    for (const column of looked) {
      const cell = row[column];
      if (typeof cell !== 'string') continue;
      const vote = voteOf(textOf(cell));
      if (vote) votes[vote]++;
      else if (/[.,]/.test(textOf(cell))) silent++;
    }
  return { sign: votes[','] > votes['.'] ? ',' : '.', isUnclear: silent > 0 && votes['.'] + votes[','] === 0 };
}

function voteOf(text: string): DecimalSign | null {
  const signs = text.replace(/[^.,]/g, '');
  if (signs === '') return null;
  const last = signs.at(-1) as DecimalSign;
  if (new Set(signs).size === 2) return signs.split(last).length === 2 ? last : null;
  if (signs.length > 1) return last === '.' ? ',' : '.';
  const [, before = '', after = ''] = /(\d*)[.,](\d*)\D*$/.exec(text) ?? [];
  // Thousands are parted after one to three digits, the first of which is not a nought: 1234.567 and 0.567 say their sign.
  const isGrouping = after.length === 3 && /^[1-9]\d{0,2}$/.test(before);
  return isGrouping ? null : last;
}
