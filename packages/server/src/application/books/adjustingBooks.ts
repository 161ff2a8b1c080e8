import { type Adjusting, adjustingIndexOn, type Cube, cubeOfAdjusting, type Day } from '@ivory-ladder/core';
import type { Books } from '../ports/index.ts';

const made = new WeakMap<Cube, Map<string, Cube>>();

/** For columns that end with the year whose last day it is, without the lines of its period for adjustments or with them alone; as they are where it has none. */
export function booksOfAdjusting(books: Books, lastDay: Day, which: Adjusting | undefined): Books {
  const index = which === undefined ? -1 : adjustingIndexOn(books.calendar, lastDay);
  const period = books.calendar.periods[index];
  if (which === undefined || !period) return books;
  const changed = (cube: Cube): Cube => {
    const kept = made.get(cube) ?? new Map<string, Cube>();
    made.set(cube, kept);
    const key = `${index} ${which}`;
    const there = kept.get(key) ?? cubeOfAdjusting(cube, index, which);
    kept.set(key, there);
    return there;
  };
  const { translation } = books;
  return {
    ...books,
    cube: changed(books.cube),
    adjusting: { which, year: period.year, number: period.number },
    ...(translation
      ? {
          translation: {
            ...translation,
            flows: { ...translation.flows, cube: changed(translation.flows.cube) },
          },
        }
      : {}),
  };
}
