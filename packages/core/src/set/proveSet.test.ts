import { describe, expect, it } from 'vitest';
import { proveBothSides, proveEquityChanges, proveSame, proveSetCoverage, type SetFigure, type SetTie, type Unprovable } from './proveSet.ts';

const tie = (names: readonly SetFigure['name'][], nets: readonly bigint[], unprovable: Unprovable | null = null): SetTie => ({
  part: 'sheet',
  day: '2026-09-30',
  figures: nets.map((net, at) => ({ name: names[at] as SetFigure['name'], part: 'sheet', net })),
  unprovable,
});
const sides = (debit: bigint, credit: bigint, unprovable: Unprovable | null = null) => tie(['debit_side', 'credit_side'], [debit, credit], unprovable);
const cash = (...nets: bigint[]) => tie(['change_by_lines', 'cash_moved', 'cash_in_balance_sheet'], nets);

describe('what the statements of a set prove together', () => {
  it('holds where both sides add up to nothing in every column, and says by how much the first does not', () => {
    expect(proveBothSides([sides(100n, -100n), sides(70n, -70n)])).toMatchObject({ name: 'balances', state: 'holds', difference: 0n });
    expect(proveBothSides([sides(100n, -100n), sides(70n, -60n), sides(5n, 0n)])).toMatchObject({ state: 'fails', difference: 10n });
  });

  it('holds where every figure is the same as the first', () => {
    expect(proveSame('cash', [cash(7n, 7n, 7n)])).toMatchObject({ state: 'holds' });
    expect(proveSame('cash', [cash(7n, 7n, 4n)])).toMatchObject({ state: 'fails', difference: -3n });
  });

  it('claims nothing of a budget or a part of the ledger, and nothing at all where there is nothing else', () => {
    expect(proveBothSides([sides(100n, -100n), sides(9n, 0n, 'facets')])).toMatchObject({ state: 'holds', difference: 0n });
    expect(proveBothSides([sides(9n, 0n, 'budget')])).toMatchObject({ state: 'not_provable', difference: 0n });
    expect(proveSame('profit', [])).toMatchObject({ state: 'not_provable' });
  });

  it('leads from equity to equity, and adds columns up to all of it', () => {
    const change = { part: 'equity', sheet: 'sheet', day: '2026-09-30', unprovable: null, opening: -100n, changes: -20n, closing: -120n, byColumns: -20n };
    const held = proveEquityChanges([change]);
    expect([held.state, held.ties[0]?.figures.map(({ name, part }) => [name, part])]).toEqual([
      'holds',
      [
        ['equity_opening', 'sheet'],
        ['equity_changes', 'equity'],
        ['equity_closing', 'sheet'],
        ['equity_by_columns', 'equity'],
      ],
    ]);
    expect(proveEquityChanges([{ ...change, closing: -121n }])).toMatchObject({ state: 'fails', difference: 1n });
    expect(proveEquityChanges([{ ...change, byColumns: -15n }])).toMatchObject({ state: 'fails', difference: 5n });
    expect(proveEquityChanges([{ ...change, byColumns: null }]).ties[0]?.figures).toHaveLength(3);
  });

  it('names accounts that do not stand once, and the size of what they hold', () => {
    const accounts = [
      { account: 3, reason: 'unplaced', net: -40n },
      { account: 4, reason: 'doubled', net: 15n },
    ];
    expect(proveSetCoverage([{ part: 'sheet', accounts: [] }])).toMatchObject({ state: 'holds', faults: [] });
    expect(
      proveSetCoverage([
        { part: 'sheet', accounts: [] },
        { part: 'income', accounts },
      ]),
    ).toMatchObject({ state: 'to_look_at', difference: 55n, faults: [{ part: 'income' }] });
  });
});
