import { describe, expect, it } from 'vitest';
import { shiftedByKey } from '../../shared/components/shiftedByKey.ts';
import { newPart, newSet } from './setParts.ts';

describe('the statements of a set', () => {
  it('are each called by a key that no other has, also where a layout stands in it twice', () => {
    const { parts } = newSet();
    const again = newPart('cash-flow', parts);
    const third = newPart('cash-flow', [...parts, again]);
    expect([again.key, third.key, newPart('layout-7', parts).key]).toEqual(['cash_flow_2', 'cash_flow_3', 'layout_7']);
  });

  it('change places with the one beside them, and stay where there is none', () => {
    const { parts } = newSet();
    const order = (of: readonly { key: string }[]) => of.map(({ key }) => key);
    expect(order(shiftedByKey(parts, 'cash_flow', -1))).toEqual(['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity']);
    expect(order(shiftedByKey(parts, 'cash_flow', 1))).toEqual(order(parts));
    expect(order(shiftedByKey(parts, 'gone', -1))).toEqual(order(parts));
  });
});
