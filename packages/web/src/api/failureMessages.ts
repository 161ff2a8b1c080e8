import { type AccountRole, accountLabel, counterElement, type Element, exampleOf, type NumberScheme, type Permission } from '@ivory-ladder/core';
import { accountRoleNames } from '../components/accountRoleWords.ts';
import { counted } from '../components/counted.ts';
import type { ApiFailure } from './ivoryApi.ts';
import { permissionWords } from './permissionWords.ts';
import { statementFailures } from './statementFailures.ts';

type Facts = Record<string, unknown>;
const text = (value: unknown): string => String(value ?? '');
const wordsOf = (permission: unknown): string => permissionWords[permission as Permission] ?? text(permission);
const found: Readonly<Record<string, string>> = {
  pdf: 'a PDF document',
  binary: 'no text and no workbook',
  empty: 'empty',
  old_workbook: 'a workbook of the old binary kind',
  picture: 'a picture',
  document: 'a packed file, but no workbook',
};
const limits: Readonly<Record<string, string>> = {
  rows: 'more than 100,000 rows',
  columns: 'more than 1,000 columns',
  cells: 'more than a million cells',
  inflated_bytes: 'more than 50 MB when unpacked',
  parts: 'more than 20 parts',
  time: 'too much to read in 20 seconds',
};

const passwords: Readonly<Record<string, string>> = {
  too_short: 'The password needs at least 12 characters. A sentence is easy to remember.',
  too_long: 'The password has more than 128 characters.',
  too_simple: 'The password is too simple: a run of keys or the same few characters.',
  common: 'This password is one of those that everybody tries first. Choose something else.',
  names_its_owner: 'The password is little more than your name or address. Choose something else.',
};

function waitText(seconds: number): string {
  if (!(seconds > 0)) return 'a moment';
  return seconds < 90 ? counted(seconds, 'second') : counted(Math.ceil(seconds / 60), 'minute');
}

const roleName = (role: unknown): string => accountRoleNames[role as AccountRole] ?? text(role);

