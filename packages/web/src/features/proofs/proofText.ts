import type { ProofBody } from '@ivory-ladder/contract';
import { shortDay } from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';

export function proofStateMark(state: ProofBody['state']): string {
  return { holds: '✓', fails: '✗', to_look_at: '▲', not_provable: '–' }[state];
}

export const proofNames: Readonly<Record<ProofBody['name'], string>> = {
  trial_balance: 'Trial balance is zero',
  assets_equal_claims: 'Assets = liabilities + equity',
  profit_in_equity: 'Profit carried to equity',
  cash_ties: 'Change in cash explained',
  natures_said: 'Cash flows have a nature',
  own_totals: 'The statement ties by its own totals',
  equity_ties: 'Changes in equity explained',
  coverage: 'Coverage',
  codes_complete: 'Codes are complete',
  layouts_complete: 'Composed layouts are complete',
  parents_without_postings: 'No amounts on parents',
  normal_sides: 'Balances on their normal side',
  profit_allotted: 'Profit of earlier years is allotted',
  balances_from_lines: 'Balances = lines',
};

/** One line of the strip: what holds, or what fails and by how much. */
export function proofText(proof: ProofBody, format: (net: bigint) => string): string {
  if (proof.state === 'not_provable') return `${proof.name === 'cash_ties' ? 'Cash' : 'Equity'}: no balances before ${shortDay(proof.figures[0]?.day ?? '')}`;
  const difference = BigInt(proof.difference);
  const size = format(difference < 0n ? -difference : difference);
  const count = proof.accounts.length;
  const accounts = counted(count, 'account');
  switch (proof.name) {
    case 'trial_balance':
      return proof.state === 'holds' ? 'Trial balance 0' : `Trial balance is out by ${size}`;
    case 'assets_equal_claims':
      return proof.state === 'holds' ? proofNames[proof.name] : `Assets ≠ liabilities + equity: ${size}`;
    case 'profit_in_equity':
      return proof.state === 'holds' ? proofNames[proof.name] : `Profit is not carried whole: ${size}`;
    case 'cash_ties':
      if (proof.state === 'holds') return proofNames[proof.name];
      return proof.accounts.length > 0 && proof.accounts.every(({ reason }) => reason === 'among_cash')
        ? `Among cash without the role: ${size}`
        : `Cash is not explained by ${size}`;
    case 'own_totals':
      if (proof.state === 'holds') return proofNames[proof.name];
      return proof.state === 'fails'
        ? `This statement does not tie by ${size}`
        : `In no total: ${proof.figures.flatMap(({ name }) => /^in_no_total (.*)$/.exec(name)?.[1] ?? []).join(', ')}`;
    case 'natures_said':
      return proof.state === 'holds' ? proofNames[proof.name] : `Without a nature of its cash flows: ${size} on ${accounts}`;
    case 'equity_ties':
      return proof.state === 'holds' ? proofNames[proof.name] : `Changes in equity are not explained by ${size}`;
    case 'coverage':
      return proof.state === 'holds' ? 'Coverage: every account stands once' : `${count} to place: ${size}`;
    case 'codes_complete':
      return proof.state === 'holds' ? proofNames[proof.name] : `${counted(count, 'code')} missing`;
    case 'layouts_complete':
      return proof.state === 'holds' ? proofNames[proof.name] : `${count} not once in layouts: ${size}`;
    case 'parents_without_postings':
      return proof.state === 'holds' ? proofNames[proof.name] : `On ${count === 1 ? 'a parent' : 'parents'}: ${size}`;
    case 'normal_sides':
      return proof.state === 'holds' ? proofNames[proof.name] : `${count} against normal side`;
    case 'profit_allotted':
      return proof.state === 'holds' ? proofNames[proof.name] : `Earlier profit not allotted: ${size}`;
    case 'balances_from_lines':
      return proof.state === 'holds' ? proofNames[proof.name] : `Balances ≠ lines on ${accounts}`;
  }
}

