// @vitest-environment jsdom
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useRef, useState } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { rowMarks, useRowWalk, type WalkedRow } from './useRowWalk.ts';

afterEach(cleanup);

const tree = [
  { key: 'assets', depth: 0 },
  { key: 'vessels', depth: 1 },
  { key: 'at cost', depth: 2 },
  { key: 'cash', depth: 1 },
  { key: 'liabilities', depth: 0 },
];
let said: string[] = [];
beforeEach(() => {
  said = [];
});

/** Rows whose children are put away with them; `drawn` leaves rows out until they are brought, as a long table does. */
function Tree({ drawn = tree.length }: { drawn?: number }) {
  const body = useRef<HTMLDivElement>(null);
  const [shut, setShut] = useState<ReadonlySet<string>>(new Set());
  const [order, setOrder] = useState(tree);
  const [last, setLast] = useState(drawn);
  const rows = order.flatMap((row, at): WalkedRow[] => {
    const above = order.slice(0, at).findLast((one) => one.depth < row.depth);
    if (above && shut.has(above.key)) return [];
    return [{ ...row, isShut: (order[at + 1]?.depth ?? 0) > row.depth ? shut.has(row.key) : null }];
  });
  const walk = useRowWalk({
    body,
    attribute: 'data-row',
    rows,
    bring: () => setLast(tree.length),
    onWalk: (key, isExtending) => said.push(`${isExtending ? 'to' : 'at'} ${key}`),
    onToggle: (key, isShut) => setShut((before) => (isShut ? new Set([...before, key]) : new Set([...before].filter((one) => one !== key)))),
    onOpen: (key) => said.push(`open ${key}`),
    onAll: () => said.push('all'),
    onRowKey: (event, key) => {
      if (!event.altKey || event.key !== 'ArrowDown') return false;
      walk.keepOn(key);
      setOrder((before) => [...before.filter((row) => row.key !== key), ...before.filter((row) => row.key === key)]);
      return true;
    },
  });
  return (
    <div ref={body} role="treegrid" aria-label="Tree" onKeyDown={walk.onKeyDown}>
      {rows.slice(0, last).map(({ key, depth, isShut }, at) => (
        <div key={key} role="row" data-row={key} {...rowMarks({ depth, isShut, isChosen: false, takesTab: at === 0 })}>
          {key}
        </div>
      ))}
    </div>
  );
}

const here = () => document.activeElement?.getAttribute('data-row');

describe('a tree that is walked by its rows', () => {
  it('goes to the next, the first, the last and a page on, and never beyond; with Shift it extends', async () => {
    render(<Tree />);
    const user = userEvent.setup();
    await user.tab();
    const places: unknown[] = [here()];
    for (const key of ['{ArrowDown}', '{ArrowDown}', '{ArrowUp}', '{End}', '{ArrowDown}', '{Home}', '{PageDown}', '{PageUp}']) {
      await user.keyboard(key);
      places.push(here());
    }
    expect(places).toEqual(['assets', 'vessels', 'at cost', 'vessels', 'liabilities', 'liabilities', 'assets', 'liabilities', 'assets']);
    said = [];
    await user.keyboard('{Shift>}{ArrowDown}{/Shift}');
    expect(said).toEqual(['to vessels']);
  });

  it('shuts and opens by left and right, and goes left to what a row is nested in', async () => {
    render(<Tree />);
    const user = userEvent.setup();
    await user.tab();
    await user.keyboard('{End}{ArrowUp}{ArrowUp}');
    expect(here()).toBe('at cost');
    await user.keyboard('{ArrowLeft}');
    expect(here()).toBe('vessels');
    await user.keyboard('{ArrowLeft}');
    expect([screen.getByText('vessels').getAttribute('aria-expanded'), screen.queryByText('at cost')]).toEqual(['false', null]);
    // Shut, it leads further out.
    await user.keyboard('{ArrowLeft}');
    expect(here()).toBe('assets');
    await user.keyboard('{ArrowDown}{ArrowRight}');
    expect(screen.getByText('vessels').getAttribute('aria-expanded')).toBe('true');
    // There are no cells to go on to.
    await user.keyboard('{ArrowRight}');
    expect(here()).toBe('vessels');
    expect(screen.getByText('cash').hasAttribute('aria-expanded')).toBe(false);
  });

  it('opens by Enter and chooses all by Ctrl A; keys of the screen’s own come first', async () => {
    render(<Tree />);
    const user = userEvent.setup();
    await user.tab();
    await user.keyboard('{Enter}{Control>}a{/Control}');
    expect(said).toEqual(['open assets', 'all']);
    await user.keyboard('{ArrowDown}{Alt>}{ArrowDown}{/Alt}');
    // The row is elsewhere, and the focus with it.
    expect([here(), screen.getAllByRole('row').at(-1)?.textContent]).toEqual(['vessels', 'vessels']);
  });

  it('reaches a row that is drawn only once it is brought', async () => {
    render(<Tree drawn={2} />);
    const user = userEvent.setup();
    await user.tab();
    expect(screen.queryByText('liabilities')).toBeNull();
    await user.keyboard('{End}');
    await act(async () => undefined);
    expect(here()).toBe('liabilities');
  });

  it('says how deep a row is, whether it is open and chosen, and which one the Tab key reaches', () => {
    expect(rowMarks({ depth: 2, isShut: true, isChosen: true, takesTab: false })).toEqual({
      'aria-level': 3,
      'aria-expanded': false,
      'aria-selected': true,
      tabIndex: -1,
    });
    expect(rowMarks({ depth: 0, isShut: null, isChosen: false, takesTab: true })).toEqual({ 'aria-level': 1, 'aria-selected': false, tabIndex: 0 });
  });
});
