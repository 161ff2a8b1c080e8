import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { elements } from '../chart/element.ts';
import type { Place } from '../placement/place.ts';
import type { KeptAccount } from './chartCells.ts';
import { account, categories, facts, load, range, written } from './chartFile.fixture.ts';

describe('a chart file loaded back', () => {
  it('unchanged has nothing to do, whatever the chart', () => {
    const text = fc.string({ minLength: 1, maxLength: 12, unit: 'grapheme' }).map((value) => value.trim() || 'x');
    const charts = fc.array(
      fc.record({
        name: text,
        purpose: fc.oneof(fc.constant(''), text),
        element: fc.constantFrom(...elements),
        below: fc.nat(5),
        place: fc.constantFrom('none', 'any', 'sides'),
        active: fc.boolean(),
      }),
      { maxLength: 25 },
    );
    const ranges = fc.subarray([range(1, '10*'), range(2, '1000 to 1010', 'credit'), range(3, 'from 1005'), range(4, '*'), range(5, '1003, 1007')]);
    fc.assert(
      fc.property(charts, ranges, (seeds, held) => {
        const accounts: KeptAccount[] = [];
        const placed: Place[] = [];
        for (const [at, { name, purpose, element, below, place, active }] of seeds.entries()) {
          const parent = accounts[at - 1 - below];
          const isBelow = parent?.element === element && (parent.active || !active) && parent.parentId === null;
          accounts.push(
            account(at + 1, `${1000 + at}`, {
              name,
              purpose,
              element,
              normalSide: at % 3 === 0 ? 'credit' : 'debit',
              active,
              parentId: isBelow ? parent.id : null,
            }),
          );
          const own = categories.find((candidate) => candidate.element === element);
          if (own && place === 'any') placed.push({ accountId: at + 1, side: 'any', categoryId: own.id });
          if (element === 'asset' && place === 'sides')
            placed.push({ accountId: at + 1, side: 'debit', categoryId: 1 }, { accountId: at + 1, side: 'credit', categoryId: 2 });
        }
        const given = facts(accounts, { places: placed, ranges: held });
        const { states, missing, accounts: touched, faults } = load(written(given), given);
        expect([faults, states.filter((state) => state !== 'same'), missing, touched]).toEqual([[], [], [], []]);
      }),
      { seed: 5, numRuns: 300 },
    );
  });

  it('offers exactly what was changed, each field before and after', () => {
    const lines = written(facts());
    const [headings = []] = lines;
    const set = (row: number, heading: string, text: string) => {
      (lines[row] as string[])[headings.indexOf(heading)] = text;
    };
    set(5, 'Name', 'Electricity');
    set(4, 'Category', 'Running costs');
    set(1, 'Purpose', 'All money');
    const { states, changes } = load(lines);
    expect(states).toEqual(['changed', 'same', 'same', 'changed', 'changed']);
    expect(changes).toEqual([
      ['1000', 'purpose', '', 'All money'],
      ['6100', 'category', 'Running costs > Premises', 'Running costs'],
      ['6200', 'name', 'Power', 'Electricity'],
    ]);
  });

  it('leaves alone what it has no column or no row for', () => {
    const { states, missing, accounts } = load([
      ['Number', 'External number', 'Colour'],
      ['6100', 'R-1', 'blue'],
    ]);
    expect([states, missing.map(({ number }) => number)]).toEqual([['changed'], ['1000', '3100', '6000', '6200']]);
    expect(accounts[0]).toMatchObject({ name: 'Rent', parentId: 3, externalNumber: 'R-1', places: null });
  });

  it('a column of places that is not in the file keeps what stands there, unless the file leaves no room for it', () => {
    const placesOf = (headings: string[], row: string[]) =>
      load([
        ['Number', ...headings],
        ['1000', ...row],
      ]).accounts[0]?.places;
    expect(
      load([
        ['Number', 'Category'],
        ['1000', ''],
      ]).states,
    ).toEqual(['same']);
    expect(placesOf(['Category'], ['Cash'])).toEqual([{ side: 'any', target: { categoryId: 1 } }]);
    expect(placesOf(['Category while in credit'], ['Overdrafts > Bank'])).toEqual([
      { side: 'debit', target: { categoryId: 1 } },
      { side: 'credit', target: { element: 'asset', path: ['Overdrafts', 'Bank'] } },
    ]);
    expect(
      load([
        ['Number', 'Category while in debit'],
        ['3100', 'Capital'],
      ]).changes,
    ).toEqual([
      ['3100', 'category', 'Capital', ''],
      ['3100', 'categoryDebit', '', 'Capital'],
    ]);
  });

  it('renumbers by key, or by a column of new numbers, and two may swap theirs; what is below stays there', () => {
    const { states, accounts } = load([
      ['Number', 'New number'],
      ['6100', '6200'],
      ['6200', '6100'],
      ['6000', '7000'],
    ]);
    expect(states).toEqual(['changed', 'changed', 'changed']);
    expect(accounts.map(({ id, number, parentId }) => [id, number, parentId])).toEqual([
      [3, '7000', null],
      [4, '6200', 3],
      [5, '6100', 3],
    ]);
    expect(
      load([
        ['Number', 'Name', 'Key'],
        ['7100', 'Rent', '4'],
      ]).changes,
    ).toEqual([['6100', 'number', '6100', '7100']]);
  });

  it('adds accounts below each other, in an element that follows from above, in categories yet to be made', () => {
    const { states, accounts, newCategories } = load([
      ['Number', 'Name', 'Element', 'Nested below', 'Category'],
      ['6310', 'Paper', '', '6300', ''],
      ['6300', 'Office', '', '6000', 'Running costs > Office'],
      ['1000', 'Bank', 'asset', '', ''],
    ]);
    expect(states).toEqual(['new', 'new', 'same']);
    expect(accounts.map(({ number, element, parentId }) => [number, element, parentId])).toEqual([
      ['6300', 'expense', 3],
      ['6310', 'expense', -2],
    ]);
    expect(newCategories).toEqual([{ element: 'expense', path: ['Running costs', 'Office'] }]);
  });
});
