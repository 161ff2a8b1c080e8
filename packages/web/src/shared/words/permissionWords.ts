import type { Permission } from '@ivory-ladder/core';

/** What each permission is for; read after «may». */
export const permissionWords: Readonly<Record<Permission, string>> = {
  see: 'see statements and what they are made of',
  see_papers: 'see notes, files and the history',
  prepare_entries: 'prepare entries',
  keep_chart: 'keep the chart',
  keep_placement: 'keep the placement',
  keep_layouts: 'keep layouts and sets',
  keep_budgets_and_rates: 'keep budgets and rates',
  lock_periods: 'lock periods',
  keep_people_and_settings: 'keep people and settings',
};
