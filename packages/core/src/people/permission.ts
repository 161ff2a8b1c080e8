/**
 * What somebody may do in one company. Whoever may anything may see, and whoever may change anything sees the papers. `see`: statements and what they are made of. `see_papers`: notes, files and
 * the history, and to write notes. `prepare_entries`: entries, imports, trial balances, years and document series, with their files.
 */
export const permissions = [
  'see',
  'see_papers',
  'prepare_entries',
  'keep_chart',
  'keep_placement',
  'keep_layouts',
  'keep_budgets_and_rates',
  'lock_periods',
  'keep_people_and_settings',
] as const;

export type Permission = (typeof permissions)[number];

/** Those that are known, each once and in their order, with what they bring along. */
export function permissionsAmong(named: readonly string[]): Permission[] {
  const among = permissions.filter((permission) => named.includes(permission));
  const changes = among.some((permission) => permission !== 'see');
  return permissions.filter((permission) => permission === 'see' || among.includes(permission) || (permission === 'see_papers' && changes));
}

/** Those that `held` has not. */
export function permissionsBeyond(held: readonly Permission[], asked: readonly Permission[]): Permission[] {
  return asked.filter((permission) => !held.includes(permission));
}
