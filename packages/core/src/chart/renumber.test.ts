import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type RenumberRule, renumber } from './renumber.ts';

const accounts = (...numbers: string[]) => numbers.map((number, at) => ({ id: at + 1, number }));
const all = accounts('6200', '6210', '6220', '7210', 'A.10.08', 'CASH');
const of = (...numbers: string[]) => all.filter(({ number }) => numbers.includes(number));
const run = (rule: RenumberRule, ...numbers: string[]) =>
  renumber(of(...numbers), rule, all).map(({ to, problem, other }) => (problem ? `${problem} ${other}`.trim() : to));

describe('renumbering by a rule', () => {
  it('replaces what the number begins with', () => {
    expect(run({ kind: 'prefix', from: '62', to: '82' }, '6200', '6210')).toEqual(['8200', '8210']);
    expect(run({ kind: 'prefix', from: 'a.10', to: 'A.11' }, 'A.10.08')).toEqual(['A.11.08']);
    expect(run({ kind: 'prefix', from: '62', to: '82' }, '7210')).toEqual(['begins_otherwise']);
  });

  it('shifts the digits at the end, their length and leading zeros kept', () => {
    expect(run({ kind: 'shift', by: 5 }, '6200', 'A.10.08', 'CASH')).toEqual(['6205', 'A.10.13', 'ends_in_no_digits']);
    expect(run({ kind: 'shift', by: 4000 }, '6200')).toEqual(['digits_used_up']);
    expect(run({ kind: 'shift', by: -9 }, 'A.10.08')).toEqual(['digits_used_up']);
  });

  it('lengthens the digits at the end', () => {
    expect(run({ kind: 'lengthen', digits: 6, zeros: 'in_front' }, '6200', 'A.10.08')).toEqual(['006200', 'A.10.000008']);
    expect(run({ kind: 'lengthen', digits: 6, zeros: 'behind' }, '6200', 'A.10.08', 'CASH')).toEqual(['620000', 'A.10.080000', 'ends_in_no_digits']);
  });

  it('tells two numbers that would become one by zeros behind them', () => {
    const rule = { kind: 'lengthen', digits: 4, zeros: 'behind' } as const;
    const two = accounts('10', '100');
    expect(renumber(two, rule, two).map(({ to, problem, other }) => [to, problem, other])).toEqual([
      ['1000', null, ''],
      ['1000', 'twice', '10'],
    ]);
  });

  it('counts from a first number with an even gap, in the order of the accounts', () => {
    expect(run({ kind: 'sequence', first: '8000', step: 10 }, '6200', '6210', '6220')).toEqual(['8000', '8010', '8020']);
  });

  it('says whose number it would be, outside the set or within it', () => {
    expect(run({ kind: 'prefix', from: '6', to: '7' }, '6210')).toEqual(['taken 7210']);
    expect(run({ kind: 'sequence', first: '8000', step: 0 }, '6200', '6210')).toEqual(['8000', 'twice 6200']);
    expect(run({ kind: 'prefix', from: '6200', to: '' }, '6200')).toEqual(['empty']);
  });

  it('two accounts may swap numbers: what is given up within the set is free', () => {
    expect(run({ kind: 'shift', by: 10 }, '6200', '6210')).toEqual(['6210', 'taken 6220']);
    expect(run({ kind: 'shift', by: 10 }, '6200', '6210', '6220')).toEqual(['6210', '6220', '6230']);
  });

  it('without a problem leaves every number of the chart once', () => {
    const rule = fc.oneof(
      fc.record({ kind: fc.constant('shift' as const), by: fc.integer({ min: -50, max: 50 }) }),
      fc.record({ kind: fc.constant('sequence' as const), first: fc.constantFrom('100', '050', '200'), step: fc.integer({ min: 0, max: 5 }) }),
      fc.record({ kind: fc.constant('prefix' as const), from: fc.constantFrom('1', '10'), to: fc.constantFrom('', '2', '1') }),
    );
    const chart = fc.uniqueArray(fc.integer({ min: 100, max: 140 }), { minLength: 2, maxLength: 12 });
    fc.assert(
      fc.property(chart, rule, fc.nat(11), (numbers, chosenRule, count) => {
        const whole = accounts(...numbers.map(String));
        const chosen = whole.slice(0, count + 1);
        const renumbered = renumber(chosen, chosenRule, whole);
        if (renumbered.some(({ problem }) => problem !== null)) return;
        const after = [...whole.slice(count + 1).map(({ number }) => number), ...renumbered.map(({ to }) => to)];
        expect(new Set(after).size).toBe(whole.length);
      }),
      { seed: 441, numRuns: 400 },
    );
  });
});
