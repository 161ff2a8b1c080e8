import { type Element, isIncomeOrExpense } from '../chart/element.ts';

/** How an account is translated: by what it holds at closing rates, by what moves at average rates, or line for line. */
export type Manner = 'balance' | 'movement' | 'line';

/** Of each account. `isFlow`: accounts that are translated as they move although they hold something; `null`: none is. */
export function mannersOf(elements: readonly Element[], isFlow: readonly boolean[] | null): Manner[] {
  return elements.map((element, account) => {
    if (element === 'equity') return 'line';
    return isIncomeOrExpense(element) || isFlow?.[account] === true ? 'movement' : 'balance';
  });
}
