import type { Day, StatementColumn } from '@ivory-ladder/core';
import type { Statement } from '../application/runStatement.ts';

const months = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** `2026-09-30` → `30 September 2026`. */
function writeDay(day: Day): string {
  return `${Number(day.slice(8))} ${months[Number(day.slice(5, 7)) - 1]} ${day.slice(0, 4)}`;
}

export function captionOfColumn(column: StatementColumn): string {
  if (column.kind !== 'amount') return column.kind === 'change' ? 'Change' : '%';
  const { firstDay, lastDay } = column.span;
  return column.measure === 'closing' ? writeDay(lastDay) : `${writeDay(firstDay)} to ${writeDay(lastDay)}`;
}

/** Company, title, dates and currency: said once, above the figures. */
export function headingOf({ books, compiled, columns }: Statement): { company: string; title: string; dates: string } {
  const days = columns.filter((column) => column.kind === 'amount').map(captionOfColumn);
  return { company: books.company.name, title: compiled.layout.title, dates: `${days.join(' and ')} · ${books.company.currency.code}` };
}

export function fileNameOf({ books, compiled, columns }: Statement, ending: string): string {
  const first = columns.find((column) => column.kind === 'amount');
  return `${books.company.name} - ${compiled.layout.title} ${first?.kind === 'amount' ? first.span.lastDay : ''}.${ending}`.replaceAll(/[\\/:*?"<>|]/g, '-');
}
