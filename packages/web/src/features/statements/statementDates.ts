import type { StatementBody } from '@ivory-ladder/contract';
import { captionWords, datesText, longDay, spanText, translationWords } from '@ivory-ladder/core';

/** Days, currency and scale, and how amounts came into the currency, said once above the figures. */
export function statementDates(
  { columns, language, currency, scale, presentation }: StatementBody,
  { from, to }: { readonly from: string; readonly to: string },
): string {
  const told = columns.flatMap((column) => (column.kind === 'amount' ? [datesText(column, language)] : []));
  const unit = scale === 'thousands' || scale === 'millions' ? ` ${captionWords[language][scale]}` : '';
  const words = translationWords[language];
  const translated = presentation
    ? ` · ${presentation.rate ? words.atClosingRate(presentation.from, presentation.rate.text, longDay(presentation.rate.day, language)) : words.atOwnRates(presentation.from)}`
    : '';
  // Many have their dates above them.
  return `${told.length > 2 ? spanText(from, to, language) : told.join(` ${captionWords[language].and} `)} · ${currency}${unit}${translated}`;
}
