import { addDays, type Day } from '../calendar/day.ts';
import { longDay, spanLines, spanText } from '../calendar/dayText.ts';
import type { Adjusting } from '../cube/adjustingPeriod.ts';
import { type CaptionLanguage, captionWords } from '../layout/captionWords.ts';
import { fillHeading } from './fillHeading.ts';

interface HeadedAmounts {
  readonly kind: 'amount';
  readonly measure: 'opening' | 'closing' | 'movement';
  readonly firstDay: Day;
  readonly lastDay: Day;
  /** Name of the budget that the amounts are of. */
  readonly budget: string | null;
  /** Where its accounts stand as they stood on an earlier day. */
  readonly placedOn?: Day;
  readonly adjusting?: Adjusting;
  readonly heading?: string;
}

/** A column as far as its heading needs it; `of` and `against` are places among all columns. */
export type HeadedColumn =
  | HeadedAmounts
  | { readonly kind: 'change' | 'percent'; readonly of: number; readonly against: number; readonly heading?: string }
  | { readonly kind: 'share' | 'text'; readonly heading?: string }
  | { readonly kind: 'calculation'; readonly text: string; readonly heading?: string };

/** What a column is, in the lines that are printed over its figures; a change says from what. */
export function headingLines(column: HeadedColumn, columns: readonly HeadedColumn[], language: CaptionLanguage): readonly string[] {
  if (column.heading !== undefined) return [headingText(column, language)];
  switch (column.kind) {
    case 'text':
      return [];
    case 'calculation':
      return [column.text];
    case 'share':
    case 'percent':
      return ['%'];
    case 'change': {
      const words = captionWords[language];
      const from = changedFrom(column, columns, language);
      return from === '' ? [words.change] : [words.change, `${words.from} ${from}`];
    }
    case 'amount': {
      const { placedOn, adjusting } = column;
      const words = captionWords[language];
      return [
        ...amountLines(column, language),
        ...(adjusting === undefined ? [] : [adjusting === 'before' ? words.beforeAdjusting : words.adjustingOnly]),
        ...(placedOn === undefined ? [] : [words.classifiedOn(longDay(placedOn, language))]),
      ];
    }
  }
}

function amountLines(column: HeadedAmounts, language: CaptionLanguage): readonly [string, string] {
  const { budget, measure, firstDay, lastDay } = column;
  if (budget !== null) return [captionWords[language].budget, budget];
  if (measure === 'movement') return spanLines(firstDay, lastDay, language);
  const day = longDay(dayOf(column), language);
  return [day.slice(0, -4).replace(/\s+(de\s+)?$/, ''), day.slice(-4)];
}

/** The year alone where that tells both apart. */
function changedFrom({ of, against }: { readonly of: number; readonly against: number }, columns: readonly HeadedColumn[], language: CaptionLanguage): string {
  const [one, other] = [columns[of], columns[against]];
  if (one?.kind !== 'amount' || other?.kind !== 'amount') return '';
  if (other.heading !== undefined || other.budget !== null || one.heading !== undefined) return columnText(other, language);
  const [, year] = amountLines(other, language);
  return /^\d{4}$/.test(year) && year !== amountLines(one, language)[1] ? year : columnText(other, language);
}

/** What is deducted from what, in words; `undefined` for what is no difference. */
export function differenceText(column: HeadedColumn, columns: readonly HeadedColumn[], language: CaptionLanguage): string | undefined {
  if (column.kind !== 'change' && column.kind !== 'percent') return undefined;
  const nameOf = (at: number): string => {
    const one = columns[at];
    return one?.kind === 'amount' ? columnText(one, language) : '';
  };
  const [of, against] = [nameOf(column.of), nameOf(column.against)];
  return column.kind === 'change' ? `${of} − ${against}` : `(${of} − ${against}) ÷ ${against}`;
}

function columnText(column: HeadedAmounts, language: CaptionLanguage): string {
  return column.heading === undefined ? datesText(column, language) : headingText(column, language);
}

function headingText({ heading = '', ...column }: HeadedColumn, language: CaptionLanguage): string {
  return column.kind === 'amount' ? fillHeading(heading, column, (day) => longDay(day, language)) : heading;
}

/** The day of balances, the span of movements, or the budget. */
export function datesText(column: HeadedAmounts, language: CaptionLanguage): string {
  const { budget, measure, firstDay, lastDay } = column;
  if (budget !== null) return `${captionWords[language].budget} ${budget}`;
  return measure === 'movement' ? spanText(firstDay, lastDay, language) : longDay(dayOf(column), language);
}

/** Of balances: an opening one is that of the evening before. */
function dayOf({ measure, firstDay, lastDay }: HeadedAmounts): Day {
  return measure === 'closing' ? lastDay : addDays(firstDay, -1);
}
