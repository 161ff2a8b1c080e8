import type { Account } from '../chart/account.ts';
import type { CashDays } from '../chart/cashDays.ts';
import type { CodesOfAccount } from '../chart/codeList.ts';

/** An account, with the days on which it is cash, and its codes. */
export type GroundAccount = Account & CashDays & { readonly codes: CodesOfAccount };