/** What a proof compares, in words, for its own page. */
export const proofExplanations: Readonly<Record<ProofBody['name'], string>> = {
  trial_balance: 'Debit balances and credit balances of all accounts are the same amount.',
  assets_equal_claims:
    'The total of assets is that of liabilities and equity, as the lines of the balance sheet hold them. An unplaced balance sheet account makes it fail.',
  profit_in_equity:
    'The income statement, run over the fiscal year to date, ends in the result that the balance sheet shows in equity. The result takes every income and expense account, placed or not, so an unplaced one makes it fail.',
  cash_ties:
    'What the lines of the cash flow come to is what was posted to cash, and the difference of what the balance sheets show as cash at both ends, whose lines hold nothing else. An account among cash that does not have the role, one that stands in no line of the cash flow, or in two, makes it fail.',
  own_totals:
    'The totals of a composed balance sheet are the same on both sides, and the final total of a composed income statement is the result of all income and expense accounts. A line that no total counts is named.',
  natures_said:
    'The category of every balance sheet account that moved says, itself or by the one above it, of what nature its cash flows are. Where none does, the amount stands where its term mostly puts it, which may be wrong: a loan due within a year is no working capital. Give the category its nature in the placement.',
  equity_ties:
    'Equity in the balance sheet at the beginning and its changes, as the lines of changes in equity hold them, are equity in the balance sheet at the end; the columns of its categories add up to all equity.',
  coverage: 'Every account stands in exactly one line of the statement it belongs to.',
  codes_complete: 'Every account that needs a code of a list has one, for the accounts that the list is declared complete for.',
  layouts_complete: 'In every composed layout that runs, each account of the elements it is for stands exactly once, or was left out with a reason.',
  parents_without_postings: 'Accounts with sub-accounts take no postings; where history has some, they stand on a line of their own.',
  normal_sides: 'Balances stand on the side that is normal for their account. One on the other side may be right (an overdrawn bank), or a slip.',
  profit_allotted: 'Profit of completed years stands on the account for retained earnings.',
  balances_from_lines:
    'The balances that are kept by period and by facet are what the lines of the entries add up to. If they are not, rows were changed by hand in the database; npm run ledger -- rebuild makes them anew from the lines.',
};

const figureNames: Readonly<Record<string, string>> = {
  debit_balances: 'Debit balances',
  credit_balances: 'Credit balances',
  asset: 'Assets',
  liability: 'Liabilities',
  equity: 'Equity',
  income_statement: 'Profit of the income statement',
  result_in_equity: 'Result in equity',
  cash_by_lines: 'Change in cash by the lines',
  cash_moved: 'Posted to cash',
  cash_in_balance_sheet: 'Difference of the balance sheets',
  own_debit_total: 'Totals of the debit side',
  own_credit_total: 'Totals of the credit side',
  own_final_total: 'Its final total',
  result_of_accounts: 'Result of income and expenses',
  moved_without_nature: 'Moved without a nature, either way',
  equity_opening: 'Equity at the beginning',
  equity_changes: 'Changes by the lines',
  equity_closing: 'Equity at the end',
  no_balances_before: 'No balances before this day: what moved up to then is not known',
  accounts_in_scope: 'Accounts in scope',
  accounts_placed: 'Accounts that stand once',
  codes_needed: 'Codes that are needed',
  codes_given: 'Codes that are given',
  profit_not_allotted: 'Profit of completed years on no account',
};

export function figureName(name: string): string {
  const [, layout] = /^cash_by_lines (.*)$/.exec(name) ?? [];
  const [, caption] = /^in_no_total (.*)$/.exec(name) ?? [];
  if (caption !== undefined) return `In no total: ${caption}`;
  return layout === undefined ? (figureNames[name] ?? name) : `Change in cash by the lines of ${layout}`;
}

const reasons: Readonly<Record<string, string>> = {
  among_cash: 'stands among cash in the balance sheet without having the role',
  without_nature: 'its category does not say of what nature its cash flows are',
  unplaced: 'unplaced',
  doubled: 'doubled: ranges of two categories take it',
  left_out: 'left out of the coverage by somebody',
  half_placed: 'placed for one side of its balance only',
  posted_to_parent: 'has sub-accounts, and amounts of its own',
  against_normal_side: 'on the other side than its normal one',
  not_from_lines: 'its lines add up to so much more than its balance',
};

const layoutReasons: Readonly<Record<string, string>> = {
  unplaced: 'in no line of',
  half_placed: 'with one side in no line of',
  doubled: 'in more than one line of',
};

export function reasonText(reason: string): string {
  const [, state = '', layout] = /^in_layout (\S+) (.*)$/.exec(reason) ?? [];
  if (layout !== undefined) return `${layoutReasons[state] ?? state} ${layout}`;
  const [, list] = /^without_code (.*)$/.exec(reason) ?? [];
  return list === undefined ? (reasons[reason] ?? reason) : `has no code of ${list}`;
}
