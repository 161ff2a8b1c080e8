import type { RanSet, SetProofBody } from '@ivory-ladder/contract';
import { counted } from '../../shared/words/counted.ts';

type Figure = SetProofBody['ties'][number]['figures'][number]['name'];

const holds: Readonly<Record<SetProofBody['name'], string>> = {
  balances: 'Both sides of the balance sheet are the same',
  profit: 'Profit of the income statement is the result in the balance sheet',
  cash: 'Change in cash is what cash changed by in the balance sheet',
  equity: 'Changes in equity lead from one balance sheet to the next',
  translation: 'The exchange difference in equity is what the rates explain',
  coverage: 'Every account stands once in each statement',
};

/** What the statements of a set prove together, or by how much they do not. */
export function setProofText({ name, state, difference, faults }: SetProofBody, format: (net: bigint) => string): string {
  if (state === 'holds') return holds[name];
  const net = BigInt(difference);
  const size = format(net < 0n ? -net : net);
  if (state === 'not_provable') return `${holds[name]}: nothing to prove it by`;
  switch (name) {
    case 'balances':
      return `The sides of the balance sheet differ by ${size}`;
    case 'profit':
      return `Profit and the result in the balance sheet differ by ${size}`;
    case 'cash':
      return `Change in cash is not explained by ${size}`;
    case 'equity':
      return `Changes in equity are not explained by ${size}`;
    case 'translation':
      return `The exchange difference in equity is not explained by ${size}`;
    case 'coverage': {
      const count = new Set(faults.flatMap(({ accounts }) => accounts.map(({ accountId }) => accountId))).size;
      return `${counted(count, 'account')} not once in a statement: ${size}`;
    }
  }
}

export const setFigureNames: Readonly<Record<Figure, string>> = {
  debit_side: 'Lines on the debit side',
  credit_side: 'Lines on the credit side',
  profit: 'Profit of the fiscal year to date',
  result: 'Result in the balance sheet',
  equity_opening: 'Equity at the beginning',
  equity_changes: 'Changes by lines',
  equity_closing: 'Equity at the end',
  equity_by_columns: 'Changes by columns',
  change_by_lines: 'Change in cash by lines',
  cash_moved: 'Posted to cash accounts',
  cash_in_balance_sheet: 'Change of cash in the balance sheet',
  difference_moved: 'Exchange difference of the fiscal year to date',
  difference_of_net_assets: 'Net assets at the beginning × change of the closing rate',
  difference_of_profit: 'Profit × (closing rate − its average rates)',
  difference_of_equity: 'Entries on equity × (closing rate − their rates)',
};

export const unprovableText = {
  budget: 'not provable: a budget has no balances',
  facets: 'not provable: a part of the ledger need not balance',
  first_balances: 'not provable: balances began in this time, and what moved before is not known',
  placement: 'not provable: by an earlier placement accounts may stand nowhere',
} as const;

/** What a statement of the set is called: as it is entitled, or by its layout. */
export function titleOfPart({ parts }: Pick<RanSet, 'parts'>, key: string): string {
  return parts.find((part) => part.key === key)?.statement?.title ?? key;
}
