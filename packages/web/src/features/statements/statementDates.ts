import type { StatementBody } from '@ivory-ladder/contract';
import { captionWords, datesText, spanText } from '@ivory-ladder/core';

/** Days, currency and scale, said once above the figures. */
export function statementDates({ columns, language, currency, scale }: StatementBody, { from, to }: { readonly from: string; readonly to: string }): string {
  const told = columns.flatMap((column) => (column.kind === 'amount' ? [datesText(column, language)] : []));
  const unit = scale === 'thousands' || scale === 'millions' ? ` ${captionWords[language][scale]}` : '';
  // Many have their dates above them.
  return `${told.length > 2 ? spanText(from, to, language) : told.join(` ${captionWords[language].and} `)} · ${currency}${unit}`;
}
