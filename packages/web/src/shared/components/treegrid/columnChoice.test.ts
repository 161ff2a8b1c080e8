import { describe, expect, it } from 'vitest';
import { chosenColumnsOf, leastWidth, moved, resized, settledChoice, toggled } from './columnChoice.ts';

const columns = [
  { id: 'number', width: '80px' },
  { id: 'name', width: 'minmax(140px, 1fr)' },
  { id: 'amount', width: '104px' },
  { id: 'purpose', width: 'minmax(120px, 1fr)', isExtra: true as const },
];
const ids = (choice: readonly { id: string }[]) => choice.map(({ id }) => id).join(' ');
const all = settledChoice(columns, []);

describe('columns that somebody chose', () => {
  it('are the table’s own, without the extra ones, where nothing was chosen', () => {
    expect(ids(all)).toBe('number name amount');
  });

  it('keep the first column first, and leave out what is gone or named twice', () => {
    expect(
      ids(
        settledChoice(columns, [
          { id: 'amount', width: 90 },
          { id: 'gone', width: null },
          { id: 'amount', width: null },
          { id: 'number', width: null },
        ]),
      ),
    ).toBe('number amount');
  });

  it('are shown in the order and width chosen', () => {
    const shown = chosenColumnsOf(columns, [
      { id: 'number', width: null },
      { id: 'purpose', width: 300 },
      { id: 'name', width: null },
    ]);
    expect(shown.map(({ id, width }) => [id, width])).toEqual([
      ['number', '80px'],
      ['purpose', '300px'],
      ['name', 'minmax(140px, 1fr)'],
    ]);
  });

  it('come at the end and go again, but for the first', () => {
    expect(ids(toggled(all, 'purpose'))).toBe('number name amount purpose');
    expect(ids(toggled(all, 'name'))).toBe('number amount');
    expect(ids(toggled(all, 'number'))).toBe('number name amount');
  });

  it('move a step at a time, never before the first', () => {
    expect(ids(moved(all, 'amount', -1))).toBe('number amount name');
    expect(ids(moved(all, 'name', -1))).toBe('number name amount');
    expect(ids(moved(all, 'amount', 1))).toBe('number name amount');
  });

  it('stay wide enough to be seen and narrow enough for a screen', () => {
    expect([resized(all, 'name', 3), resized(all, 'name', 5000), resized(all, 'name', 200.4)].map((choice) => choice[1]?.width)).toEqual([40, 900, 200]);
  });

  it('take the least of their tracks and the gaps between them', () => {
    expect(leastWidth(columns.slice(0, 2), 8)).toBe(80 + 140 + 24);
  });
});
