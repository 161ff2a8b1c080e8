import { describe, expect, it } from 'vitest';
import { account, type TestCompany } from '../statement/statementsOf.fixture.ts';
import type { LayoutEdit } from './editLayout.ts';
import { newLine } from './newLine.ts';
import { composed, free, numbers, taking } from './ownLayout.fixture.ts';
import type { OwnLayout } from './ownLayout.ts';

/** Accounts 1001 and 1002 are assets, 1003 is a liability. */
const company: TestCompany = { categories: [], places: [], accounts: [account(1, 'asset'), account(2, 'asset'), account(3, 'liability')] };
const figures = [70n, 30n, -40n];
const after = (layout: OwnLayout, ...edits: readonly LayoutEdit[]): OwnLayout =>
  edits.reduce((now, edit) => {
    const edited = composed(company, now).edit(edit);
    if (!edited.ok) throw new Error(edited.failure.code);
    return edited.value;
  }, layout);
const add = (within: string | null, ...lines: readonly Parameters<typeof free>[0][number][]): LayoutEdit => ({
  kind: 'insert',
  lines,
  spot: { within, after: null },
});
const begun = after(free([]), add(null, newLine('group', 'assets', 'Assets')), add('assets', newLine('group', 'current', 'Current')));
const totalOf = (layout: OwnLayout, key: string) =>
  composed(company, layout)
    .rows([figures])
    .find((row) => row.lineKey === key && row.values[0] !== null && row.parts.length > 0)?.values[0];
const sideOf = (layout: OwnLayout, key: string) => {
  const { origins } = composed(company, layout).expanded;
  const origin = origins.get(key);
  return origin?.kind === 'own' && 'side' in origin.line ? origin.line.side : undefined;
};

describe('the side of a group that takes its first accounts', () => {
  it('is debit for assets, in the groups around it too, so that no total of them is negative', () => {
    const filled = after(begun, add('current', taking('cash', [numbers('1001')]), taking('stores', [numbers('1002')])));
    expect([sideOf(filled, 'current'), sideOf(filled, 'assets'), totalOf(filled, 'assets')]).toEqual(['debit', 'debit', 100n]);
  });

  it('is that of accounts which come to a line that stood there with none', () => {
    const empty = after(begun, add('current', taking('cash', [])));
    expect(sideOf(empty, 'current')).toBeNull();
    const filled = after(empty, { kind: 'change', line: taking('cash', [numbers('1001')]) });
    expect(sideOf(filled, 'current')).toBe('debit');
  });

  it('stays unsaid for liabilities, for both, where the author says it, where accounts were there, and in an income statement', () => {
    expect(sideOf(after(begun, add('current', taking('debts', [numbers('1003')]))), 'current')).toBeNull();
    expect(sideOf(after(begun, add('current', taking('debts', [numbers('1003')]), taking('cash', [numbers('1001')]))), 'current')).toBeNull();
    const said = after(free([]), add(null, { ...newLine('group', 'assets', 'Assets'), side: 'credit' }), add('assets', taking('cash', [numbers('1001')])));
    expect(sideOf(said, 'assets')).toBe('credit');
    const mixed = after(begun, add('current', taking('debts', [numbers('1003')])), add('current', taking('cash', [numbers('1001')])), {
      kind: 'remove',
      keys: ['debts'],
    });
    expect(sideOf(mixed, 'current')).toBeNull();
    const pasted = after(free([]), add(null, { ...newLine('group', 'assets', 'Assets'), children: [taking('cash', [numbers('1001')])] }));
    expect(sideOf(pasted, 'assets')).toBeNull();
    const ofIncome = after({ ...begun, kind: 'income_statement' }, add('current', taking('cash', [numbers('1001')])));
    expect(sideOf(ofIncome, 'current')).toBeNull();
  });
});
