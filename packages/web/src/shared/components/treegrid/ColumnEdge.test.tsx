// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ColumnEdge } from './ColumnEdge.tsx';

let widths: number[] = [];
const measured = Element.prototype.getBoundingClientRect;
beforeEach(() => {
  widths = [];
  Element.prototype.getBoundingClientRect = function rect() {
    return { width: this.tagName === 'TH' ? 100 : 9 } as DOMRect;
  };
  HTMLElement.prototype.setPointerCapture = () => undefined;
});
afterEach(() => {
  cleanup();
  Element.prototype.getBoundingClientRect = measured;
});

function Heading({ reachedAs }: { reachedAs?: string }) {
  return (
    <table>
      <thead>
        <tr>
          <th>
            Text <ColumnEdge onWidth={(pixels) => widths.push(pixels)} {...(reachedAs === undefined ? {} : { reachedAs })} />
          </th>
        </tr>
      </thead>
    </table>
  );
}

describe('the edge of a column', () => {
  it('is moved by arrows from where the column is, named for what it is the edge of', async () => {
    const user = userEvent.setup();
    render(<Heading reachedAs="Text" />);
    screen.getByRole('slider', { name: 'Width of Text' }).focus();
    await user.keyboard('{ArrowRight}{ArrowLeft}{ArrowUp}x');
    expect(widths).toEqual([108, 92]);
  });

  it('follows the pointer from where it was taken, and no further once it is let go', () => {
    render(<Heading reachedAs="Text" />);
    const edge = screen.getByRole('slider');
    fireEvent.pointerMove(edge, { clientX: 500 });
    fireEvent.pointerDown(edge, { clientX: 300, pointerId: 1 });
    fireEvent.pointerMove(edge, { clientX: 340 });
    fireEvent.pointerMove(edge, { clientX: 280 });
    fireEvent.pointerUp(edge);
    fireEvent.pointerMove(edge, { clientX: 900 });
    expect(widths).toEqual([140, 80]);
  });

  it('is no stop of the keyboard where its heading has keys for it', () => {
    render(<Heading />);
    expect(screen.queryByRole('slider')).toBeNull();
  });
});
