import { z } from 'zod';
import { numberScheme } from '../company.ts';
import { accountRole, amount, element } from '../primitives.ts';
import { answered, conflict, type FailureKind, nothing, refused } from './failureKind.ts';

const role = z.string().nullable();
const listed = { listed: z.string() };
const numbered = { number: z.string() };
const byCodes = { accounts: z.int(), lines: z.int(), budgets: z.int() };

/** Accounts, their numbers, codes and files. */
export const chartFailures = {
  account_unknown: refused({ accountId: z.int() }),
  account_number_missing: refused(nothing),
  account_number_unused: refused(numbered),
  account_number_taken: conflict({ ...numbered, accountId: z.int(), name: z.string() }),
  /** `part` from 1; null where the parts are too few or too many. */
  account_number_malformed: refused({ ...numbered, part: z.int().nullable(), scheme: numberScheme }),
  account_name_beside: conflict({ name: z.string(), accountId: z.int() }),
  account_name_taken: conflict({ name: z.string(), accountId: z.int(), ...numbered }),
  account_nesting_refused: refused({
    reason: z.enum(['own_descendant', 'other_element', 'too_deep', 'parent_unknown']),
    element,
    parentElement: element.nullable(),
  }),
  account_parent_inactive: refused(numbered),
  account_element_held: refused({ by: z.enum(['sub_accounts', 'places', 'role']) }),
  account_role_refused: refused({ role: accountRole, reason: z.enum(['element', 'needed', 'inactive']) }),
  /** `balance`: debit positive. */
  account_not_retirable: conflict({ balance: amount, subAccounts: z.int(), role }),
  account_held: conflict({ lines: z.int(), subAccounts: z.int(), budgets: z.int(), role }),
  /** `about`: the account, element, role or day that the reason speaks of. */
  merge_refused: refused({
    reason: z.enum(['same_account', 'other_element', 'has_sub_accounts', 'inactive', 'role_needed', 'used_later']),
    about: z.string().nullable(),
  }),
  chart_file_wrong: refused({ rows: z.int() }),
  chart_headings_missing: refused({ looked: z.int() }),
  /** The chart or the ledger is not what was shown. */
  chart_moved_on: conflict(nothing),
  view_name_taken: conflict({ name: z.string() }),
  too_many_views: refused({ limit: z.int() }),
  attachment_kind_refused: refused({ name: z.string(), kinds: z.array(z.string()) }),
  /** What it begins with is not what its ending says. */
  attachment_of_other_kind: refused({ name: z.string(), kind: z.string() }),
  attachment_too_large: answered(413)({ limit: z.int() }),
  attachment_incomplete: refused(nothing),
  code_list_name_taken: conflict({ name: z.string() }),
  code_list_held: conflict({ name: z.string(), ...byCodes }),
  list_code_held: conflict({ ...listed, ...byCodes, pairings: z.int() }),
  list_code_unknown: refused(listed),
  list_code_missing: refused(nothing),
  list_code_twice: refused(listed),
  list_code_parent_unknown: refused({ ...listed, parent: z.string() }),
  list_code_nested_in_itself: refused(listed),
} satisfies Record<string, FailureKind>;
