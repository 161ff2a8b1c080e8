import type { Element } from './element.ts';

export const accountRoles = ['retained_earnings', 'cash', 'exchange_differences', 'suspense'] as const;

/** What the system needs an account for. */
export type AccountRole = (typeof accountRoles)[number];

interface RoleRule {
  readonly elements: readonly Element[];
  /** Cash and cash equivalents have several holders (IAS 7.6); the others one. */
  readonly isForSeveral: boolean;
  /** Once given, it can only be given on: statements across a year end need it. */
  readonly isNeeded: boolean;
}

export const roleRules: Readonly<Record<AccountRole, RoleRule>> = {
  retained_earnings: { elements: ['equity'], isForSeveral: false, isNeeded: true },
  // A bank overdraft repayable on demand can be part of it (IAS 7.8).
  cash: { elements: ['asset', 'liability'], isForSeveral: true, isNeeded: false },
  exchange_differences: { elements: ['income', 'expense', 'equity'], isForSeveral: false, isNeeded: false },
  suspense: { elements: ['asset', 'liability'], isForSeveral: false, isNeeded: false },
};

export type RoleRefused = { code: 'account_role_refused'; role: AccountRole; reason: 'element' | 'needed' | 'inactive' };

/** Whether an account may have the role after a change, and may lose the one it had. */
export function checkRole(
  before: AccountRole | null,
  after: { readonly role: AccountRole | null; readonly element: Element; readonly active: boolean },
): RoleRefused | null {
  const { role, element, active } = after;
  if (before !== null && before !== role && roleRules[before].isNeeded) return { code: 'account_role_refused', role: before, reason: 'needed' };
  if (role === null || role === before) return null;
  if (!roleRules[role].elements.includes(element)) return { code: 'account_role_refused', role, reason: 'element' };
  return active ? null : { code: 'account_role_refused', role, reason: 'inactive' };
}
