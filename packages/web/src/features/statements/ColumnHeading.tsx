import type { StatementBody } from '@ivory-ladder/contract';
import { addDays, type CaptionLanguage, captionWords, fillHeading } from '@ivory-ladder/core';
import { longDay, spanLines, spanText } from '../../components/dates.ts';

type Column = StatementBody['columns'][number];

/** What a column is, as it is printed over its figures. */
export function ColumnHeading({ column, language }: { column: Column; language: CaptionLanguage }) {
  if (column.heading !== undefined) return filled(column, language);
  if (column.kind === 'text') return null;
  if (column.kind !== 'amount') return column.kind === 'change' ? captionWords[language].change : '%';
  if (column.budget !== null)
    return (
      <>
        {captionWords[language].budget}
        <br />
        {column.budget}
      </>
    );
  if (column.measure !== 'movement') {
    const day = longDay(column.measure === 'closing' ? column.lastDay : addDays(column.firstDay, -1), language);
    return (
      <>
        {day.slice(0, -4).replace(/\s+(de\s+)?$/, '')}
        <br />
        {day.slice(-4)}
      </>
    );
  }
  const [upper, lower] = spanLines(column.firstDay, column.lastDay, language);
  return (
    <>
      {upper}
      <br />
      {lower}
    </>
  );
}

function filled(column: Column, language: CaptionLanguage): string {
  const { heading = '' } = column;
  if (column.kind !== 'amount') return heading;
  const { firstDay, lastDay } = column;
  return fillHeading({ kind: 'amount', measure: 'closing', span: { firstDay, lastDay }, heading }, (day) => longDay(day, language));
}

/** What is deducted from what, in words; `undefined` for what is no difference. */
export function differenceText(column: Column, { columns, language }: StatementBody): string | undefined {
  if (column.kind !== 'change' && column.kind !== 'percent') return undefined;
  const [of, against] = [columns[column.of], columns[column.against]].map((one) => (one ? columnText(one, language) : ''));
  return column.kind === 'change' ? `${of} − ${against}` : `(${of} − ${against}) ÷ ${against}`;
}

function columnText(column: Column, language: CaptionLanguage): string {
  if (column.kind !== 'amount') return '';
  if (column.heading !== undefined) return filled(column, language);
  const { measure, firstDay, lastDay, budget } = column;
  const when = measure === 'movement' ? spanText(firstDay, lastDay, language) : longDay(measure === 'closing' ? lastDay : addDays(firstDay, -1), language);
  return budget === null ? when : `${captionWords[language].budget} ${budget}`;
}
