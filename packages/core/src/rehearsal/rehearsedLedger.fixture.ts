import type { Account } from '../chart/account.ts';
import { isIncomeOrExpense } from '../chart/element.ts';
import { defaultLayoutOptions } from '../layout/options.ts';
import { span } from '../statement/statementsOf.fixture.ts';
import type { RehearsedLedger } from './placementFigures.ts';

/** One column of balances that are movements too, by the accounts' order; nobody left anything out. */
export function rehearsedLedger(accounts: readonly Account[], net: readonly bigint[]): RehearsedLedger {
  return {
    accounts: accounts.map((account, index) => ({ account, label: account.name, index, isParent: false })),
    accountIds: accounts.map(({ id }) => id),
    resets: Uint8Array.from(accounts, ({ element }) => (isIncomeOrExpense(element) ? 1 : 0)),
    span,
    options: defaultLayoutOptions,
    retainedEarningsId: null,
    leftOut: new Set(),
    language: 'en',
    columns: [{ net: BigInt64Array.from(net), balances: BigInt64Array.from(net), notAllotted: 0n }],
  };
}
