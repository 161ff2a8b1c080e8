import { newLine, type OwnLayout, type OwnLine } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { type LayoutSent, receivedLayout, sentLayout } from './layoutSent.ts';

const cash = newLine('accounts', 'cash', 'Cash');
const stock = newLine('accounts', 'stock', 'Stock');
const assets = { ...newLine('group', 'assets', 'Assets'), children: [cash, stock] } as OwnLine;
const total = newLine('sum', 'total', 'Total');
const layout = { kind: 'free', title: 'One', titles: [], lines: [assets, total] } as unknown as OwnLayout;

/** As a worker gets it. */
const over = (sent: LayoutSent): LayoutSent => structuredClone(sent);

describe('a layout on its way to a worker', () => {
  it('goes whole where none was sent before', () => {
    expect(receivedLayout(over(sentLayout(layout, null)), null)).toEqual(layout);
  });

  it('copies the line that changed and the groups around it alone', () => {
    const there = receivedLayout(over(sentLayout(layout, null)), null);
    const changed: OwnLayout = { ...layout, title: 'Two', lines: [{ ...assets, children: [cash, { ...stock, caption: 'Goods' }] } as OwnLine, total] };
    const sent = sentLayout(changed, layout);
    expect(sent.lines[1]).toBe('total');
    const after = receivedLayout(over(sent), there);
    expect(after).toEqual(changed);
    expect(after.lines[1]).toBe(there.lines[1]);
    const [before, now] = [there, after].map(({ lines }) => (lines[0] as Extract<OwnLine, { kind: 'group' }>).children);
    expect(now?.[0]).toBe(before?.[0]);
    expect(now?.[1]).not.toBe(before?.[1]);
  });

  it('finds what moved into another group, and what came back', () => {
    const there = receivedLayout(over(sentLayout(layout, null)), null);
    const moved: OwnLayout = { ...layout, lines: [stock, { ...assets, children: [cash] } as OwnLine, total] };
    const after = receivedLayout(over(sentLayout(moved, layout)), there);
    expect(after).toEqual(moved);
    expect(receivedLayout(over(sentLayout(layout, moved)), after)).toEqual(layout);
  });

  it('is a bug where it names what was not sent', () => {
    expect(() => receivedLayout(sentLayout(layout, layout), null)).toThrow('no line assets was sent before');
  });
});
