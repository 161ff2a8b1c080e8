import type { CodeListBody } from '@ivory-ladder/contract';
import type { AmountsPlanColumn, PeriodChoice, PlanColumn } from '@ivory-ladder/core';
import { longDay } from '@ivory-ladder/core';

export const columnKinds: Readonly<Record<PlanColumn['kind'], string>> = {
  amounts: 'Amounts',
  change: 'Change',
  percent: 'Change in percent',
  share: 'Share of a line',
  calculation: 'Calculation over columns',
  text: 'Empty column',
};

export const measureNames: Readonly<Record<AmountsPlanColumn['measure'], string>> = {
  own: 'as the layout has it',
  opening: 'opening balance',
  movement: 'movement',
  closing: 'closing balance',
};

export const baseNames: Readonly<Record<PeriodChoice['base'], string>> = {
  run: 'span of the run',
  year_to_date: 'fiscal year to date',
  quarter_to_date: 'quarter to date',
  trailing: 'trailing periods',
  comparative: 'usual comparative',
  fixed: 'fixed days',
};

/** `fiscal year to date, 1 year earlier`. */
function periodText({ base, periods, moved, firstDay, lastDay }: PeriodChoice): string {
  if (base === 'fixed') return firstDay === '' || lastDay === '' ? 'fixed days, not given yet' : `${longDay(firstDay)} to ${longDay(lastDay)}`;
  const span = base === 'trailing' ? `${periods} trailing periods` : baseNames[base];
  if (moved.by === 0 || base === 'comparative') return span;
  const size = Math.abs(moved.by);
  return `${span}, ${size} ${moved.unit === 'years' ? 'year' : 'period'}${size === 1 ? '' : 's'} ${moved.by < 0 ? 'earlier' : 'later'}`;
}

/** What a column is, beneath its heading. */
export function columnText(column: PlanColumn, headingOf: (key: string) => string, lists: readonly CodeListBody[]): string {
  switch (column.kind) {
    case 'amounts': {
      const what = [column.budgetId === null ? '' : 'budget', column.measure === 'own' ? '' : measureNames[column.measure], repeatText(column.repeat, lists)];
      const said = what.filter((text) => text !== '');
      if (column.heading !== '') said.unshift(periodText(column.period));
      return said.join(', ');
    }
    case 'change':
    case 'percent':
      return `${headingOf(column.of)} − ${headingOf(column.against)}`;
    case 'share':
      return `${headingOf(column.of)} ÷ ${column.line === '' ? 'a line' : column.line}`;
    case 'calculation':
      return column.formula;
    case 'text':
      return 'for what is written by hand';
  }
}

function repeatText(repeat: AmountsPlanColumn['repeat'], lists: readonly CodeListBody[]): string {
  if (repeat === null) return '';
  if (repeat === 'periods') return 'each period';
  if (repeat === 'quarters') return 'each quarter';
  if (repeat === 'equity') return 'each category of equity';
  return `each ${lists.find(({ key }) => key === repeat)?.name.toLowerCase() ?? 'value of a facet that has gone'}`;
}

/** What a column is called where it has no heading of its own. */
export function headingText(column: PlanColumn): string {
  if (column.heading !== '') return column.heading;
  return column.kind === 'amounts' ? periodText(column.period).replace(/^./, (letter) => letter.toUpperCase()) : columnKinds[column.kind];
}
