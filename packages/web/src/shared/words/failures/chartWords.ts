import { type AccountRole, exampleOf, isDay, longDay } from '@ivory-ladder/core';
import { accountRoleNames } from '../accountRoleWords.ts';
import type { FailureWords } from './failureWords.ts';

/** Words about accounts, their numbers, codes and files. */
export const chartWords = {
  account_unknown: () => 'This account is not in the chart.',
  account_number_missing: () => 'Every account has a number in this company.',
  account_number_unused: ({ number }) => `Accounts have no numbers in this company; «${number}» has no place.`,
  account_number_taken: ({ number, name }) => `The number ${number} is taken by ${name}.`,
  account_number_malformed: ({ number, part, scheme }) =>
    `The number ${number} does not fit the number scheme${part ? ` in its part ${part}` : ''}; numbers here look like ${exampleOf(scheme)}.`,
  account_name_beside: ({ name }) => `Another active account beside it is named «${name}»; without numbers, names beside each other must differ.`,
  account_name_taken: ({ name, number }) => `The name «${name}» is taken${number ? ` by ${number}` : ''}; this company does not repeat names.`,
  account_nesting_refused: ({ reason, element, parentElement }) =>
    reason === 'other_element'
      ? `Refused: the account is of element ${element}, the one above it of element ${parentElement}. A sub-account has its parent’s element.`
      : reason === 'own_descendant'
        ? 'Refused: an account cannot stand below itself.'
        : reason === 'too_deep'
          ? 'Refused: accounts nest ten levels deep at most.'
          : 'The account above it is gone; somebody may have deleted it.',
  account_parent_inactive: ({ number }) => `The account above it, ${number}, is inactive. Reopen that one first.`,
  account_element_held: ({ by }) =>
    by === 'sub_accounts'
      ? 'The element cannot be changed while the account has sub-accounts.'
      : by === 'role'
        ? 'The element cannot be changed while the account has a role.'
        : 'The element cannot be changed while the account stands in a category. Take it out first.',
  account_role_refused: ({ reason }) =>
    reason === 'needed'
      ? 'Retained earnings cannot be taken from the account, only given to another one.'
      : reason === 'inactive'
        ? 'An inactive account can have no role.'
        : 'An account of this element cannot have the role.',
  account_not_retirable: ({ balance, subAccounts, role }) =>
    `It cannot be retired: ${[
      balance === '0' ? '' : 'its balance is not zero',
      subAccounts > 0 ? `${subAccounts} of its sub-accounts are active` : '',
      role ? `it has the role of ${accountRoleNames[role as AccountRole]}; give that to another account first` : '',
    ]
      .filter(Boolean)
      .join('; ')}.`,
  account_held: ({ lines, subAccounts, budgets, role }) =>
    `It cannot be deleted: ${[
      lines > 0 ? `${lines} journal lines are on it` : '',
      subAccounts > 0 ? `it has ${subAccounts} sub-accounts` : '',
      budgets > 0 ? `${budgets} budgets have amounts on it` : '',
      role ? `it has the role of ${accountRoleNames[role as AccountRole]}` : '',
    ]
      .filter(Boolean)
      .join('; ')}. An account with history can be retired instead.`,
  merge_refused: ({ reason, about }) =>
    ({
      same_account: 'An account cannot be merged into itself.',
      other_element: `The other account is of element ${about}; only accounts of one element can be merged.`,
      has_sub_accounts: `Account ${about} has sub-accounts. Move or merge those first.`,
      inactive: `Account ${about} is inactive. Reopen it first.`,
      role_needed: 'It holds retained earnings. Give that role to another account first.',
      used_later: `The account has a line on ${isDay(about ?? '') ? longDay(about ?? '') : about}. Choose that day or a later one.`,
    })[reason],
  chart_file_wrong: ({ rows }) => `The file was not applied: ${rows} of its rows cannot be. They are marked.`,
  chart_headings_missing: ({ looked }) =>
    `No column is headed Number, or Name beside another, in the first ${looked} rows. The template says what each column is called and takes.`,
  chart_moved_on: () => 'Somebody else has changed the chart or the ledger since this was shown. Nothing was applied; what you see now is read anew.',
  view_name_taken: ({ name }) => `There is a view «${name}» already. Choose another name, or save that view anew.`,
  too_many_views: ({ limit }) => `There are ${limit} views already; delete one first.`,
  attachment_kind_refused: ({ name, kinds }) => `«${name}» was not attached: files of these kinds are: ${kinds.join(', ')}.`,
  attachment_of_other_kind: ({ name, kind }) => `«${name}» is not what its name says: it does not begin like a file of the kind ${kind}.`,
  attachment_too_large: ({ limit }) => `The file is larger than ${Math.round(limit / (1 << 20))} MB and was not attached.`,
  attachment_incomplete: () => 'The file is empty or did not arrive whole; nothing was attached.',
  code_list_name_taken: ({ name }) => `There is a list «${name}» already.`,
  code_list_held: ({ name, accounts, lines, budgets }) =>
    `«${name}» cannot be deleted: ${accounts} accounts have a code of it${lines > 0 ? `, and ${lines} lines of entries have its values` : ''}${budgets > 0 ? `, and ${budgets} budgets stand by it` : ''}.`,
  list_code_held: ({ listed, accounts, lines, pairings, budgets }) => {
    const by = [
      accounts > 0 ? `${accounts} accounts` : '',
      lines > 0 ? `${lines} lines of entries` : '',
      pairings > 0 ? `${pairings} pairing rules` : '',
      budgets > 0 ? `${budgets} budgets` : '',
    ].filter((held) => held !== '');
    return `The code ${listed} stays: ${by.length === 0 ? 'others' : by.join(' and ')} have it. ${lines > 0 ? 'It can be retired instead: then no new line gets it.' : 'Give them another one first.'}`;
  },
  list_code_unknown: ({ listed }) => `There is no code «${listed}» in the list; choose one of those proposed, or leave it empty for none.`,
  list_code_missing: () => 'Every entry of a list needs a code.',
  list_code_twice: ({ listed }) => `The code «${listed}» is in the list already.`,
  list_code_parent_unknown: ({ listed, parent }) => `There is no code «${parent}» for ${listed} to stand below.`,
  list_code_nested_in_itself: ({ listed }) => `${listed} would stand below itself.`,
} satisfies Partial<FailureWords>;
