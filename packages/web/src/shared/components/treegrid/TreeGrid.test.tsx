// @vitest-environment jsdom
import { cleanup, createEvent, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useRef, useState } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { ColumnChoice } from './columnChoice.ts';
import type { GridColumn } from './gridColumn.ts';
import { TreeGrid, type TreeGridHandle, type TreeGridProps } from './TreeGrid.tsx';

interface Account {
  readonly id: number;
  readonly name: string;
  readonly depth: number;
  readonly amount: number;
}

const accounts: readonly Account[] = [
  { id: 1, name: 'Assets', depth: 0, amount: 0 },
  { id: 2, name: 'Bank', depth: 1, amount: 70 },
  { id: 3, name: 'Stores', depth: 1, amount: 30 },
  { id: 4, name: 'Debts', depth: 0, amount: -40 },
];
const columns: readonly GridColumn<Account>[] = [
  { id: 'name', caption: 'Name', width: '1fr', cell: ({ name }) => name, text: ({ name }) => name, edit: { value: ({ name }) => name } },
  {
    id: 'amount',
    caption: 'Amount',
    width: '80px',
    isAmount: true,
    cell: ({ amount }) => amount,
    text: ({ amount }) => String(amount),
    compare: (a, b) => a.amount - b.amount,
    edit: { value: ({ amount }) => String(amount) },
  },
];
/** Milliseconds. */
const longerThanTyping = 300;
let said: string[] = [];

// Nothing is laid out here: the table has room for all of its rows.
const height = Object.getOwnPropertyDescriptor(Element.prototype, 'clientHeight') as PropertyDescriptor;
beforeEach(() => {
  said = [];
  Object.defineProperty(Element.prototype, 'clientHeight', { configurable: true, get: () => 600 });
  Element.prototype.scrollTo = () => undefined;
  Element.prototype.scrollIntoView = () => undefined;
});
afterEach(() => {
  cleanup();
  Object.defineProperty(Element.prototype, 'clientHeight', height);
});

function Table({ refuse, ...more }: Partial<TreeGridProps<Account>> & { readonly refuse?: string }) {
  const [rows, setRows] = useState(accounts);
  const [choice, setChoice] = useState<readonly ColumnChoice[]>([]);
  const grid = useRef<TreeGridHandle>(null);
  return (
    <>
      <button type="button" onClick={() => said.push(`block ${grid.current?.block().join()}`)}>
        Block
      </button>
      <TreeGrid<Account>
        ref={grid}
        label="Accounts"
        rows={rows}
        keyOf={({ id }) => id}
        depthOf={({ depth }) => depth}
        columns={columns}
        choice={choice}
        onChoice={(next) => {
          said.push(`widths ${next.map(({ width }) => width).join()}`);
          setChoice(next);
        }}
        onOpen={({ name }) => said.push(`open ${name}`)}
        onCopied={(count) => said.push(`copied ${count}`)}
        onEdit={async ({ id, name }, column, text) => {
          said.push(`${name}.${column} = ${text}`);
          if (text === refuse) {
            await new Promise((resolve) => setTimeout(resolve, longerThanTyping));
            return 'not so';
          }
          setRows((before) => before.map((row) => (row.id === id ? { ...row, [column]: column === 'amount' ? Number(text) : text } : row)));
          return null;
        }}
        onFillDown={({ name }, below, column) => said.push(`fill ${column} of ${name} into ${below.map((row) => row.name).join()}`)}
        {...more}
      />
    </>
  );
}

const grid = () => screen.getByRole('treegrid', { name: 'Accounts' });
const names = () =>
  within(grid())
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getAllByRole('gridcell')[0]?.textContent ?? '');
const rowOf = (name: string) => within(grid()).getByText(name).closest('[role=row]') as HTMLElement;
const chosen = () =>
  within(grid())
    .getAllByRole('row', { selected: true })
    .map((row) => within(row).getAllByRole('gridcell')[0]?.textContent);

