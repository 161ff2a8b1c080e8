/** The five kinds of account (IFRS Conceptual Framework, chapter 4). */
export const elements = ['asset', 'liability', 'equity', 'income', 'expense'] as const;
export type Element = (typeof elements)[number];
export type Side = 'debit' | 'credit';

/** Asset and expense accounts are debit by nature, the others credit (common practice). */
export function naturalSide(element: Element): Side {
  return element === 'asset' || element === 'expense' ? 'debit' : 'credit';
}

export function otherSide(side: Side): Side {
  return side === 'debit' ? 'credit' : 'debit';
}

/** Income and expense accounts begin every fiscal year at zero. */
export function isIncomeOrExpense(element: Element): boolean {
  return element === 'income' || element === 'expense';
}

/** The element whose categories may hold an account while its balance is on the other side; equity has none. */
export function counterElement(element: Element): Element | null {
  switch (element) {
    case 'asset':
      return 'liability';
    case 'liability':
      return 'asset';
    case 'income':
      return 'expense';
    case 'expense':
      return 'income';
    case 'equity':
      return null;
  }
}
