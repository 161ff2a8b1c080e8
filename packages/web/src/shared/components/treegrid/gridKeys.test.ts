import { describe, expect, it } from 'vitest';
import { commandOf, type GridKeyFacts, parentPlace } from './gridKeys.ts';

const facts: GridKeyFacts = { place: 5, count: 50, column: null, columns: 4, edit: undefined, isShut: null, parent: null };
const plain = { ctrlKey: false, metaKey: false, altKey: false, shiftKey: false };
const on = (key: string, more: Partial<GridKeyFacts> = {}, held: Partial<typeof plain> = {}) => commandOf({ key, ...plain, ...held }, { ...facts, ...more });

describe('keys on a row', () => {
  it('walk rows, never beyond the first or last, and extend the block with shift', () => {
    expect(on('ArrowDown')).toEqual({ kind: 'to_row', place: 6, isExtending: false });
    expect(on('PageUp')).toEqual({ kind: 'to_row', place: 0, isExtending: false });
    expect(on('End', {}, { shiftKey: true })).toEqual({ kind: 'to_row', place: 49, isExtending: true });
  });

  it('shut and open what is nested, and lead into the cells', () => {
    expect([on('ArrowLeft', { isShut: false }), on('ArrowRight', { isShut: true })]).toEqual([{ kind: 'toggle' }, { kind: 'toggle' }]);
    expect([on('ArrowRight', { isShut: false }), on('ArrowRight'), on('ArrowLeft')]).toEqual([
      { kind: 'to_column', column: 0 },
      { kind: 'to_column', column: 0 },
      null,
    ]);
  });

  it('lead from what is nested, or shut, to the row that it is nested in, and nowhere to the right where there are no cells', () => {
    const to = { kind: 'to_row', place: 2, isExtending: false };
    expect([on('ArrowLeft', { parent: 2 }), on('ArrowLeft', { parent: 2, isShut: true })]).toEqual([to, to]);
    expect(on('ArrowLeft', { parent: 2, isShut: false })).toEqual({ kind: 'toggle' });
    expect([on('ArrowRight', { columns: 0 }), on('ArrowRight', { columns: 0, isShut: true })]).toEqual([null, { kind: 'toggle' }]);
    const depths = [0, 1, 2, 2, 1, 0];
    expect(depths.map((_, place) => parentPlace(place, (at) => depths[at] ?? 0))).toEqual([null, 0, 1, 1, 0, null]);
  });

  it('open the row; letters do nothing', () => {
    expect([on('Enter'), on('x'), on('a', {}, { ctrlKey: true })]).toEqual([{ kind: 'open' }, null, { kind: 'all' }]);
  });

  it('with Alt are the screen’s own', () => {
    expect([on('ArrowUp', {}, { altKey: true }), on('Enter', { column: 1 }, { altKey: true })]).toEqual([null, null]);
  });
});

describe('keys on a cell', () => {
  const cell = { column: 1, edit: {} };

  it('walk cells and back to the row', () => {
    expect([on('ArrowRight', { column: 3 }), on('ArrowLeft', { column: 0 }), on('Home', cell), on('End', cell), on('Escape', cell)]).toEqual(
      [3, null, 0, 3, null].map((column) => ({ kind: 'to_column', column })),
    );
    expect(on('Home', cell, { ctrlKey: true })).toEqual({ kind: 'to_row', place: 0, isExtending: false });
  });

  it('edit it: with what stands there, empty, or beginning with a letter', () => {
    expect([on('Enter', cell), on('F2', cell), on('Delete', cell), on('ä', cell)]).toEqual([null, null, '', 'ä'].map((text) => ({ kind: 'edit', text })));
    expect([on('c', { ...cell, edit: { choices: ['debit', 'credit'] } }), on('x', { ...cell, edit: { choices: ['debit', 'credit'] } })]).toEqual([
      { kind: 'edit', text: 'credit' },
      { kind: 'edit', text: null },
    ]);
  });

  it('fill down with Ctrl D, and leave other keys with Ctrl to whom they belong', () => {
    expect([on('d', cell, { ctrlKey: true }), on('z', cell, { ctrlKey: true }), on('c', cell, { metaKey: true })]).toEqual([{ kind: 'fill_down' }, null, null]);
  });

  it('on one that is not edited open the row', () => {
    expect([on('Enter', { column: 1 }), on('x', { column: 1 }), on('F2', { column: 1 })]).toEqual([{ kind: 'open' }, null, null]);
  });
});
