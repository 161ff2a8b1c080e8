import { addDays } from '../calendar/day.ts';
import { longDay } from '../calendar/dayText.ts';
import { fillHeading } from '../columns/fillHeading.ts';
import type { HeadedColumn } from '../columns/headingLines.ts';
import { type CaptionLanguage, captionWords } from '../layout/captionWords.ts';
import type { RanStatement } from '../run/runStatement.ts';
import { draftWords } from '../statement/draftWords.ts';
import type { StatementColumn } from '../statement/statement.ts';
import { translationWords } from '../translation/translationWords.ts';

/** A column in one text, with what stands over several before it. */
export function captionOfColumn(column: StatementColumn, language: CaptionLanguage): string {
  const caption = column.heading === undefined ? usualCaption(column, language) : givenCaption(column, column.heading, language);
  return column.group === undefined ? caption : `${column.group}\n${caption}`;
}

function givenCaption(column: StatementColumn, heading: string, language: CaptionLanguage): string {
  return column.kind === 'amount' ? fillHeading(heading, column.span, (day) => longDay(day, language)) : heading;
}

function usualCaption(column: StatementColumn, language: CaptionLanguage): string {
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

/** As far as the lines of its heading need it. */
export function headedColumn(column: StatementColumn): HeadedColumn {
  if (column.kind !== 'amount') return column;
  const { kind, measure, span, budget = null, placedOn, adjusting, heading } = column;
  return {
    kind,
    measure,
    ...span,
    budget,
    ...(placedOn === undefined ? {} : { placedOn }),
    ...(adjusting === undefined ? {} : { adjusting }),
    ...(heading === undefined ? {} : { heading }),
  };
}

/** Dates, currency and unit, how amounts came into it, and what part of the ledger it is; `exact`: of the amounts before they are printed in a unit. */
export function datesOf(statement: RanStatement, exact: boolean): string {
  const { columns, compiled, part, span, scale, currency, ground, presentation, isDraft } = statement;
  const { language } = compiled.layout;
  const days = columns.filter((column) => column.kind === 'amount').map((column) => usualCaption(column, language));
  // Many columns have their dates above them; here they are the span they come from.
  const dates = days.length > 2 ? captionOfColumn({ kind: 'amount', measure: 'movement', span }, language) : days.join(` ${captionWords[language].and} `);
  const ofRate = exact && presentation?.rate ? null : presentation;
  return [
    isDraft ? draftWords[language] : '',
    dates,
    exact ? ground.currency.code : unitText(currency.code, scale.unit, language),
    translationText(ofRate, language),
    part,
  ]
    .filter((text) => text !== '')
    .join(' · ');
}

/** `EUR`, `EUR thousands`. */
function unitText(currency: string, unit: RanStatement['scale']['unit'], language: CaptionLanguage): string {
  return unit === 'thousands' || unit === 'millions' ? `${currency} ${captionWords[language][unit]}` : currency;
}

/** Said wherever amounts are in another currency than the company's; empty where they are not. */
function translationText(presentation: RanStatement['presentation'], language: CaptionLanguage): string {
  if (!presentation) return '';
  const { from, rate } = presentation;
  const words = translationWords[language];
  return rate ? words.atClosingRate(from.code, rate.text, longDay(rate.day, language)) : words.atOwnRates(from.code);
}
