import type { Role } from '@ivory-ladder/core';

/** What each role may, for those who give and take them. */
export const roleWords: Readonly<Record<Role, string>> = {
  reader: 'sees the statements and what each figure is made of',
  reviewer: 'sees who changed what as well',
  preparer: 'keeps the chart, the placement, the layouts and the ledger',
  administrator: 'keeps the people and the settings of the company as well',
};
