import type { Day } from '@ivory-ladder/core';
import type { ShownYear } from '../shared/state/fiscalYears.ts';

export interface ChosenSpan {
  readonly from: Day;
  readonly to: Day;
}

type Period = ShownYear['periods'][number];

/** A period alone; with `extends` from or to it, as far as what is chosen reaches within its year. */
export function spanByPeriod(year: Pick<ShownYear, 'firstDay' | 'lastDay'>, period: Period, shown: ChosenSpan, isExtending: boolean): ChosenSpan {
  const isInYear = shown.from <= year.lastDay && shown.to >= year.firstDay;
  if (!isExtending || !isInYear) return { from: period.firstDay, to: period.lastDay };
  // biome-ignore lint/complexity/useMathMinMax: days are text
  const first = shown.from < year.firstDay ? year.firstDay : shown.from;
  // biome-ignore lint/complexity/useMathMinMax: days are text
  const last = shown.to > year.lastDay ? year.lastDay : shown.to;
  return period.firstDay < first ? { from: period.firstDay, to: last } : { from: first, to: period.lastDay };
}

/** From the beginning of the year to the end of what is chosen in it; of a year that nothing is chosen in, the whole. */
export function spanToDate(year: Pick<ShownYear, 'firstDay' | 'lastDay'>, shown: ChosenSpan): ChosenSpan {
  const isInYear = year.firstDay <= shown.to && shown.to <= year.lastDay;
  return { from: year.firstDay, to: isInYear ? shown.to : year.lastDay };
}
