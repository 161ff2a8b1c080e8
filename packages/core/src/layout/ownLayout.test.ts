import { describe, expect, it } from 'vitest';
import { defaultLayoutOptions } from '../layout/options.ts';
import type { Category } from '../placement/category.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { climb } from '../statement/climb.ts';
import { account, category, statementsOf, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { beginLayout } from './beginLayout.ts';
import { expandLayout } from './expandLayout.ts';
import { leaveSide } from './leaveSide.ts';
import { newLine } from './newLine.ts';
import { calculating, composed, factsOf, free, grouping, numbers, remaining, summing, taking } from './ownLayout.fixture.ts';
import type { AccountsOwnLine, OwnLayout, OwnLine } from './ownLayout.ts';
import { keysInGroup } from './putLines.ts';

const tree: readonly Category[] = [
  category(1, 'asset', { term: 'non_current', name: 'Vessels' }),
  category(2, 'asset', { parentId: 1, name: 'At cost' }),
  category(3, 'asset', { parentId: 1, name: 'Depreciation so far', contraOf: 2 }),
  category(4, 'asset', { term: 'current', name: 'Cash' }),
  category(10, 'asset', { term: 'current', name: 'Stores' }),
  category(11, 'asset', { term: 'current', name: 'Receivables' }),
  category(5, 'liability', { term: 'current', name: 'Overdraft' }),
  category(6, 'equity', { name: 'Capital' }),
  category(7, 'income', { step: 'revenue', name: 'Revenue' }),
  category(8, 'expense', { step: 'cost_of_sales', name: 'Cost of sailing' }),
  category(9, 'expense', { step: 'income_tax', name: 'Income tax' }),
];
const company: TestCompany = {
  categories: tree,
  accounts: [
    account(1, 'asset'),
    account(2, 'asset'),
    account(3, 'asset'),
    account(4, 'equity'),
    account(5, 'income'),
    account(6, 'expense'),
    account(7, 'expense'),
    account(8, 'asset'),
    account(9, 'asset'),
  ],
  places: [
    { accountId: 1, side: 'any', categoryId: 2 },
    { accountId: 2, side: 'any', categoryId: 3 },
    { accountId: 3, side: 'debit', categoryId: 4 },
    { accountId: 3, side: 'credit', categoryId: 5 },
    { accountId: 4, side: 'any', categoryId: 6 },
    { accountId: 5, side: 'any', categoryId: 7 },
    { accountId: 6, side: 'any', categoryId: 8 },
    { accountId: 7, side: 'any', categoryId: 9 },
    { accountId: 8, side: 'any', categoryId: 10 },
    { accountId: 9, side: 'any', categoryId: 11 },
  ],
  retainedEarningsId: 4,
};
const figures = [1000n, -300n, 50n, -560n, -400n, 120n, 30n, 20n, 40n];
const begun = (kind: 'balance_sheet' | 'income_statement'): OwnLayout =>
  beginLayout(kind, { tree: buildCategoryTree(company.categories), options: defaultLayoutOptions, language: 'en' });
const told = (rows: ReturnType<ReturnType<typeof composed>['rows']>) => rows.map((row) => [row.role, row.caption, row.values[0]]);
const must = <Value>(outcome: { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly failure: unknown }): Value => {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
  return outcome.value;
};

describe('a line that stays while the layout changes around it', () => {
  const sales = taking('sales', [numbers('5')]);
  const both = taking('both', [numbers('5 to 6')]);
  const unknown = taking('unknown', [{ kind: 'account', accountId: 999 }]);
  const moved = (kind: OwnLayout['kind'], side: 'debit' | 'credit') => ({ ...free([grouping('around', side, [sales, both, unknown])]), kind });

  it('is the same object, and what it would be of a layout that nobody saw before', () => {
    const layouts = (['free', 'cash_flow'] as const).flatMap((kind) => (['credit', 'debit', 'credit'] as const).map((side) => moved(kind, side)));
    const facts = factsOf(company, layouts[0] as OwnLayout);
    const [first, again] = [0, 1].map(() => expandLayout(layouts[0] as OwnLayout, facts));
    expect(again?.byKey.get('sales')).toBe(first?.byKey.get('sales'));
    for (const layout of layouts) expect(expandLayout(layout, facts)).toEqual(expandLayout(structuredClone(layout), factsOf(company, layout)));
    // Its side is that of the group around, since it takes two elements.
    expect(layouts.slice(0, 3).map((layout) => expandLayout(layout, facts).byKey.get('both')?.side)).toEqual(['credit', 'debit', 'credit']);
    expect(expandLayout(layouts[0] as OwnLayout, facts).findings).toEqual([{ code: 'source_unknown', key: 'unknown', source: unknown.sources[0] }]);
  });
});

describe('the climb from a line', () => {
  it('passes totals in the order in which they are printed: a subtotal in a group before the total of the group', () => {
    const inner = [taking('sales', [numbers('5')]), summing('subtotal', { sales: 1 }), taking('costs', [numbers('6')])];
    const { compiled } = composed(company, free([grouping('operating', 'credit', inner), summing('change', { operating: 1 })]));
    expect(climb(compiled, 'sales').map((at) => compiled.lines[at]?.key)).toEqual(['sales', 'subtotal', 'operating', 'change']);
    expect(climb(compiled, 'costs').map((at) => compiled.lines[at]?.key)).toEqual(['costs', 'operating', 'change']);
  });
});

describe('the result on a profit line and a loss line', () => {
  const twofold = (retainedEarningsId: number | null) => {
    const at = begun('balance_sheet');
    const lines = [
      { ...newLine('result', 'gained', 'Profit of the year'), only: 'profit' as const },
      { ...newLine('result', 'lost', 'Loss of the year'), only: 'loss' as const },
    ];
    const own = { ...company, retainedEarningsId };
    const inserted = must(composed(own, at).edit({ kind: 'insert', lines, spot: { within: 'equity', after: 'result' } }));
    return composed(own, must(composed(own, inserted).edit({ kind: 'remove', keys: ['result'] })));
  };
  // The same books with the sign of income and expense turned: 250 of profit, 250 of loss.
  const loss = figures.map((net, at) => (at === 4 ? 100n : at === 8 ? -460n : net));

  it('shows on the one that it is, and the balance sheet comes to the same', () => {
    const { rows } = twofold(4);
    const result = (net: readonly bigint[]) => rows([net]).flatMap(({ caption, values }) => (/of the year$/.test(caption) ? [[caption, values[0]]] : []));
    expect(result(figures)).toEqual([['Profit of the year', 250n]]);
    expect(result(loss)).toEqual([['Loss of the year', -250n]]);
    const totals = (made: ReturnType<typeof composed>, net: readonly bigint[]) =>
      made.rows([net]).flatMap(({ role, values }) => (role === 'total' || role === 'final' ? [values[0]] : []));
    for (const net of [figures, loss]) expect(totals(twofold(4), net)).toEqual(totals(composed(company, begun('balance_sheet')), net));
  });

  it('brings what earlier years left once, where no account is named for it', () => {
    const earlier = twofold(null).compiled.lines.filter((line) => line.kind === 'result' && line.of === 'earlier_years');
    expect(earlier.map(({ key }) => key)).toEqual(['gained.earlier']);
    expect(twofold(null).expanded.findings).toEqual([]);
  });
});

describe('a layout begun from a generated one', () => {
  it('is the generated one, row by row', () => {
    const generated = statementsOf(company);
    for (const kind of ['balance_sheet', 'income_statement'] as const)
      expect(told(composed(company, begun(kind)).rows([figures]))).toEqual(told(generated.rows(kind, [figures], { rungs: 9 })));
  });

  it('goes on following: a category added, moved and filled later stands in it', () => {
    const later = {
      ...company,
      categories: [
        ...company.categories.map((one) => (one.id === 10 ? { ...one, position: 99 } : one)),
        category(20, 'asset', { parentId: 4, name: 'On board' }),
      ],
      places: company.places.map((place) => (place.accountId === 3 && place.side === 'debit' ? { ...place, categoryId: 20 } : place)),
    };
    const captions = composed(later, begun('balance_sheet'))
      .rows([figures])
      .map((row) => row.caption);
    expect(captions.slice(captions.indexOf('Current assets'), captions.indexOf('Total current assets'))).toEqual([
      'Current assets',
      'Cash',
      'On board',
      'Total cash',
      'Receivables',
      'Stores',
    ]);
  });
});

describe('adjustments of lines that follow', () => {
  const at = (layout: OwnLayout, change: Parameters<ReturnType<typeof composed>['edit']>[0]): OwnLayout => must(composed(company, layout).edit(change));
  const current = (layout: OwnLayout, of = company) =>
    composed(of, layout)
      .rows([figures])
      .filter(({ depth, role }) => depth === 2 && role !== 'heading')
      .map(({ caption, values }) => [caption, values[0]]);

  it('rename, reorder and hide, and can be dropped to follow again', () => {
    let layout = at(begun('balance_sheet'), { kind: 'adjust', key: 'category.11', changes: { caption: 'Trade receivables' } });
    layout = at(layout, { kind: 'move', keys: ['category.11'], spot: { within: 'current_asset', after: null } });
    expect(current(layout).slice(1, 4)).toEqual([
      ['Trade receivables', 40n],
      ['Cash', 50n],
      ['Stores', 20n],
    ]);
    layout = at(layout, { kind: 'adjust', key: 'category.10', changes: { hiddenIn: 'category.4' } });
    expect(current(layout).slice(1, 3)).toEqual([
      ['Trade receivables', 40n],
      ['Cash', 70n],
    ]);
    layout = at(layout, { kind: 'follow_again', key: 'category.10' });
    layout = at(layout, { kind: 'follow_again', key: 'category.11' });
    expect(current(layout)).toEqual(current(begun('balance_sheet')));
    expect(layout).toEqual(begun('balance_sheet'));
  });

  it('moved back to where the tree has it, a line has no adjustment any more', () => {
    const moved = at(begun('balance_sheet'), { kind: 'move', keys: ['category.4'], spot: { within: 'current_asset', after: 'category.11' } });
    expect(composed(company, moved).expanded.origins.get('category.4')).toMatchObject({ adjustment: { after: 'category.11' } });
    const back = at(moved, { kind: 'move', keys: ['category.4'], spot: { within: 'current_asset', after: null } });
    expect(back).toEqual(begun('balance_sheet'));
  });

  it('of a category that has gone are idle, are named, and can be dropped', () => {
    let layout = at(begun('balance_sheet'), { kind: 'adjust', key: 'category.10', changes: { caption: 'Fuel' } });
    layout = at(layout, { kind: 'insert', lines: [taking('till', [numbers('1099')])], spot: { within: 'current_asset', after: 'category.10' } });
    const without = { ...company, categories: tree.filter(({ id }) => id !== 10), places: company.places.filter(({ categoryId }) => categoryId !== 10) };
    const later = composed(without, layout);
    expect(later.expanded.findings).toEqual([
      { code: 'adjustment_idle', key: 'current_asset', adjusted: 'category.10', caption: 'till', of: 'place' },
      { code: 'adjustment_idle', key: 'current_asset', adjusted: 'category.10', caption: 'Fuel', of: 'line' },
    ]);
    expect(keysInGroup(later.expanded, 'current_asset')).toEqual(['category.4', 'category.11', 'till']);
    const dropped = must(later.edit({ kind: 'drop_idle', follows: 'current_asset', adjusted: 'category.10' }));
    const after = composed(without, dropped);
    expect([after.expanded.findings, keysInGroup(after.expanded, 'current_asset')]).toEqual([[], ['category.4', 'category.11', 'till']]);
  });

  it('leave a category to a line of the author, which takes its numbers with a side rule', () => {
    let layout = at(begun('balance_sheet'), { kind: 'remove', keys: ['category.4'] });
    expect(composed(company, layout).coverage(figures).faults).toMatchObject([{ account: 2, state: 'half_placed', net: 50n, lines: ['category.5'] }]);
    layout = at(layout, { kind: 'insert', lines: [taking('cash', [numbers('1003')], { takes: 'debit' })], spot: { within: 'current_asset', after: null } });
    const { rows, coverage } = composed(company, layout);
    expect(coverage(figures)).toMatchObject({ inScope: 6, faults: [], atStake: 0n });
    expect(told(rows([figures]))).toContainEqual(['line', 'cash', 50n]);
    expect(told(rows([figures.map((net, account) => (account === 2 ? -30n : net))]))).toContainEqual(['line', 'Overdraft', 30n]);
  });
});

describe('lines of accounts', () => {
  const two = { ...company, places: [] };

  it('take categories, numbers, codes and accounts, less exceptions, each portion once', () => {
    const codes = new Map([
      [5, { 'report:1': 'R10' }],
      [6, { 'report:1': 'R20' }],
    ]);
    const layout = free([
      taking('by_numbers', [numbers('1001 to 1003'), numbers('1001')], { except: [{ kind: 'account', accountId: 2 }] }),
      taking('by_code', [{ kind: 'code', list: 'report:1', code: 'r', begins: true }]),
      taking('by_category', [{ kind: 'category', categoryId: 1 }]),
    ]);
    const facts = { ...composed(company, layout).facts };
    const accounts = facts.accounts.map((one) => ({ ...one, codes: codes.get(one.id) ?? {} }));
    const { run } = composed(company, layout, { ...facts, accounts });
    expect([...run(figures).amounts]).toEqual([1050n, -280n, 700n]);
  });

  it('say which source is not there', () => {
    const layout = free([
      taking('a', [{ kind: 'category', categoryId: 77 }, numbers('to')]),
      taking('b', [{ kind: 'code', list: 'report:9', code: 'X', begins: false }], { except: [{ kind: 'account', accountId: 99 }] }),
    ]);
    expect(composed(two, layout).expanded.findings.map(({ key, code }) => [key, code])).toEqual([
      ['a', 'source_unknown'],
      ['a', 'source_unknown'],
      ['b', 'source_unknown'],
      ['b', 'source_unknown'],
    ]);
  });

  it('that take an account twice double it, with the amount that is counted again and both lines', () => {
    const layout = free([taking('a', [numbers('1001 to 1002')]), taking('b', [numbers('1002 to 1003')])], { scope: ['asset'] });
    expect(composed(two, layout).coverage(figures)).toMatchObject({
      inScope: 5,
      faults: [
        { account: 1, state: 'doubled', net: -300n, lines: ['a', 'b'] },
        { account: 7, state: 'unplaced', net: 20n, lines: [] },
        { account: 8, state: 'unplaced', net: 40n, lines: [] },
      ],
      atStake: 360n,
      netEffect: 360n,
    });
  });

  it('for one side of a movement hold what they have at the end less what they had at the start', () => {
    const layout = free([taking('cash', [numbers('1003')], { takes: 'debit' }), taking('overdraft', [numbers('1003')], { takes: 'credit' })], {
      measure: 'movement',
    });
    const opening = BigInt64Array.from([0n, 0n, 50n, 0n, 0n, 0n, 0n, 0n, 0n]);
    const moved = figures.map((_, account) => (account === 2 ? -80n : 0n));
    const { run } = composed(two, layout);
    // From a balance of 50 to an overdraft of 30.
    expect([...run(moved, { sides: { opening, resets: new Uint8Array(9), creditNormal: new Uint8Array(9) } }).amounts]).toEqual([-50n, -30n]);
  });

  it('the remainder takes what no other line does, is named, and leaves memo lines out of it', () => {
    const layout = free([taking('a', [numbers('1001')]), { ...taking('memo', [numbers('1008')]), kind: 'memo' }, remaining('rest')], { scope: ['asset'] });
    const { run, coverage } = composed(two, layout);
    expect([...run(figures).amounts]).toEqual([1000n, 20n, -190n]);
    expect(coverage(figures).byRemainder.map(({ account, line }) => [account, line])).toEqual([
      [1, 'rest'],
      [2, 'rest'],
      [7, 'rest'],
      [8, 'rest'],
    ]);
    expect(coverage(figures)).toMatchObject({ inScope: 5, faults: [] });
  });
});

describe('calculations and sums', () => {
  const layout = free([
    grouping('assets', 'debit', [
      taking('vessels', [numbers('1001 to 1002')]),
      taking('cash', [numbers('1003')]),
      { ...taking('of_which', [numbers('1001')]), kind: 'memo' },
    ]),
    taking('capital', [numbers('1004')]),
    summing('difference', { assets: 1, capital: -1 }),
    calculating('ratio', 'capital / assets', 'percent'),
    calculating('turns', 'assets / (cash - 0.5)', 'ratio'),
    calculating('third', 'assets / 3'),
    calculating('thrice', 'third * 3'),
    calculating('per_day', 'capital / assets * days', 'days'),
  ]);

  it('use amounts on the sides of lines, round once, and leave memo lines out of groups', () => {
    const rows = composed(company, layout).rows([figures], { zeroLines: true });
    const value = (key: string) => rows.findLast((row) => row.key === key)?.values[0];
    expect(['assets', 'difference', 'ratio', 'third', 'thrice', 'per_day'].map(value)).toEqual([750n, 190n, 747n, 250n, 750n, 204n]);
  });

  it('have a dash with its reason where they divide by zero, and what needs them says so', () => {
    const more = free([...layout.lines, calculating('needs', 'turns + 1', 'ratio'), summing('adds', { third: 1, turns: 1 })]);
    const rows = composed(company, more).rows([figures]);
    const of = (key: string) => rows.find((row) => row.key === key);
    expect([of('turns')?.values, of('turns')?.faults]).toEqual([[null], [{ code: 'divided_by_zero', at: 9, length: 12 }]]);
    expect(of('needs')?.faults).toMatchObject([{ code: 'operand_missing', key: 'turns' }]);
    expect(of('adds')?.faults).toMatchObject([{ code: 'operand_missing', key: 'turns' }]);
    expect(of('third')?.values).toEqual([250n]);
  });

  it('that need each other name the circle, and the rest still computes', () => {
    const circle = free([...layout.lines, calculating('x', 'y + 1'), calculating('y', '2 * x')]);
    const { rows, compiled } = composed(company, circle);
    expect(compiled.cycles).toEqual([['x', 'y']]);
    const shown = rows([figures]);
    expect(shown.find(({ key }) => key === 'x')?.faults).toEqual([{ code: 'formula_cycle', path: ['x', 'y'] }]);
    expect(shown.find(({ key }) => key === 'third')?.values).toEqual([250n]);
  });

  it('cannot lose a line that they use, and follow a renamed key', () => {
    const { edit } = composed(company, layout);
    expect(edit({ kind: 'remove', keys: ['capital'] })).toEqual({
      ok: false,
      failure: { code: 'line_in_use', line: 'capital', by: ['difference', 'ratio', 'per_day'] },
    });
    const renamed = must(edit({ kind: 'rename_key', key: 'capital', to: 'own_funds' }));
    expect(renamed.lines.flatMap((line) => (line.kind === 'calculation' ? [line.formula] : [])).slice(0, 1)).toEqual(['own_funds / assets']);
    expect(composed(company, renamed).expanded.findings).toEqual([]);
  });
});

describe('one side of an account', () => {
  const two = { ...company, places: [] };
  const bank = { kind: 'account', accountId: 2 } as const;
  const layout = free(
    [taking('held', [numbers('1001 to 1003')]), taking('owed', [numbers('1005')], { takes: 'credit' }), taking('lent', [], { takes: 'debit' })],
    {
      scope: ['asset'],
    },
  );
  const accountsOf = (own: OwnLayout): AccountsOwnLine[] => own.lines.flatMap((line) => (line.kind === 'accounts' ? [line] : []));
  const [held, owed, lent] = accountsOf(layout) as [AccountsOwnLine, AccountsOwnLine, AccountsOwnLine];

  it('is left to another line while its balance is there, and comes back with it', () => {
    const left = leaveSide(held, owed, 2, 'credit');
    const after = { ...layout, lines: [left?.from as OwnLine, left?.to as OwnLine, lent] };
    const made = composed(two, after);
    expect(made.coverage(figures).faults.filter(({ account }) => account === 1)).toEqual([]);
    const nets = (balance: bigint) => [...made.run(figures.map((net, at) => (at === 1 ? balance : at === 4 ? 0n : net))).amounts].slice(0, 2);
    const others = (figures[0] as bigint) + (figures[2] as bigint);
    expect(nets(300n)).toEqual([others + 300n, 0n]);
    // The line of credits is of the credit side: shown positive where something is owed.
    expect(nets(-80n).map((amount) => (amount < 0n ? -amount : amount))).toEqual([others, 80n]);
  });

  it('that goes there and comes back leaves both lines as they were', () => {
    const there = leaveSide(held, owed, 2, 'credit') as NonNullable<ReturnType<typeof leaveSide>>;
    const back = leaveSide(there.to, there.from, 2, 'credit');
    expect([back?.to, back?.from]).toEqual([held, owed]);
  });

  it('does not go to a line that takes the other side alone', () => {
    expect(leaveSide(held, lent, 2, 'credit')).toBeNull();
    expect(leaveSide(held, lent, 2, 'debit')).not.toBeNull();
  });

  it('that no line takes is told by its name', () => {
    const without = { ...layout, lines: [{ ...held, except: [{ ...bank, side: 'credit' as const }] }, owed] };
    expect(
      composed(two, without)
        .coverage(figures)
        .faults.find(({ account }) => account === 1),
    ).toMatchObject({ state: 'half_placed', missingSide: 'credit' });
  });
});

describe('a report code that its list does not have', () => {
  const two = { ...company, places: [] };
  it('is told, whatever its case, and takes nothing', () => {
    const code = (named: string, begins: boolean) => ({ kind: 'code', list: 'report:1', code: named, begins }) as const;
    const layout = free([taking('a', [code('r10', false), code('r', true)]), taking('b', [code('R1', false), code('Q', true)])]);
    expect(composed(two, layout).expanded.findings).toEqual([
      { code: 'listed_code_unknown', key: 'b', list: 'report:1', named: 'R1' },
      { code: 'listed_code_unknown', key: 'b', list: 'report:1', named: 'Q*' },
    ]);
  });
});
