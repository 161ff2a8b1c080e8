import { describe, expect, it } from 'vitest';
import { chartAccount as account } from './chartAccount.fixture.ts';
import { nestingRefusal } from './nestingRefusal.ts';

const [top, child, income, retired] = [
  account(1, '10', { isParent: true }),
  account(2, '11', { parentId: 1, depth: 1 }),
  account(3, '40', { element: 'income' }),
  account(4, '90', { active: false }),
] as const;
const chart = [top, child, income, retired];

describe('an account below another', () => {
  it('is refused below itself, below another element and, while active, below an inactive one', () => {
    expect(nestingRefusal(chart, top, child.id)).toContain('below itself');
    expect(nestingRefusal(chart, income, top.id)).toContain('of element income');
    expect(nestingRefusal(chart, child, retired.id)).toContain('90, is inactive');
  });

  it('stands where all of that is as it should be, and always at the top level', () => {
    expect([nestingRefusal(chart, child, null), nestingRefusal(chart, { ...child, active: false }, retired.id)]).toEqual([null, null]);
  });
});
