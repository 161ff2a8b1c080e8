import type { FactsOf } from '@ivory-ladder/contract';
import type { FailureWords } from './failureWords.ts';

const found: Readonly<Record<FactsOf<'file_not_a_table'>['found'], string>> = {
  pdf: 'a PDF document',
  binary: 'no text and no workbook',
  empty: 'empty',
  old_workbook: 'a workbook of the old binary kind',
  picture: 'a picture',
  document: 'a packed file, but no workbook',
};
const limits: Readonly<Record<FactsOf<'file_limit_exceeded'>['limit'], string>> = {
  rows: 'more than 100,000 rows',
  columns: 'more than 1,000 columns',
  cells: 'more than a million cells',
  inflated_bytes: 'more than 50 MB when unpacked',
  parts: 'more than 20 parts',
  time: 'too much to read in 20 seconds',
};

/** Words about entries, files of balances and lines, budgets and rates. */
export const ledgerWords = {
  account_takes_no_postings: ({ number, reason }) =>
    reason === 'parent'
      ? `Account ${number} has sub-accounts and takes no postings; choose one of them.`
      : `Account ${number} is inactive and takes no postings.`,
  entry_out_of_balance: ({ difference }) => `The entry was not posted: debits and credits differ by ${difference} minor units.`,
  opening_of_income: ({ line }) =>
    `The entry was not posted: line ${line} is on an account of income or expense, which begins each fiscal year at nil and has no opening balance.`,
  line_amount_invalid: ({ line }) => `Line ${line} needs an amount in debit or in credit, and not in both.`,
  line_amount_too_large: ({ line }) => `The entry was not posted: the amount of line ${line} is too large for a ledger.`,
  line_rate_disagrees: ({ line }) => `The amount of line ${line} is not what its amount in the other currency comes to at its rate.`,
  entry_not_reversible: ({ reason, documentNumber }) =>
    reason === 'reversed'
      ? `It was reversed already, by document ${documentNumber}.`
      : reason === 'trial_balance'
        ? 'It came with a trial balance, which fixes the balances of its day; bring in another one to change them.'
        : 'An entry is reversed on its own day or a later one.',
  ledger_too_large: () => 'The sums of this ledger are beyond what can be computed exactly. Nothing was changed.',
  ledger_moved_on: () => 'Others are changing the ledger at this moment. Nothing was posted; try again.',
  trial_balance_taken_back: ({ by }) => `This trial balance was taken back already, by ${by}.`,
  retained_earnings_needed: () => 'Choose the account where profit of completed years stands.',
  after_closing_has_income: () => 'The file has income or expense figures, so it was not taken after closing.',
  out_of_balance: () => 'Debits and credits of the file are not the same.',
  left_alone_out_of_balance: () => 'What is left alone does not add to zero.',
  posting_blocked: () => 'It cannot be posted yet; what stands in the way is listed at the right.',
  journal_not_ready: ({ state }) =>
    state === 'posted'
      ? 'This file was posted already.'
      : state === 'cancelled'
        ? 'This import was discarded; begin it anew.'
        : 'This file cannot be posted: it is not read to its end, or something in it is wrong.',
  file_too_large: () => 'The file is larger than 20 MB. A trial balance is much smaller; is it the right file?',
  file_incomplete: () => 'The file did not come whole. Nothing was kept of it; send it again.',
  file_not_a_table: ({ found: kind }) => `This is no table: the file is ${found[kind]}. Export the trial balance as CSV or XLSX and drop that.`,
  file_unreadable: ({ reason, row }) =>
    reason === 'quote_not_closed'
      ? `A quoted text is opened near row ${row} and never closed.`
      : reason === 'entity_definition'
        ? 'The workbook holds definitions that no ledger writes; it was not read.'
        : 'The file is damaged and cannot be read. Export it again.',
  file_limit_exceeded: ({ limit }) => `The file was not read: it has ${limits[limit]}.`,
  budget_name_taken: ({ name, year }) => `There is a budget «${name}» of ${year} already.`,
  budget_locked: ({ name }) => `The budget «${name}» is locked and takes no changes. An administrator can open it again.`,
  budget_not_locked: ({ name }) => `The budget «${name}» is not locked.`,
  budget_cells_moved_on: ({ cells }) => `Somebody changed ${cells.length} of these amounts meanwhile. What you typed is kept; look at them again, then save.`,
  rate_invalid: ({ rate }) => `«${rate}» is no exchange rate: a number above zero, with 12 places at most.`,
  rates_moved_on: ({ rates }) => {
    const [first, ...more] = rates;
    const now = first?.current ?? 'nothing';
    return more.length === 0
      ? `Changed by somebody meanwhile: ${now} stands there now.`
      : `Nothing was taken: somebody changed some of these rates meanwhile, the first to ${now}.`;
  },
} satisfies Partial<FailureWords>;
