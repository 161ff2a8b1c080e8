import type { StatementBody } from '@ivory-ladder/contract';
import { addDays, type CaptionLanguage, captionWords, fillHeading } from '@ivory-ladder/core';
import { longDay, spanLines, spanText } from '../../components/dates.ts';

type Column = StatementBody['columns'][number];
type AmountColumn = Extract<Column, { kind: 'amount' }>;

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

function filled({ heading = '', ...column }: Column, language: CaptionLanguage): string {
  return column.kind === 'amount' ? fillHeading(heading, column, (day) => longDay(day, language)) : heading;
}

/** What is deducted from what, in words; `undefined` for what is no difference. */
export function differenceText(column: Column, { columns, language }: StatementBody): string | undefined {
  if (column.kind !== 'change' && column.kind !== 'percent') return undefined;
  const nameOf = (at: number): string => {
    const one = columns[at];
    return one?.kind !== 'amount' ? '' : one.heading === undefined ? datesText(one, language) : filled(one, language);
  };
  const [of, against] = [nameOf(column.of), nameOf(column.against)];
  return column.kind === 'change' ? `${of} − ${against}` : `(${of} − ${against}) ÷ ${against}`;
}

/** The day of balances, the span of movements, or the budget. */
export function datesText({ measure, firstDay, lastDay, budget }: AmountColumn, language: CaptionLanguage): string {
  if (budget !== null) return `${captionWords[language].budget} ${budget}`;
  return measure === 'movement' ? spanText(firstDay, lastDay, language) : longDay(measure === 'closing' ? lastDay : addDays(firstDay, -1), language);
}
