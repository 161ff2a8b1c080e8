import type { AccountRole } from '@ivory-ladder/core';

export const accountRoleNames: Readonly<Record<AccountRole, string>> = {
  retained_earnings: 'retained earnings',
  cash: 'cash and cash equivalents',
  exchange_differences: 'exchange differences',
  suspense: 'suspense',
};

/** What depends on an account that has the role. */
export const accountRoleWords: Readonly<Record<AccountRole, string>> = {
  retained_earnings: 'Holds retained earnings: the profit of completed years is carried to it on every balance sheet.',
  cash: 'Cash and cash equivalents: its movement is what a cash flow statement explains.',
  exchange_differences: 'Takes exchange differences: entries against it count as the effect of exchange rates on cash.',
  suspense: 'Suspense: takes what cannot be placed yet, and should be nil at every close.',
};
