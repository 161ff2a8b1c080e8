import { describe, expect, it } from 'vitest';
import { longDay, shortDay, spanText } from './dayText.ts';

describe('days and spans in words', () => {
  it.each([
    ['2026-01-01', '2026-09-30', 'Jan–Sep 2026'],
    ['2026-07-01', '2026-07-31', 'Jul 2026'],
    ['2024-02-01', '2024-02-29', 'Feb 2024'],
    ['2024-02-01', '2024-02-28', '1 Feb 2024 to 28 Feb 2024'],
    ['2025-04-01', '2026-03-31', 'Apr 2025 to Mar 2026'],
    ['2026-09-15', '2026-09-30', '15 Sep 2026 to 30 Sep 2026'],
  ])('%s to %s is %s', (firstDay, lastDay, words) => {
    expect(spanText(firstDay, lastDay)).toBe(words);
  });

  it('are written in the language of a statement’s captions', () => {
    expect([longDay('2026-09-30', 'de'), longDay('2026-09-30', 'nb')]).toEqual(['30. September 2026', '30. september 2026']);
    expect(spanText('2026-09-15', '2026-10-30', 'fr')).toBe('15 sept. 2026 au 30 oct. 2026');
  });

  it('a day is written with its month in letters, so that no reader takes it for another', () => {
    expect([longDay('2026-03-04'), shortDay('2026-03-04')]).toEqual(['4 March 2026', '4 Mar 2026']);
  });
});
