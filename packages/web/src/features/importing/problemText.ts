import type { ColumnMeaningBody, RowProblemBody } from '@ivory-ladder/contract';

export const columnNames: Readonly<Record<ColumnMeaningBody, string>> = {
  number: 'Number',
  name: 'Name',
  element: 'Element',
  parent: 'Parent',
  category: 'Category',
  amount: 'Amount',
  debit: 'Debit',
  credit: 'Credit',
  mark: 'Debit or credit mark',
  opening: 'Opening balance',
  opening_debit: 'Opening, debit',
  opening_credit: 'Opening, credit',
  turnover_debit: 'Turnover, debit',
  turnover_credit: 'Turnover, credit',
};

/** What was found in a cell and what was expected there. */
export function problemText({ column, found, code, other }: RowProblemBody): string {
  const at = columnNames[column];
  switch (code) {
    case 'amount_unreadable':
      return `${at}: «${found}» is no amount with a decimal ${other === ',' ? 'comma' : 'point'}.`;
    case 'amount_too_precise':
      return `${at}: «${found}» has more than ${other} decimal places.`;
    case 'amount_too_large':
      return `${at}: «${found}» is too large for a ledger.`;
    case 'number_missing':
      return `Number: none found${other ? ` beside «${other}»` : ''}; every account has one.`;
    case 'number_too_long':
      return 'Number: longer than 50 characters.';
    case 'number_malformed':
      return `Number: «${found}» does not fit the company’s numbers, such as ${other}.`;
    case 'number_repeated':
      return `Number: «${found}» stands in row ${other} already.`;
    case 'name_missing':
      return other === '' ? 'Name: none found.' : `Name: none found for ${other}.`;
    case 'name_repeated':
      return `Name: «${found}» stands in row ${other} already.`;
    case 'name_ambiguous':
      return `Name: several accounts are named «${found}»; write the path of one: ${other}.`;
    case 'name_too_long':
      return `Name: longer than 200 characters («${found}…»).`;
    case 'element_unknown':
      return `Element: «${found}» is none of ${other}.`;
    case 'element_differs':
      return `Element: the file says ${found}, the chart ${other}; the chart's stays.`;
    case 'element_needed':
      return 'Element: none found and none can be proposed; choose one.';
    case 'parent_unknown':
      return `Parent: «${found}» is neither in the file nor in the chart.`;
    case 'parent_of_itself':
      return `Parent: «${found}» stands below ${other} itself.`;
    case 'parent_element_differs':
      return `Parent: ${found} is of element ${other}; a sub-account has its parent's.`;
    case 'parent_amount':
      return `Amount: «${found}» on a parent is not the sum of its sub-accounts; it is posted directly to ${other}.`;
    case 'closing_not_opening_plus_turnover':
      return `Opening and turnover make ${other}, the balance says ${found}.`;
    default:
      return `${at}: «${found}» (${code.replaceAll('_', ' ')})`;
  }
}

/** Where a proposed element is from. */
export function proposalText(from: { from: string; number?: string; numbers?: string[]; word?: string; prefix?: string; title?: string } | null): string {
  switch (from?.from) {
    case 'parent':
      return `as its parent ${from.number}`;
    case 'title':
      return `it stands below «${from.title}»`;
    case 'neighbours':
      return `${from.numbers?.join(' and ')} beside it have it`;
    case 'word':
      return `the name has «${from.word}»`;
    case 'prefix':
      return `numbers beginning with ${from.prefix} have it`;
    default:
      return '';
  }
}
