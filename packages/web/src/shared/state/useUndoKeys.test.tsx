// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { useUndoKeys } from './useUndoKeys.ts';

afterEach(cleanup);
let said: string[] = [];
beforeEach(() => {
  said = [];
});
const undo = () => void said.push('undo');
const redo = () => void said.push('redo');

function Screen() {
  useUndoKeys(undo, redo);
  return (
    <>
      <button type="button">Row</button>
      <input aria-label="Typed in" />
      <input aria-label="As it began" data-untouched />
      <input type="checkbox" aria-label="Chosen" />
    </>
  );
}

describe('the keys of undo', () => {
  it('take back with Ctrl Z, and bring again with Ctrl Y or Ctrl Shift Z', async () => {
    const user = userEvent.setup();
    render(<Screen />);
    screen.getByRole('button').focus();
    await user.keyboard('{Control>}z{/Control}{Control>}y{/Control}{Control>}{Shift>}Z{/Shift}{/Control}{Meta>}z{/Meta}z');
    expect(said).toEqual(['undo', 'redo', 'redo', 'undo']);
  });

  it('are those of the field where something is typed, and of the screen in one that holds what it began with, or a mark', async () => {
    const user = userEvent.setup();
    render(<Screen />);
    screen.getByLabelText('Typed in').focus();
    await user.keyboard('{Control>}z{/Control}');
    expect(said).toEqual([]);
    screen.getByLabelText('As it began').focus();
    await user.keyboard('{Control>}z{/Control}');
    screen.getByLabelText('Chosen').focus();
    await user.keyboard('{Control>}z{/Control}');
    expect(said).toEqual(['undo', 'undo']);
  });

  it('are nobody’s once the screen is left', async () => {
    const user = userEvent.setup();
    render(<Screen />).unmount();
    await user.keyboard('{Control>}z{/Control}');
    expect(said).toEqual([]);
  });
});
