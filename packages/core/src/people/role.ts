/** What a person may do in one company, from least to most; each may all that those before it may. */
export const roles = ['reader', 'reviewer', 'preparer', 'administrator'] as const;

/**
 * A reader sees statements and what they are made of; a reviewer sees who changed what as well; a preparer keeps chart,
 * placement, layouts and ledger; an administrator also the company's settings and its people.
 */
export type Role = (typeof roles)[number];

export function isAtLeast(role: Role, least: Role): boolean {
  return roles.indexOf(role) >= roles.indexOf(least);
}
