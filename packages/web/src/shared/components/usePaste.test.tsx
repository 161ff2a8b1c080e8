// @vitest-environment jsdom
import { cleanup, createEvent, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { usePaste } from './usePaste.ts';

afterEach(cleanup);
let said: string[] = [];
beforeEach(() => {
  said = [];
});

function Screen({ isOn = true, takes = true }: { isOn?: boolean; takes?: boolean }) {
  usePaste(isOn, (text) => {
    said.push(text);
    return takes;
  });
  return (
    <>
      <button type="button">Row</button>
      <input aria-label="Field" />
    </>
  );
}

/** Whether the screen took it, so that nothing else becomes of it. */
function paste(into: HTMLElement, text: string): boolean {
  const event = createEvent.paste(into, { clipboardData: { getData: () => text } });
  fireEvent(into, event);
  return event.defaultPrevented;
}

describe('what is pasted on a screen', () => {
  it('is taken wherever the focus is, but for a field, whose it is', () => {
    render(<Screen />);
    expect([paste(screen.getByRole('button'), '1000\t5'), paste(document.body, 'block'), paste(screen.getByLabelText('Field'), 'mine')]).toEqual([
      true,
      true,
      false,
    ]);
    expect(said).toEqual(['1000\t5', 'block']);
  });

  it('goes on to whoever else wants it where the screen does not', () => {
    render(<Screen takes={false} />);
    expect(paste(document.body, 'words')).toBe(false);
    expect(said).toEqual(['words']);
  });

  it('is not heard where nothing may be pasted, nor after the screen was left', () => {
    const { rerender, unmount } = render(<Screen isOn={false} />);
    paste(document.body, 'one');
    rerender(<Screen />);
    paste(document.body, 'two');
    unmount();
    paste(document.body, 'three');
    expect(said).toEqual(['two']);
  });
});