describe('a table of rows in a tree', () => {
  it('is walked by arrows, opens a row with Enter, shuts and opens what is below it', async () => {
    const user = userEvent.setup();
    render(<Table />);
    await user.tab();
    rowOf('Assets').focus();
    await user.keyboard('{ArrowDown}{Enter}');
    expect(said).toEqual(['open Bank']);
    await user.keyboard('{ArrowUp}{ArrowLeft}');
    expect(names().map((name) => name.replace(/^[▾▸]/, ''))).toEqual(['Assets', 'Debts']);
    expect(rowOf('Assets').getAttribute('aria-expanded')).toBe('false');
    await user.keyboard('{ArrowRight}');
    expect(names()).toHaveLength(4);
    await user.keyboard('{End}{Enter}');
    expect(said).toEqual(['open Bank', 'open Debts']);
  });

  it('takes a block by Shift with an arrow or with a click, and copies it as a spreadsheet reads it', async () => {
    const user = userEvent.setup();
    render(<Table />);
    rowOf('Bank').focus();
    await user.keyboard('{Shift>}{ArrowDown}{/Shift}');
    expect(chosen()).toEqual(['Bank', 'Stores']);
    const copy = createEvent.copy(rowOf('Bank'), { clipboardData: { setData: (_: string, text: string) => said.push(text) } });
    fireEvent(rowOf('Bank'), copy);
    expect(said).toEqual(['Bank\t70\nStores\t30', 'copied 2']);
    await user.click(rowOf('Assets'));
    await user.keyboard('{Shift>}');
    await user.click(rowOf('Debts'));
    await user.keyboard('{/Shift}');
    await user.click(screen.getByRole('button', { name: 'Block' }));
    expect(said.at(-1)).toBe('block 1,2,3,4');
  });

  it('edits a cell by a letter, goes on to the one below, and gives up with Escape', async () => {
    const user = userEvent.setup();
    render(<Table />);
    rowOf('Bank').focus();
    await user.keyboard('{ArrowRight}{ArrowRight}9');
    expect((document.activeElement as HTMLInputElement).value).toBe('9');
    await user.keyboard('5{Enter}');
    await screen.findByText('95');
    await user.keyboard('{F2}');
    expect((document.activeElement as HTMLInputElement).value).toBe('30');
    await user.keyboard('1{Escape}');
    expect(said).toEqual(['Bank.amount = 95']);
    expect(document.activeElement?.textContent).toBe('30');
  });

  it('goes on while a value is looked at, and keeps one that was refused with the reason and the way back to it', async () => {
    const user = userEvent.setup();
    render(<Table refuse="7" />);
    rowOf('Bank').focus();
    await user.keyboard('{ArrowRight}{ArrowRight}7{Enter}8{Enter}');
    await screen.findByText(/^Not taken: «7»\. not so/);
    await within(rowOf('Stores')).findByText('8');
    expect(said).toEqual(['Bank.amount = 7', 'Stores.amount = 8']);
    await user.click(screen.getByRole('button', { name: 'Go there' }));
    expect((document.activeElement as HTMLInputElement).value).toBe('7');
    await user.keyboard('{Escape}');
    expect(screen.queryByText(/^Not taken/)).toBeNull();
    expect(within(rowOf('Bank')).getByText('70')).toBeTruthy();
  });

  it('fills the first of a block down with Ctrl D', async () => {
    const user = userEvent.setup();
    render(<Table />);
    rowOf('Bank').focus();
    await user.keyboard('{ArrowRight}{ArrowRight}{Shift>}{ArrowDown}{ArrowDown}{/Shift}{Control>}d{/Control}');
    expect(said).toEqual(['fill amount of Bank into Stores,Debts']);
  });

  it('is ordered by a heading: the most first for amounts, then the least, then as the rows came', async () => {
    const user = userEvent.setup();
    render(<Table />);
    const heading = screen.getByRole('button', { name: 'Amount' });
    await user.click(heading);
    expect(names()).toEqual(['Bank', 'Stores', 'Assets', 'Debts']);
    expect(heading.closest('[role=columnheader]')?.getAttribute('aria-sort')).toBe('descending');
    await user.click(screen.getByRole('button', { name: /^Amount/ }));
    expect(names()).toEqual(['Debts', 'Assets', 'Stores', 'Bank']);
    await user.click(screen.getByRole('button', { name: /^Amount/ }));
    expect(names().map((name) => name.replace(/^[▾▸]/, ''))).toEqual(['Assets', 'Bank', 'Stores', 'Debts']);
  });

  it('is made wider by Alt and an arrow on a heading', async () => {
    const user = userEvent.setup();
    render(<Table />);
    screen.getByRole('button', { name: 'Amount' }).focus();
    await user.keyboard('{Alt>}{ArrowRight}{/Alt}');
    // A heading has no width here, so that it is the least there is.
    expect(said).toEqual(['widths ,40']);
  });

  it('shows what is sought with what it stands in, and says how many there are', () => {
    render(<Table isSought={({ name }) => name === 'Stores'} countText={(shown, all) => `${shown} of ${all}`} />);
    expect(names().map((name) => name.replace(/^[▾▸]/, ''))).toContain('Stores');
    expect(names().map((name) => name.replace(/^[▾▸]/, ''))).not.toContain('Debts');
    expect(screen.getByText(/of 4/)).toBeTruthy();
  });
});
