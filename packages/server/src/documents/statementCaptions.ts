import { addDays, captionWords, fillHeading, longDay, noteWords, type StatementColumn, translationWords } from '@ivory-ladder/core';
import type { Statement } from '../application/runStatement.ts';
import { fileName } from './fileName.ts';

type Language = Statement['compiled']['layout']['language'];

export function captionOfColumn(column: StatementColumn, language: Language): string {
  const caption = column.heading === undefined ? usualCaption(column, language) : givenCaption(column, column.heading, language);
  return column.group === undefined ? caption : `${column.group}\n${caption}`;
}

function givenCaption(column: StatementColumn, heading: string, language: Language): string {
  return column.kind === 'amount' ? fillHeading(heading, column.span, (day) => longDay(day, language)) : heading;
}

function usualCaption(column: StatementColumn, language: Language): string {
  switch (column.kind) {
    case 'change':
      return captionWords[language].change;
    case 'percent':
    case 'share':
      return '%';
    case 'calculation':
      return column.text;
    case 'text':
      return '';
    case 'amount': {
      if (column.budget !== undefined) return `${captionWords[language].budget} ${column.budget}`;
      const { firstDay, lastDay } = column.span;
      const last = longDay(lastDay, language);
      const dates =
        column.measure === 'opening'
          ? longDay(addDays(firstDay, -1), language)
          : column.measure === 'closing'
            ? last
            : `${longDay(firstDay, language)} ${captionWords[language].to} ${last}`;
      const words = captionWords[language];
      const more = [
        ...(column.adjusting === undefined ? [] : [column.adjusting === 'before' ? words.beforeAdjusting : words.adjustingOnly]),
        ...(column.placedOn === undefined ? [] : [words.classifiedOn(longDay(column.placedOn, language))]),
      ];
      return [dates, ...more].join(', ');
    }
  }
}

/** Company, title, dates and currency, and what part of the ledger it is where it is one: said once, above the figures. */
export function headingOf({ company, columns, compiled, part, span, scale, currency, presentation, isDraft }: Statement): {
  company: string;
  title: string;
  dates: string;
} {
  const { language, title } = compiled.layout;
  const days = columns.filter((column) => column.kind === 'amount').map((column) => usualCaption(column, language));
  // Many columns have their dates above them; here they are the span they come from.
  const dates = days.length > 2 ? captionOfColumn({ kind: 'amount', measure: 'movement', span }, language) : days.join(` ${captionWords[language].and} `);
  return {
    company,
    title,
    dates: [isDraft ? noteWords[language].draft : '', dates, unitText(currency.code, scale.unit, language), translationText(presentation, language), part]
      .filter((text) => text !== '')
      .join(' · '),
  };
}

/** `EUR`, `EUR thousands`. */
function unitText(currency: string, unit: Statement['scale']['unit'], language: Language): string {
  return unit === 'thousands' || unit === 'millions' ? `${currency} ${captionWords[language][unit]}` : currency;
}

/** Said wherever amounts are in another currency than the company's; empty where they are not. */
function translationText(presentation: Statement['presentation'], language: Language): string {
  if (!presentation) return '';
  const { from, rate } = presentation;
  const words = translationWords[language];
  return rate ? words.atClosingRate(from.code, rate.text, longDay(rate.day, language)) : words.atOwnRates(from.code);
}

export function fileNameOf({ company, compiled, span }: Statement, ending: string): string {
  return fileName(company, `${compiled.layout.title} ${span.lastDay}.${ending}`);
}

/** Whether a column of notes stands beside the captions. */
export function hasNotes(rows: Statement['rows']): boolean {
  return rows.some(({ note }) => note !== undefined && note !== '');
}

/** `Interest paid – Interest expense`, with why where that says more. */
export function transferText({ text, from, on }: Statement['transfers'][number]): string {
  return `${text === from ? '' : `${text}: `}${from} – ${on}`;
}
