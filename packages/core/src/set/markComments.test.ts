import { describe, expect, it } from 'vitest';
import type { RowRole } from '../statement/statement.ts';
import { markComments } from './markComments.ts';

const row = (lineKey: string, role: RowRole = 'line', accountId: number | null = null) => ({ lineKey, role, accountId, caption: `${lineKey} ${role}` });
const rows = [row('assets', 'heading'), row('cash'), row('cash', 'account', 7), row('assets', 'total'), row('net', 'final')];
const on = (...keys: string[]) => keys.map((lineKey) => ({ lineKey, text: `on ${lineKey}` }));

describe('comments under a statement', () => {
  it('have letters in the order of their lines, each at the row with the figures of its line', () => {
    expect(markComments(rows, on('net', 'assets', 'cash')).marked.map(({ mark, caption }) => [mark, caption])).toEqual([
      ['a', 'cash line'],
      ['b', 'assets total'],
      ['c', 'net final'],
    ]);
  });

  it('on lines that are not shown are told apart, and take no letter', () => {
    const { marked, unseen } = markComments(rows, on('hidden', 'net'));
    expect([marked.map(({ mark }) => mark), unseen]).toEqual([['a'], on('hidden')]);
  });

  it('go on behind z', () => {
    const many = Array.from({ length: 54 }, (_, at) => row(`line_${at}`));
    const marks = markComments(many, on(...many.map(({ lineKey }) => lineKey))).marked.map(({ mark }) => mark);
    expect([marks[25], marks[26], marks[51], marks[52], new Set(marks).size]).toEqual(['z', 'aa', 'az', 'ba', 54]);
  });
});
