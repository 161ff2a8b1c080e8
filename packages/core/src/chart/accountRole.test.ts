import { describe, expect, it } from 'vitest';
import { accountRoles, checkRole, roleRules } from './accountRole.ts';
import { elements } from './element.ts';

describe('roles of accounts', () => {
  it('are given to accounts of their elements alone, and to active ones', () => {
    for (const role of accountRoles)
      for (const element of elements) {
        const refused = checkRole(null, { role, element, active: true });
        expect([role, element, refused?.reason]).toEqual([role, element, roleRules[role].elements.includes(element) ? undefined : 'element']);
      }
    expect(checkRole(null, { role: 'cash', element: 'asset', active: false })).toMatchObject({ reason: 'inactive' });
  });

  it('retained earnings leave their holder only by being given on; the others can be taken away', () => {
    expect(checkRole('retained_earnings', { role: null, element: 'equity', active: true })).toMatchObject({ reason: 'needed' });
    expect(checkRole('retained_earnings', { role: 'suspense', element: 'equity', active: true })).toMatchObject({
      role: 'retained_earnings',
      reason: 'needed',
    });
    for (const role of ['cash', 'exchange_differences', 'suspense'] as const)
      expect(checkRole(role, { role: null, element: 'asset', active: true })).toBeNull();
  });

  it('a role that is kept is not judged anew', () => {
    expect(checkRole('cash', { role: 'cash', element: 'asset', active: false })).toBeNull();
  });
});
