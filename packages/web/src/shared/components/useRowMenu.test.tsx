// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type RowChoice, useRowMenu } from './useRowMenu.tsx';

afterEach(cleanup);
let said: string[] = [];
beforeEach(() => {
  said = [];
});

function Row({ choices }: { choices: readonly RowChoice[] }) {
  const menu = useRowMenu();
  return (
    <>
      <button type="button" onContextMenu={(event) => menu.open(event, choices)}>
        1000 Bank
      </button>
      {menu.drawn}
    </>
  );
}

const choices = (): readonly RowChoice[] => [
  { label: 'Open', keys: 'Enter', onChoose: () => said.push('open') },
  { label: 'Delete', disabled: true, onChoose: () => said.push('delete') },
];

describe('the menu of a row', () => {
  it('names what can be done with its keys, does it, and is gone', async () => {
    const user = userEvent.setup();
    render(<Row choices={choices()} />);
    expect(fireEvent.contextMenu(screen.getByRole('button', { name: '1000 Bank' }), { clientX: 40, clientY: 60 })).toBe(false);
    expect(screen.getAllByRole('menuitem').map(({ textContent }) => textContent)).toEqual(['OpenEnter', 'Delete']);
    expect(screen.getByRole('menuitem', { name: 'Delete' }).getAttribute('aria-disabled')).toBe('true');
    await user.keyboard('{Enter}');
    expect(said).toEqual(['open']);
    await expect.poll(() => screen.queryByRole('menu')).toBeNull();
  });

  it('is left with Escape, and nothing is done', async () => {
    const user = userEvent.setup();
    render(<Row choices={choices()} />);
    fireEvent.contextMenu(screen.getByRole('button', { name: '1000 Bank' }));
    await user.keyboard('{Escape}');
    await expect.poll(() => screen.queryByRole('menu')).toBeNull();
    expect(said).toEqual([]);
  });

  it('is the browser’s own where nothing can be done', () => {
    render(<Row choices={[]} />);
    expect(fireEvent.contextMenu(screen.getByRole('button'))).toBe(true);
    expect(screen.queryByRole('menu')).toBeNull();
  });
});
