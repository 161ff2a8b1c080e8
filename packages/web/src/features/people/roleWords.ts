import type { PersonList } from '@ivory-ladder/contract';
import { ownRoleKey, type Permission, permissionsOfRole, type Role, type RoleKey, roles } from '@ivory-ladder/core';
import { permissionWords } from '../../shared/words/permissionWords.ts';

/** What each role that every company has may, for those who give and take them. */
export const builtInWords: Readonly<Record<Role, string>> = {
  reader: 'sees the statements and what each figure is made of',
  reviewer: 'sees who changed what as well',
  preparer: 'keeps the chart, the placement, the layouts and the ledger',
  administrator: 'keeps the people and the settings of the company as well',
};

export interface RoleToGive {
  readonly key: RoleKey;
  readonly name: string;
  readonly permissions: readonly Permission[];
  readonly words: string;
  /** `null` for a role that every company has. */
  readonly own: PersonList['ownRoles'][number] | null;
}

/** All that somebody can be given in a company: the roles that every company has, then its own by name. */
export function rolesToGive(ownRoles: PersonList['ownRoles']): RoleToGive[] {
  return [
    ...roles.map((key): RoleToGive => ({ key, name: key, permissions: permissionsOfRole[key], words: builtInWords[key], own: null })),
    ...ownRoles.map(
      (own): RoleToGive => ({ key: ownRoleKey(own.id), name: own.name, permissions: own.permissions, words: `may ${listed(own.permissions)}`, own }),
    ),
  ];
}

function listed(permissions: readonly Permission[]): string {
  const words = permissions.filter((permission) => permission !== 'see' || permissions.length === 1).map((permission) => permissionWords[permission]);
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
}
