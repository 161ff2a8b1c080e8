import type { TrialBalanceCheckBody } from '@ivory-ladder/contract';
import { describeFailure } from '../../shared/words/failureMessages.ts';

const texts: Readonly<Record<string, (count: number) => string>> = {
  columns_missing: () => 'What each column holds cannot be told; choose it under Columns.',
  no_rows: () => 'No row of an account was found in the file.',
  decimal_sign_unclear: () =>
    'The amounts may have a decimal point or a decimal comma, such as 1,234 in a currency of three decimals; choose it under Decimal sign.',
  date_needed: () => 'The day of the balances is not in the file; choose it under Balances at.',
  day_out_of_reach: () => 'The day of the balances is decades away from the ledger; is the year right?',
  period_locked: () => 'The period of that day is locked and takes no entries.',
  adjustment_gone: () => 'An adjustment chosen to be withdrawn is no longer there.',
};

export function blockerText({ code, count }: TrialBalanceCheckBody['blockers'][number]): string {
  return texts[code]?.(count) ?? describeFailure({ code, facts: {} });
}
