import { describe, expect, it } from 'vitest';
import { account, category, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { beginCashFlow } from './beginCashFlow.ts';
import { expandLayout } from './expandLayout.ts';
import { defaultLayoutOptions } from './options.ts';
import { composed, factsOf } from './ownLayout.fixture.ts';
import { mapOwn, type OwnLayout, walkOwn } from './ownLayout.ts';
import { takeOutWithoutCash } from './takeOutWithoutCash.ts';

const company: TestCompany = {
  categories: [category(1, 'asset'), category(2, 'income')],
  accounts: [account(1, 'asset'), account(2, 'income')],
  places: [
    { accountId: 1, side: 'any', categoryId: 1 },
    { accountId: 2, side: 'any', categoryId: 2 },
  ],
};

/** A cash flow as they were composed before there was a choice. */
function composedBefore(): OwnLayout {
  const { withoutCash: _, ...begun } = beginCashFlow(defaultLayoutOptions.cashFlow, 'en');
  return mapOwn(begun, (line) => {
    if (line.kind !== 'result') return line;
    const { freedOn: __, ...rest } = line;
    return rest;
  });
}

function edited(layout: OwnLayout): OwnLayout {
  const edits = takeOutWithoutCash(layout, expandLayout(layout, factsOf(company, layout)), 'en');
  return edits.reduce((at, edit) => {
    const outcome = composed(company, at).edit(edit);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    return outcome.value;
  }, layout);
}

const keysOf = (layout: OwnLayout): string[] => {
  const keys: string[] = [];
  walkOwn(layout.lines, ({ key }) => void keys.push(key));
  return keys;
};

describe('a cash flow that takes out what moved without cash from now on', () => {
  it('has a line behind profit that frees it, with a key of its own, in one step', () => {
    const before = composedBefore();
    const after = edited(before);
    expect(after.withoutCash).toBe('taken_out');
    const [added] = keysOf(after).filter((key) => !keysOf(before).includes(key));
    // The line of that name is there already, and frees nothing yet.
    expect(added).toBe('in_profit_without_cash_2');
    expect(keysOf(after)[keysOf(after).indexOf('profit') + 1]).toBe(added);
    const { findings, layout } = expandLayout(after, factsOf(company, after));
    expect([findings.filter(({ code }) => code === 'transfer_line_unknown'), layout.withoutCash]).toEqual([[], 'taken_out']);
  });

  it('gets no second one where profit is freed already', () => {
    const begun = beginCashFlow(defaultLayoutOptions.cashFlow, 'en');
    expect(keysOf(edited({ ...begun, withoutCash: 'counts' }))).toEqual(keysOf(begun));
  });

  it('keeps the line in use: it cannot be removed, and a new key is followed', () => {
    const after = edited(composedBefore());
    const { edit } = composed(company, after);
    expect(edit({ kind: 'remove', keys: ['in_profit_without_cash_2'] })).toMatchObject({ ok: false, failure: { code: 'line_in_use', by: ['profit'] } });
    const renamed = edit({ kind: 'rename_key', key: 'in_profit_without_cash_2', to: 'freed' });
    const named: (string | undefined)[] = [];
    if (renamed.ok) walkOwn(renamed.value.lines, (line) => void (line.kind === 'result' && named.push(line.freedOn)));
    expect(named).toEqual(['freed']);
  });
});
