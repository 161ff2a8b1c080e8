import type { Day } from '../calendar/day.ts';
import type { Layer } from '../cube/layer.ts';
import { facedUpTo } from './betweenWeights.ts';
import { cashMovesOf, facedIn } from './cashMoves.ts';
import type { Activity, CashEntry, CashPlaces, EntryLine } from './cashPlaces.ts';

/** Accounts and lines of a small company, by the name of the account. */
interface SmallAccount {
  readonly line: string;
  readonly side: 'debit' | 'credit';
  readonly is?: 'cash' | 'between' | 'result' | 'equity';
  /** Of a deduction from an asset: where what is charged stands. */
  readonly charged?: string;
}

export const smallLines: Readonly<Record<string, Activity>> = {
  customers: 'operating',
  suppliers: 'operating',
  staff: 'operating',
  value_added_tax: 'operating',
  other_operating: 'operating',
  income_tax: 'operating',
  interest_paid: 'financing',
  dividends_paid: 'financing',
  vessels: 'investing',
  disposals: 'investing',
  loans: 'financing',
  capital: 'financing',
};

export const smallAccounts: Readonly<Record<string, SmallAccount>> = {
  bank: { line: 'other_operating', side: 'debit', is: 'cash' },
  till: { line: 'other_operating', side: 'debit', is: 'cash' },
  receivables: { line: 'customers', side: 'debit', is: 'between' },
  payables: { line: 'suppliers', side: 'credit', is: 'between' },
  tax: { line: 'value_added_tax', side: 'credit' },
  wages: { line: 'staff', side: 'credit' },
  accrued: { line: 'interest_paid', side: 'credit' },
  vessel: { line: 'vessels', side: 'debit' },
  worn: { line: 'vessels', side: 'credit', charged: 'other_operating' },
  loan: { line: 'loans', side: 'credit' },
  capital: { line: 'capital', side: 'credit', is: 'equity' },
  reserves: { line: 'capital', side: 'credit', is: 'equity' },
  dividends: { line: 'dividends_paid', side: 'credit' },
  owedTax: { line: 'income_tax', side: 'credit' },
  sales: { line: 'customers', side: 'credit', is: 'result' },
  goods: { line: 'suppliers', side: 'debit', is: 'result' },
  staff: { line: 'staff', side: 'debit', is: 'result' },
  wear: { line: 'other_operating', side: 'debit', is: 'result' },
  interest: { line: 'interest_paid', side: 'debit', is: 'result' },
  incomeTax: { line: 'income_tax', side: 'debit', is: 'result' },
  gain: { line: 'disposals', side: 'credit', is: 'result' },
};

export const accountNames = Object.keys(smallAccounts);
export const lineNames = Object.keys(smallLines);
const accountsInOrder = Object.values(smallAccounts);

export const smallPlaces: CashPlaces = {
  activityOf: Object.values(smallLines),
  lineOf: (account, isIncrease) => {
    const { line, charged } = accountsInOrder[account] as SmallAccount;
    return lineNames.indexOf(charged !== undefined && isIncrease ? charged : line);
  },
  isCashOn: (account) => accountsInOrder[account]?.is === 'cash',
  isBetween: (account) => accountsInOrder[account]?.is === 'between',
  isSettledLater: () => false,
  isEquity: (account) => accountsInOrder[account]?.is === 'equity',
  isCreditNormal: (account) => accountsInOrder[account]?.side === 'credit',
};

export const isSmallResult = (account: number): boolean => accountsInOrder[account]?.is === 'result';

export type SmallEntry = CashEntry & { readonly layer: Layer };

/** Amounts by account, debit positive, which add up to nothing. */
export function entryOf(
  id: number,
  amounts: Readonly<Record<string, number>>,
  options: { day?: Day; partner?: number; isReversing?: boolean } = {},
): SmallEntry {
  const { day = '2026-03-31', partner = 0, isReversing = false } = options;
  const lines = Object.entries(amounts).map(([name, amount]): EntryLine => {
    const account = accountNames.indexOf(name);
    return { account, partner, isCounted: true, debit: BigInt(Math.max(amount, 0)), credit: BigInt(Math.max(-amount, 0)) };
  });
  return { id, documentNumber: String(id), description: '', day, layer: 'ledger', isReversing, lines };
}

/** All in one period. */
export function movesOf(entries: readonly SmallEntry[]) {
  return cashMovesOf(entries, smallPlaces, isSmallResult, facedUpTo([facedIn(entries, smallPlaces)]));
}
