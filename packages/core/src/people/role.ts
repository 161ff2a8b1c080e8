import { type Permission, permissions } from './permission.ts';

/** The named bundles of permissions that every company has, from least to most. */
export const roles = ['reader', 'reviewer', 'preparer', 'administrator'] as const;

export type Role = (typeof roles)[number];

/** What a role stands in records by: one that every company has, or one that the company made, by its id. */
export type RoleKey = Role | `own:${number}`;

/** A reader sees; a reviewer sees the papers as well; a preparer keeps all but people and settings; an administrator may everything. */
export const permissionsOfRole: Readonly<Record<Role, readonly Permission[]>> = {
  reader: ['see'],
  reviewer: ['see', 'see_papers'],
  preparer: permissions.filter((permission) => permission !== 'keep_people_and_settings'),
  administrator: permissions,
};

export function ownRoleKey(id: number): RoleKey {
  return `own:${id}`;
}

/** Id of a role that the company made; `null` for one that every company has. */
export function ownRoleId(key: RoleKey): number | null {
  return key.startsWith('own:') ? Number(key.slice('own:'.length)) : null;
}

export function isBuiltInRole(key: RoleKey): key is Role {
  return ownRoleId(key) === null;
}
