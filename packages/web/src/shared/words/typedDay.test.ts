import { addDays, longDay, shortDay } from '@ivory-ladder/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTypedDay } from './typedDay.ts';

describe('a day as people write it', () => {
  it.each([
    ['30 Sep 2026', '2026-09-30'],
    ['30 sept 2026', '2026-09-30'],
    ['30. September 2026', '2026-09-30'],
    ['30th September, 2026', '2026-09-30'],
    ['September 30, 2026', '2026-09-30'],
    ['30.9.2026', '2026-09-30'],
    ['30/09/2026', '2026-09-30'],
    // The day first, as the application writes days: the ninth of March, whatever the country of the browser.
    ['9-3-2026', '2026-03-09'],
    ['2026-09-30', '2026-09-30'],
    ['20260930', '2026-09-30'],
    [' 29 Feb 2028 ', '2028-02-29'],
  ])('%s', (text, day) => {
    expect(readTypedDay(text)).toBe(day);
  });

  it.each(['31 Sep 2026', '29 Feb 2026', '0.9.2026', '30 13 2026', '30 Ju 2026', '30 Smarch 2026', 'Sep 2026', '2026', '', 'today', '30 Sep 2026 or so'])(
    '%j is none',
    (text) => {
      expect(readTypedDay(text)).toBeNull();
      expect(readTypedDay(text, '2026-01-01')).toBeNull();
    },
  );

  it('without its year is of the year it stands near to, and of none while it is still being written', () => {
    for (const text of ['30 Sep', '30.9.', '30.9', 'Sep 30']) {
      expect([text, readTypedDay(text, '2024-02-29')]).toEqual([text, '2024-09-30']);
      expect([text, readTypedDay(text)]).toEqual([text, null]);
    }
    expect([readTypedDay('30.9.26', '2024-02-29'), readTypedDay('30 Sep 26', '2024-02-29')]).toEqual(['2026-09-30', '2026-09-30']);
    expect([readTypedDay('30.9.20'), readTypedDay('30.9.202'), readTypedDay('30 Sep 202', '2024-02-29')]).toEqual([null, null, null]);
    // There is no such day in that year.
    expect(readTypedDay('29 Feb', '2026-05-01')).toBeNull();
  });

  it('reads every day as it is written here, in short, at length and in numbers', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 80_000 }), (days) => {
        const day = addDays('1950-01-01', days);
        const [year, month, dayOfMonth] = day.split('-');
        expect([shortDay(day), longDay(day), `${dayOfMonth}.${month}.${year}`, day].map((text) => readTypedDay(text))).toEqual([day, day, day, day]);
      }),
    );
  });
});