/** What happened, to what, and what to do; the words for each code a failure can have. */
const messages: Readonly<Record<string, (facts: Facts) => string>> = {
  unreachable: () => 'The server does not answer. Nothing was changed; try again when it is back.',
  storage_full: () => 'The database has no room left. Nothing was changed; whoever looks after the server has to make room.',
  share_of_disk_full: ({ of, megabytes }) =>
    of === 'company'
      ? `The files of this company take all of the ${megabytes} MB that it may have. Take away some that are attached, or ask whoever looks after the server for more.`
      : `You handed in ${megabytes} MB within a day, which is as much as one person may. Go on tomorrow, or ask whoever looks after the server for more.`,
  file_incomplete: () => 'The file did not come whole. Nothing was kept of it; send it again.',
  attachment_of_other_kind: ({ name, kind }) => `«${text(name)}» is not what its name says: it does not begin like a file of the kind ${text(kind)}.`,
  address_too_long: () => 'The address is too long for the server. Choose fewer columns or values.',
  database_lost: () => 'The database went away in between. Try again in a moment: what was done already is not done twice.',
  busy: () => 'The ledger is very busy. Nothing was changed; try again in a moment.',
  internal: () => 'Something went wrong on the server. Nothing was changed.',
  sign_in_needed: () => 'You are signed out. Sign in again in another tab, then try once more; what you typed here is kept.',
  sign_in_refused: () => 'E-mail and password do not belong together. If the password is lost, ask for a new one below.',
  database_hangs: () => 'The database has not answered for ten seconds. Try again in a moment: what was done already is not done twice.',
  asked_for_much: ({ seconds }) => `You asked for much at once. Wait ${waitText(Number(seconds))}, then try again.`,
  too_many_attempts: ({ seconds }) => `Too many attempts. Wait ${waitText(Number(seconds))}, then try again.`,
  password_wrong: () => 'The present password is not right.',
  password_refused: ({ reason }) => passwords[text(reason)] ?? 'Choose another password.',
  permission_needed: ({ needs }) => `Your role in this company may not ${wordsOf(needs)}. An administrator can give you another.`,
  beyond_own_permissions: ({ permissions }) =>
    `You cannot give or take away what you may not do yourself: ${(Array.isArray(permissions) ? permissions : []).map(wordsOf).join(', ')}.`,
  role_name_taken: ({ name }) => `There is a role ${text(name)} already.`,
  role_in_use: ({ name, holders }) =>
    `The role ${text(name)} cannot go: ${counted(Number(holders), 'person has it or is invited to it', 'people have it or are invited to it')}. Give them another first.`,
  adding_companies_refused: () => 'You may not add companies here. The first administrator of the installation may.',
  link_unusable: ({ reason }) =>
    reason === 'used'
      ? 'This link was used already. Sign in with the password chosen then, or ask an administrator for a new link.'
      : reason === 'expired'
        ? 'This link has expired. Ask an administrator for a new one.'
        : reason === 'revoked'
          ? 'What this link was made for has changed since, so it opens nothing any more. Ask an administrator for a new one.'
          : 'This link was used or withdrawn, a newer one has taken its place, or it is not one of ours. Ask an administrator for a new one.',
  link_needs_name: () => 'Give your name and e-mail address as well.',
  person_is_invited: ({ email }) => `${text(email)} was invited already. Make a new link there if the first was lost.`,
  invitation_of_another: ({ email }) => `This invitation is for ${text(email)}. Sign out, and sign in with that address.`,
  account_there_already: () => 'There is an account with this address. Sign in with it, then accept.',
  installation_not_kept: () => 'Only whoever looks after the installation sees this.',
  person_is_member: ({ email }) => `A person with the address ${text(email)} works here already.`,
  person_of_other_companies: () =>
    'This person also works in companies of which you are not administrator, so a new link must come from an administrator of all of them.',
  last_administrator: () => 'The company needs an administrator. Make somebody else one first.',
  classification_name_taken: ({ name }) => `There is a classification named ${text(name)} already.`,
  classification_is_main: ({ name }) => `The main classification, ${text(name)}, cannot be deleted. Make another one the main one first.`,
  not_found: ({ thing, id }) => `There is no ${text(thing)} ${text(id)} here.`,
  request_invalid: ({ issues }) =>
    `This was not accepted: ${(issues as { path: string; message: string }[] | undefined)?.map(({ path, message }) => `${path} ${message}`.trim()).join('; ') ?? ''}`,
  currency_unknown: ({ currency }) => `${text(currency)} is no currency of ISO 4217.`,
  element_clash: ({ accountElement, categoryElement }) =>
    `Refused: the account is of element ${text(accountElement)}, the category of element ${text(categoryElement)}. An account stands under its own element${
      counterElement(accountElement as Element) === categoryElement
        ? '; there it can stand only while its balance is on the other side, beside a place of its own element'
        : ''
    }.`,
  places_overlap: () => 'Refused: the account would stand in two places with the same balance.',
  category_unknown: () => 'That category is gone; somebody may have deleted it. The tree has been read anew.',
  place_conflict: ({ accountIds, categoryIds }) => {
    const [accounts, categories] = [(accountIds as unknown[]).length, (categoryIds as unknown[] | undefined)?.length ?? 0];
    if (accounts === 0)
      return `Somebody else has changed ${categories === 1 ? 'this category' : `${categories} of these categories`} meanwhile. Nothing was applied.`;
    return `Somebody else has moved ${accounts === 1 ? 'this account' : `${accounts} of these accounts`} meanwhile. Nothing was moved; the tree shows where they stand now.`;
  },
  placement_unchanged: () => 'Nothing is to be changed: the placement is like this already.',
  placement_undone_already: () => 'This change was taken back already.',
  rehearsal_name_taken: ({ name }) => `You have a rehearsal «${text(name)}» already.`,
  category_held: ({ by }) =>
    by === 'account'
      ? 'An account stands in the category that would go. Say where it goes.'
      : 'Another category hangs on the one that would go: it is below it, or deducted from it.',
  category_name_missing: () => 'A category needs a name.',
  version_conflict: () => 'Somebody else has changed this meanwhile. Nothing was overwritten; what you see now is their version.',
  category_name_taken: ({ name }) => `There is a category «${text(name)}» beside it already.`,
  category_not_empty: ({ accounts, subcategories, contras }) =>
    `It cannot be deleted: it holds ${text(accounts)} accounts and ${text(subcategories)} subcategories${Number(contras) > 0 ? `, and ${text(contras)} categories are deducted from it` : ''}. Move them first.`,
  category_nesting_refused: ({ reason }) =>
    reason === 'own_descendant'
      ? 'A category cannot stand below itself.'
      : reason === 'too_deep'
        ? 'Categories nest eight deep at most.'
        : 'A category stays under its element.',
  category_field_refused: () => 'A category is deducted from one beside it that is not itself a deduction.',
  code_list_name_taken: ({ name }) => `There is a list «${text(name)}» already.`,
  rates_moved_on: ({ rates }) => {
    const [first, ...more] = (rates ?? []) as { current: string | null }[];
    const now = first?.current ?? 'nothing';
    return more.length === 0
      ? `Changed by somebody meanwhile: ${now} stands there now.`
      : `Nothing was taken: somebody changed some of these rates meanwhile, the first to ${now}.`;
  },
  exclusions_moved_on: ({ accounts }) => {
    const [first] = (accounts ?? []) as { current: string | null }[];
    return first?.current == null
      ? 'Somebody took it in again meanwhile. Nothing was changed.'
      : `Somebody left it out meanwhile, because: ${first.current}. Nothing was changed.`;
  },
  rate_invalid: ({ rate }) => `«${text(rate)}» is no exchange rate: a number above zero, with 12 places at most.`,
  line_rate_disagrees: ({ line }) => `The amount of line ${text(line)} is not what its amount in the other currency comes to at its rate.`,
  first_day_needed: () => 'Name the first day of the first fiscal year.',
  adjusting_period_there: ({ year }) => `The year ${text(year)} has a period for adjustments already.`,
  adjusting_period_missing: ({ day }) => `${text(day)} is not the last day of a year with a period for adjustments.`,
  nothing_to_close: ({ year }) => `There is nothing to close in ${text(year)}: its income and expense accounts are at nil.`,
  retained_earnings_missing: () => 'No account has the role of retained earnings yet. Name one in the chart first.',
  period_ends_unordered: ({ at, day }) => `Period ${text(at)} ends on ${text(day)}, which is not after the end of the one before.`,
  year_too_long: ({ days }) => `A fiscal year of ${text(days)} days is too long.`,
  facet_file_wrong: ({ rows }) => `Nothing was applied: ${text(rows)} rows of the file cannot be.`,
  series_code_taken: ({ series }) => `There is a series ${text(series)} already.`,
  series_held: ({ series, documents }) => `The series ${text(series)} cannot be deleted: ${text(documents)} documents are numbered in it. It can be ended.`,
  series_ended: () => 'This series was ended: no new documents are numbered in it.',
  budget_name_taken: ({ name, year }) => `There is a budget «${text(name)}» of ${text(year)} already.`,
  budget_locked: ({ name }) => `The budget «${text(name)}» is locked and takes no changes. An administrator can open it again.`,
  budget_not_locked: ({ name }) => `The budget «${text(name)}» is not locked.`,
  budget_cells_moved_on: ({ cells }) =>
    `Somebody changed ${(cells as unknown[] | undefined)?.length ?? 0} of these amounts meanwhile. What you typed is kept; look at them again, then save.`,
  code_list_held: ({ name, accounts, lines, budgets }) =>
    `«${text(name)}» cannot be deleted: ${text(accounts)} accounts have a code of it${Number(lines) > 0 ? `, and ${text(lines)} lines of entries have its values` : ''}${Number(budgets) > 0 ? `, and ${text(budgets)} budgets stand by it` : ''}.`,
  list_code_held: ({ listed, accounts, lines, pairings, budgets }) => {
    const by = [
      Number(accounts) > 0 ? `${text(accounts)} accounts` : '',
      Number(lines) > 0 ? `${text(lines)} lines of entries` : '',
      Number(pairings) > 0 ? `${text(pairings)} pairing rules` : '',
      Number(budgets) > 0 ? `${text(budgets)} budgets` : '',
    ].filter((held) => held !== '');
    return `The code ${text(listed)} stays: ${by.length === 0 ? 'others' : by.join(' and ')} have it. ${Number(lines) > 0 ? 'It can be retired instead: then no new line gets it.' : 'Give them another one first.'}`;
  },
  journal_not_ready: ({ state }) =>
    state === 'posted'
      ? 'This file was posted already.'
      : state === 'cancelled'
        ? 'This import was discarded; begin it anew.'
        : 'This file cannot be posted: it is not read to its end, or something in it is wrong.',
  facet_unknown: () => 'That facet is not there any more.',
  facet_value_unknown: ({ facet, value }) => `${text(facet)} has no value «${text(value)}».`,
  pairing_of_one_facet: () => 'A pairing rule is about two facets; a line has one value of each anyway.',
  facet_range_malformed: () => 'These account numbers cannot be read. They are written as «4000 to 4999, 61* except 6150».',
  line_facets_refused: ({ line, refused }) => `Line ${text(line)}: ${facetsRefused((refused ?? {}) as Facts)}`,
  list_code_unknown: ({ listed }) => `There is no code «${text(listed)}» in the list; choose one of those proposed, or leave it empty for none.`,
  list_code_missing: () => 'Every entry of a list needs a code.',
  list_code_twice: ({ listed }) => `The code «${text(listed)}» is in the list already.`,
  list_code_parent_unknown: ({ listed, parent }) => `There is no code «${text(parent)}» for ${text(listed)} to stand below.`,
  list_code_nested_in_itself: ({ listed }) => `${text(listed)} would stand below itself.`,
  range_text_malformed: () => 'The account numbers of the category cannot be read; where they are wrong is marked in their field.',
  file_too_large: () => 'The file is larger than 20 MB. A trial balance is much smaller; is it the right file?',
  file_not_a_table: ({ found: kind }) =>
    `This is no table: the file is ${found[text(kind)] ?? 'something else'}. Export the trial balance as CSV or XLSX and drop that.`,
  file_unreadable: ({ reason, row }) =>
    reason === 'quote_not_closed'
      ? `A quoted text is opened near row ${text(row)} and never closed.`
      : reason === 'entity_definition'
        ? 'The workbook holds definitions that no ledger writes; it was not read.'
        : 'The file is damaged and cannot be read. Export it again.',
  file_limit_exceeded: ({ limit }) => `The file was not read: it has ${limits[text(limit)] ?? 'too much in it'}.`,
  posting_blocked: () => 'It cannot be posted yet; what stands in the way is listed at the right.',
  ledger_moved_on: () => 'Others are changing the ledger at this moment. Nothing was posted; try again.',
  period_locked: ({ day }) => `The period of ${text(day)} is locked and takes no entries.`,
  entry_not_reversible: ({ reason, documentNumber }) =>
    reason === 'reversed'
      ? `It was reversed already, by document ${text(documentNumber)}.`
      : reason === 'trial_balance'
        ? 'It came with a trial balance, which fixes the balances of its day; bring in another one to change them.'
        : 'An entry is reversed on its own day or a later one.',
  period_not_locked: ({ day }) => `The period of ${text(day)} is open already.`,
  day_outside_calendar: ({ day, year }) => `${text(day)} stands in no fiscal year. Make the year ${text(year)} first.`,
  span_reversed: ({ from, to }) => `The span begins at ${text(from)}, after it ends at ${text(to)}.`,
  account_number_missing: () => 'Every account has a number in this company.',
  account_number_unused: ({ number }) => `Accounts have no numbers in this company; «${text(number)}» has no place.`,
  account_name_beside: ({ name }) => `Another active account beside it is named «${text(name)}»; without numbers, names beside each other must differ.`,
  account_number_taken: ({ number, name }) => `The number ${text(number)} is taken by ${text(name)}.`,
  merge_refused: ({ reason, about }) =>
    ({
      same_account: 'An account cannot be merged into itself.',
      other_element: `The other account is of element ${text(about)}; only accounts of one element can be merged.`,
      has_sub_accounts: `Account ${text(about)} has sub-accounts. Move or merge those first.`,
      inactive: `Account ${text(about)} is inactive. Reopen it first.`,
      role_needed: 'It holds retained earnings. Give that role to another account first.',
      used_later: `The account has a line on ${text(about)}. Choose that day or a later one.`,
    })[text(reason)] ?? 'These accounts cannot be merged.',
  chart_file_wrong: ({ rows }) => `The file was not applied: ${text(rows)} of its rows cannot be. They are marked.`,
  chart_moved_on: () => 'Somebody else has changed the chart or the ledger since this was shown. Nothing was applied; what you see now is read anew.',
  chart_headings_missing: ({ looked }) =>
    `No column is headed Number, or Name beside another, in the first ${text(looked)} rows. The template says what each column is called and takes.`,
  changed_meanwhile: () => 'Not taken back: it has been changed since, by you or somebody else. Its history says how.',
  own_right_kept: () => 'This right is taken from you by another who has it, never by yourself.',
  attachment_kind_refused: ({ name, kinds }) =>
    `«${text(name)}» was not attached: files of these kinds are: ${(Array.isArray(kinds) ? kinds : []).join(', ')}.`,
  attachment_too_large: ({ limit }) => `The file is larger than ${Math.round(Number(limit) / (1 << 20))} MB and was not attached.`,
  attachment_incomplete: () => 'The file is empty or did not arrive whole; nothing was attached.',
  view_name_taken: ({ name }) => `There is a view «${text(name)}» already. Choose another name, or save that view anew.`,
  too_many_views: ({ limit }) => `There are ${text(limit)} views already; delete one first.`,
  account_name_taken: ({ name, number }) => `The name «${text(name)}» is taken${number ? ` by ${text(number)}` : ''}; this company does not repeat names.`,
  account_number_malformed: ({ number, part, scheme }) =>
    `The number ${text(number)} does not fit the number scheme${part ? ` in its part ${text(part)}` : ''}${scheme ? `; numbers here look like ${exampleOf(scheme as NumberScheme)}` : ''}.`,
  company_name_differs: ({ name }) => `The name of the company is ${text(name)}. Nothing was removed.`,
  names_repeated: ({ accounts }) => {
    const repeated = (Array.isArray(accounts) ? accounts : []) as { number: string; name: string }[];
    return `Names alone would not tell these apart: ${repeated.slice(0, 6).map(accountLabel).join(', ')}${repeated.length > 6 ? ` and ${repeated.length - 6} more` : ''}. Rename them first.`;
  },
  setting_held: ({ setting }) =>
    setting === 'currency' ? 'The currency stays: there are entries in it.' : 'The first month of the fiscal year stays: there are years already.',
  account_nesting_refused: ({ reason, element, parentElement }) =>
    reason === 'other_element'
      ? `Refused: the account is of element ${text(element)}, the one above it of element ${text(parentElement)}. A sub-account has its parent’s element.`
      : reason === 'own_descendant'
        ? 'Refused: an account cannot stand below itself.'
        : reason === 'too_deep'
          ? 'Refused: accounts nest ten levels deep at most.'
          : 'The account above it is gone; somebody may have deleted it.',
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
      text(balance) === '0' || balance === undefined ? '' : 'its balance is not zero',
      Number(subAccounts) > 0 ? `${text(subAccounts)} of its sub-accounts are active` : '',
      role ? `it has the role of ${roleName(role)}; give that to another account first` : '',
    ]
      .filter(Boolean)
      .join('; ')}.`,
  account_held: ({ lines, subAccounts, budgets, role }) =>
    `It cannot be deleted: ${[
      Number(lines) > 0 ? `${text(lines)} journal lines are on it` : '',
      Number(subAccounts) > 0 ? `it has ${text(subAccounts)} sub-accounts` : '',
      Number(budgets) > 0 ? `${text(budgets)} budgets have amounts on it` : '',
      role ? `it has the role of ${roleName(role)}` : '',
    ]
      .filter(Boolean)
      .join('; ')}. An account with history can be retired instead.`,
  account_parent_inactive: ({ number }) => `The account above it, ${text(number)}, is inactive. Reopen that one first.`,
  day_out_of_reach: ({ day }) => `${text(day)} is decades away from the ledger. Is the year right?`,
  opening_of_income: ({ line }) =>
    `The entry was not posted: line ${text(line)} is on an account of income or expense, which begins each fiscal year at nil and has no opening balance.`,
  entry_out_of_balance: ({ difference }) => `The entry was not posted: debits and credits differ by ${text(difference)} minor units.`,
  trial_balance_taken_back: ({ by }) => `This trial balance was taken back already, by ${text(by)}.`,
  line_amount_too_large: ({ line }) => `The entry was not posted: the amount of line ${text(line)} is too large for a ledger.`,
  line_amount_invalid: ({ line }) => `Line ${text(line)} needs an amount in debit or in credit, and not in both.`,
  account_takes_no_postings: ({ number, reason }) =>
    reason === 'parent'
      ? `Account ${text(number)} has sub-accounts and takes no postings; choose one of them.`
      : `Account ${text(number)} is inactive and takes no postings.`,
  ledger_too_large: () => 'The sums of this ledger are beyond what can be computed exactly. Nothing was changed.',
  retained_earnings_needed: () => 'Choose the account where profit of completed years stands.',
  after_closing_has_income: () => 'The file has income or expense figures, so it was not taken after closing.',
  out_of_balance: () => 'Debits and credits of the file are not the same.',
  left_alone_out_of_balance: () => 'What is left alone does not add to zero.',
  account_unknown: () => 'This account is not in the chart.',
  ...statementFailures,
  idempotency_key_reused: () => 'This posting was changed after it had been sent. Look at it again and post it anew.',
};

export function describeFailure(failure: unknown): string {
  const { code = '', facts = {} } = (failure ?? {}) as Partial<ApiFailure>;
  return messages[code]?.(facts) ?? `Not done: ${code.replaceAll('_', ' ') || 'unknown reason'}.`;
}

/** Why the facets of a line are refused. */
export function facetsRefused({ code, facet, value, otherFacet, otherValue, reason }: Facts): string {
  switch (code) {
    case 'facet_needed':
      return `${text(facet)} is needed on this account.`;
    case 'facet_not_allowed':
      return `${text(facet)} is not allowed on this account.`;
    case 'facet_value_retired':
      return `${text(facet)} ${text(value)} is retired.`;
    case 'facets_do_not_pair':
      return `${text(facet)} ${text(value)} does not go with ${text(otherFacet)} ${text(otherValue)}${reason ? `: ${text(reason)}` : ''}.`;
    default:
      return `${text(facet)} has no value «${text(value)}».`;
  }
}
