import type { FigureKindBody } from '@ivory-ladder/contract';
import { shortDay } from '@ivory-ladder/core';

/** What the income and expense figures of a file are, in words. */
export function figuresText(figures: FigureKindBody): string {
  switch (figures.kind) {
    case 'year_to_date':
      return 'fiscal year to date';
    case 'cumulative':
      return `cumulative since ${shortDay(figures.since)}`;
    case 'period':
      return `the period alone, from ${shortDay(figures.firstDay)}`;
    case 'after_closing':
      return 'taken after closing';
  }
}
