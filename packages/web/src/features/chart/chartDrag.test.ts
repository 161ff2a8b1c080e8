import { describe, expect, it } from 'vitest';
import { zoneAt } from '../../shared/components/treegrid/rowDrag.ts';
import { chartAccount as account } from './chartAccount.fixture.ts';
import { moveByDrop } from './chartDrag.ts';

const [top, parent, child, second, last] = [
  account(1, '10'),
  account(2, '20', { isParent: true }),
  account(3, '21', { parentId: 2, depth: 1 }),
  account(4, '22', { parentId: 2, depth: 1 }),
  account(5, '30'),
] as const;
const chart = [top, parent, child, second, last];

describe('a row let go over another', () => {
  it('at its upper edge stands before it, at its lower edge behind it, in its middle below it', () => {
    expect([zoneAt(100, 26, 103), zoneAt(100, 26, 113), zoneAt(100, 26, 124)]).toEqual(['before', 'inside', 'after']);
  });

  it('takes the parent of the row that it stands beside', () => {
    expect(moveByDrop(chart, last, child, 'before')).toEqual({ parentId: 2, after: null });
    expect(moveByDrop(chart, last, second, 'before')).toEqual({ parentId: 2, after: 3 });
    expect(moveByDrop(chart, child, last, 'after')).toEqual({ parentId: null, after: 5 });
  });

  it('stands behind the sub-accounts that are there, itself left out', () => {
    expect(moveByDrop(chart, last, parent, 'inside')).toEqual({ parentId: 2, after: 4 });
    expect(moveByDrop(chart, second, parent, 'inside')).toEqual({ parentId: 2, after: 3 });
    expect(moveByDrop(chart, second, child, 'before')).toEqual({ parentId: 2, after: null });
  });
});
