import { describe, expect, it } from 'vitest';
import { permissions, permissionsAmong, permissionsBeyond } from './permission.ts';
import { isBuiltInRole, ownRoleId, ownRoleKey, permissionsOfRole, roles } from './role.ts';

describe('the roles that every company has', () => {
  it('each may all that those before it may, and see', () => {
    for (const [at, role] of roles.entries()) {
      expect(permissionsOfRole[role]).toContain('see');
      for (const lesser of roles.slice(0, at)) expect(permissionsBeyond(permissionsOfRole[role], permissionsOfRole[lesser])).toEqual([]);
    }
    expect(permissionsOfRole.administrator).toEqual(permissions);
  });

  it('are told from those that a company made', () => {
    expect([ownRoleKey(7), ownRoleId('own:7'), ownRoleId('reader')]).toEqual(['own:7', 7, null]);
    expect([isBuiltInRole('own:7'), isBuiltInRole('administrator')]).toEqual([false, true]);
  });
});

describe('permissions that are kept as text', () => {
  it('are those known, in their order and once, with what they bring along', () => {
    expect(permissionsAmong(['keep_layouts', 'fly', 'keep_layouts'])).toEqual(['see', 'see_papers', 'keep_layouts']);
    expect(permissionsAmong([])).toEqual(['see']);
  });

  it('beyond others are told in the order they were asked for', () => {
    expect(permissionsBeyond(['see', 'keep_chart'], ['lock_periods', 'see', 'prepare_entries'])).toEqual(['lock_periods', 'prepare_entries']);
  });
});
