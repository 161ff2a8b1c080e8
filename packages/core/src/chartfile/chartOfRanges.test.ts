import { describe, expect, it } from 'vitest';
import { facts, load, range, shop, written } from './chartFile.fixture.ts';

const [premises, running] = [5, 4];

/** Power (6200) stands in Premises by range; Rent (6100) by hand. */
const given = facts(shop, { ranges: [range(premises, '6200 to 6299'), range(running, '6300 to 6399')] });

describe('a chart whose accounts stand by range', () => {
  it('is written with the categories they stand in, and loaded back has nothing to do', () => {
    const lines = written(given);
    expect(lines.find(([number]) => number === '6200')).toContain('Running costs > Premises');
    expect(load(lines, given).states).toEqual(shop.map(() => 'same'));
  });

  it('an empty category leaves an account to its range', () => {
    expect(
      load(
        [
          ['Number', 'Category'],
          ['6200', ''],
        ],
        given,
      ),
    ).toMatchObject({ states: ['same'], accounts: [] });
  });

  it('another category places it by hand', () => {
    const { changes, accounts } = load(
      [
        ['Number', 'Category'],
        ['6200', 'Running costs'],
      ],
      given,
    );
    expect(changes).toEqual([['6200', 'category', 'Running costs > Premises', 'Running costs']]);
    expect(accounts).toMatchObject([{ places: [{ side: 'any', target: { categoryId: running } }] }]);
  });

  it('one taken out by hand falls to its range', () => {
    const { changes } = load(
      [
        ['Number', 'Category'],
        ['6100', ''],
      ],
      facts(shop, { ranges: [range(running, '61*')] }),
    );
    expect(changes).toEqual([['6100', 'category', 'Running costs > Premises', 'Running costs']]);
  });

  it('a new account stands where a range puts it, and the row says so', () => {
    const { changes, accounts } = load(
      [
        ['Number', 'Name', 'Element', 'Category'],
        ['6310', 'Paint', 'expense', ''],
      ],
      given,
    );
    expect(changes).toContainEqual(['6310', 'category', '', 'Running costs']);
    expect(accounts).toMatchObject([{ places: null }]);
  });

  it('one that is renumbered stays where it stands, whatever the ranges make of its number', () => {
    const moved = load(
      [
        ['Number', 'New number'],
        ['6200', '6310'],
      ],
      given,
    );
    expect(moved.changes).toEqual([['6200', 'number', '6200', '6310']]);
    expect(moved.accounts).toMatchObject([{ number: '6310', places: null }]);
    const within = load(
      [
        ['Number', 'New number'],
        ['6200', '6210'],
      ],
      given,
    );
    expect(within.accounts).toMatchObject([{ number: '6210', places: null }]);
  });
});
