import { describe, expect, it } from 'vitest';
import { differenceText, type HeadedColumn, headingLines } from './headingLines.ts';

const movement = (firstDay: string, lastDay: string, more: Partial<Extract<HeadedColumn, { kind: 'amount' }>> = {}): HeadedColumn => ({
  kind: 'amount',
  measure: 'movement',
  firstDay,
  lastDay,
  budget: null,
  ...more,
});
const [now, before] = [movement('2026-01-01', '2026-09-30'), movement('2025-01-01', '2025-09-30')];
const change: HeadedColumn = { kind: 'change', of: 0, against: 1 };
const headed = (one: HeadedColumn, ...columns: HeadedColumn[]) => headingLines(one, columns, 'en');

describe('the heading of a column', () => {
  it('says the dates of amounts, on two lines', () => {
    expect(headed(now)).toEqual(['Jan–Sep', '2026']);
    expect(headed(movement('2026-01-01', '2026-09-30', { measure: 'closing' }))).toEqual(['30 September', '2026']);
    expect(headed(movement('2026-01-01', '2026-09-30', { measure: 'opening' }))).toEqual(['31 December', '2025']);
    expect(headed(movement('2026-01-01', '2026-09-30', { budget: 'Spring' }))).toEqual(['Budget', 'Spring']);
  });

  it('of a change says from what: the year alone where that tells both apart', () => {
    expect(headed(change, now, before)).toEqual(['Change', 'from 2025']);
    expect(headed(change, now, movement('2026-01-01', '2026-03-31'))).toEqual(['Change', 'from Jan–Mar 2026']);
    expect(headed(change, now, movement('2026-01-01', '2026-09-30', { budget: 'Spring' }))).toEqual(['Change', 'from Budget Spring']);
    expect(headed(change, movement('2026-01-01', '2026-09-30', { heading: 'This year' }), movement('2025-01-01', '2025-09-30', { heading: '{year}' }))).toEqual(
      ['Change', 'from 2025'],
    );
    expect(headingLines(change, [now, before], 'de')).toEqual(['Veränderung', 'gegenüber 2025']);
  });

  it('is what its author wrote, with dates in their places', () => {
    expect(headed(movement('2026-01-01', '2026-09-30', { heading: 'Up to {to}' }))).toEqual(['Up to 30 September 2026']);
    expect([headed({ ...change, heading: 'Difference' }, now, before), headed({ kind: 'text' }), headed({ kind: 'share' })]).toEqual([
      ['Difference'],
      [],
      ['%'],
    ]);
  });

  it('of a difference is told in full on demand', () => {
    expect(differenceText(change, [now, before], 'en')).toBe('Jan–Sep 2026 − Jan–Sep 2025');
    expect(differenceText({ ...change, kind: 'percent' }, [now, before], 'en')).toBe('(Jan–Sep 2026 − Jan–Sep 2025) ÷ Jan–Sep 2025');
    expect(differenceText(now, [now, before], 'en')).toBeUndefined();
  });
});
