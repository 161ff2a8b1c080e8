import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareLayouts } from './compareLayouts.ts';
import { free, grouping, numbers, summing, taking } from './ownLayout.fixture.ts';
import type { OwnLine } from './ownLayout.ts';

const cash = taking('cash', [numbers('1000')]);
const stock = taking('stock', [numbers('1300')]);
const debtors = taking('debtors', [numbers('1200')]);
const told = (before: readonly OwnLine[], after: readonly OwnLine[]) =>
  compareLayouts(free([...before]), free([...after])).lines.map(({ key, state, fields, isMoved }) => [key, state, fields.join(), isMoved]);

describe('two versions of a layout', () => {
  it('that are alike say nothing, whatever order their fields have', () => {
    const { key, kind, ...rest } = cash;
    expect(compareLayouts(free([cash]), free([{ ...rest, kind, key }]))).toEqual({ lines: [], settings: [] });
  });

  it('say what was added, what has gone, and which fields say something else', () => {
    expect(told([cash, stock], [{ ...cash, caption: 'Money', sources: [numbers('1000 to 1099')] }, debtors])).toEqual([
      ['cash', 'changed', 'caption,sources', false],
      ['debtors', 'added', '', false],
      ['stock', 'removed', '', false],
    ]);
  });

  it('name the line that was moved, not those that it passed', () => {
    expect(told([cash, debtors, stock], [stock, cash, debtors])).toEqual([['stock', 'changed', '', true]]);
    expect(told([grouping('liquid', 'debit', [cash]), debtors], [grouping('liquid', 'debit', [cash, debtors])])).toEqual([['debtors', 'changed', '', true]]);
  });

  it('tell a line of another kind as that', () => {
    expect(told([cash], [summing('cash', {})])).toEqual([['cash', 'changed', 'kind', false]]);
  });

  it('tell what is said of the whole', () => {
    const other = { ...free([cash]), title: 'Position', columns: { plan: 'quarters' as const } };
    expect(compareLayouts(free([cash]), other)).toEqual({ lines: [], settings: ['title', 'columns'] });
  });

  it('name as few moved lines as lead from one order to the other', () => {
    const keys = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
    fc.assert(
      fc.property(fc.shuffledSubarray(keys, { minLength: 7, maxLength: 7 }), (order) => {
        const lines = (list: readonly string[]) => list.map((key) => taking(key, []));
        const moved = told(lines(keys), lines(order)).map(([key]) => key);
        const stayed = order.filter((key) => !moved.includes(key));
        expect(stayed).toEqual([...stayed].sort());
        // By looking at every subset: none that is in order is longer.
        const longest = Math.max(
          ...Array.from({ length: 1 << keys.length }, (_, bits) => order.filter((__, at) => (bits >> at) & 1)).map((some) =>
            some.every((key, at) => at === 0 || (some[at - 1] as string) < key) ? some.length : 0,
          ),
        );
        expect(stayed.length).toBe(longest);
      }),
    );
  });
});
