import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  accountLabel,
  accountLabels,
  accountPaths,
  accountsByNumber,
  findSameNameBeside,
  repeatedBeside,
  splitPath,
  withPathsAsNumbers,
} from './accountReference.ts';
import type { Element } from './element.ts';
import { elements } from './element.ts';
import { numberWhole } from './numberWhole.ts';

const account = (id: number, name: string, parentId: number | null = null, active = true) => ({ id, number: '', name, parentId, active });

describe('accounts without numbers', () => {
  const chart = [account(1, 'Cash'), account(2, 'Till', 1), account(3, 'Shop'), account(4, 'Till', 3), account(5, 'Till', 3, false)];

  it('are told apart by the path of their names', () => {
    expect([...accountPaths(chart).values()]).toEqual(['Cash', 'Cash > Till', 'Shop', 'Shop > Till', 'Shop > Till']);
    expect(accountsByNumber(withPathsAsNumbers(chart)).get('shop > till')?.id).toBe(4);
    expect(accountLabel({ number: '', name: 'Till' })).toBe('Till');
    expect(accountLabel({ number: '1000', name: 'Till' })).toBe('1000 Till');
  });

  it('are labelled by their name, or by the path where another has it too', () => {
    expect([...accountLabels(chart).values()]).toEqual(['Cash', 'Cash > Till', 'Shop', 'Shop > Till', 'Shop > Till']);
    expect([...accountLabels(chart.slice(0, 3)).values()]).toEqual(['Cash', 'Till', 'Shop']);
    expect([
      ...accountLabels([
        { ...account(1, 'Till'), number: '10' },
        { ...account(2, 'Till'), number: '11' },
      ]).values(),
    ]).toEqual(['10 Till', '11 Till']);
  });

  it('have names of their own among those beside them that are active', () => {
    expect(findSameNameBeside(chart, { name: 'TILL', parentId: 3 }, null)?.id).toBe(4);
    expect(findSameNameBeside(chart, { name: 'Till', parentId: 3 }, 4)).toBeUndefined();
    expect(findSameNameBeside(chart, { name: 'Till', parentId: null }, null)).toBeUndefined();
    expect(repeatedBeside(chart)).toEqual([]);
    expect(repeatedBeside([...chart, account(6, 'cash')]).map(({ id }) => id)).toEqual([1, 6]);
  });

  it('may have the mark between names in a name', () => {
    const known = new Set(['Cash', 'Cash > Till']);
    expect(splitPath('Cash > Till > Coins', (path) => known.has(path))).toEqual({ parentPath: 'Cash > Till', name: 'Coins' });
    expect(splitPath('Cash > a > b', (path) => known.has(path))).toEqual({ parentPath: 'Cash', name: 'a > b' });
    expect(splitPath('Less > and > more', () => false)).toEqual({ parentPath: 'Less > and', name: 'more' });
    expect(splitPath('Less', () => false)).toEqual({ parentPath: '', name: 'Less' });
  });
});

describe('numbers for a chart that had none', () => {
  it('are by element and in the order of the chart', () => {
    const chart = (['asset', 'asset', 'expense', 'asset'] as const).map((element, id) => ({ id, element }));
    expect([...numberWhole(chart).values()]).toEqual(['1000', '1010', '5000', '1020']);
  });

  it('are given once each, all of one length, and rise within an element', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom<Element>(...elements), { maxLength: 400 }), (chart) => {
        const numbers = [...numberWhole(chart.map((element, id) => ({ id, element }))).values()];
        expect(new Set(numbers).size).toBe(chart.length);
        expect(new Set(numbers.map(({ length }) => length)).size).toBeLessThanOrEqual(1);
        for (const element of elements) {
          const own = numbers.filter((_, at) => chart[at] === element);
          expect(own).toEqual(own.toSorted());
        }
      }),
    );
  });
});
