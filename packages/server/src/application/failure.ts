import type {
  AccountRefused,
  ChartFileUnreadable,
  CodesRefused,
  DerivationRefused,
  FacetRefused,
  MissingRate,
  NumberMalformed,
  PasswordRefused,
  Permission,
  PlacementFault,
  PlanFault,
  RangeTextMalformed,
  RoleRefused,
  YearUnmakeable,
} from '@ivory-ladder/core';

/** Everything that data can cause in a use case; http turns it into a problem document, the web into words. */
export type Failure =
  | { code: 'not_found'; thing: string; id: number | string }
  | { code: 'sign_in_needed' }
  /** Unknown, without a password or with a wrong one: which of them is not said. */
  | { code: 'sign_in_refused' }
  /** `seconds` until the next try is judged. */
  | { code: 'too_many_attempts'; seconds: number }
  /** More that is heavy than one person may ask for at once, or in a minute; `seconds` until there is room. */
  | { code: 'asked_for_much'; seconds: number }
  | { code: 'password_wrong' }
  /** With the right password: a code has to come with it. */
  | { code: 'second_factor_needed' }
  /** Wrong, of another time, or taken already. */
  | { code: 'code_wrong' }
  /** The installation asks for one, and nothing else is open before it is set up. */
  | { code: 'second_factor_to_set_up' }
  | { code: 'second_factor_there' | 'second_factor_missing' | 'second_factor_required' | 'second_factor_of_own_first' }
  | { code: 'permission_needed'; needs: Permission }
  | { code: 'beyond_own_permissions'; permissions: readonly Permission[] }
  | { code: 'role_name_taken'; name: string }
  | { code: 'role_in_use'; name: string; holders: number }
  | { code: 'company_name_differs'; name: string }
  | { code: 'adding_companies_refused' }
  | { code: 'link_unusable'; reason: 'unknown' | 'used' | 'expired' | 'revoked' }
  | { code: 'link_needs_name' }
  | { code: 'person_is_member' | 'person_is_invited' | 'invitation_of_another'; email: string }
  /** Whoever is invited has an account, and signs in with it. */
  | { code: 'account_there_already' }
  | { code: 'installation_not_kept' }
  | { code: 'person_of_other_companies' }
  | { code: 'last_administrator' }
  | { code: 'own_right_kept' }
  | { code: 'view_name_taken'; name: string }
  | { code: 'too_many_views'; limit: number }
  | { code: 'currency_unknown'; currency: string }
  /** `last`: who made the version that stands, and when, in UTC. */
  | { code: 'version_conflict'; thing: string; id: number; current: unknown; last?: { by: string; at: string } }
  /** Accounts and categories that are not any more as they were found. */
  | { code: 'place_conflict'; accountIds: number[]; categoryIds: number[] }
  /** Nothing in the change is otherwise than it is. */
  | { code: 'placement_unchanged' }
  | { code: 'classification_name_taken'; name: string }
  | { code: 'classification_is_main'; name: string }
  | { code: 'placement_undone_already'; recordId: number }
  | { code: 'rehearsal_name_taken'; name: string }
  | PlacementFault
  | { code: 'idempotency_key_reused'; key: string }
  | { code: 'busy' }
  /** What a company keeps, or a person hands in within a day, takes its whole share. */
  | { code: 'share_of_disk_full'; of: 'company' | 'person'; megabytes: number }
  /** The database has no room left. */
  | { code: 'storage_full' }
  /** The database has not answered for ten seconds; what was asked for may still be done. */
  | { code: 'database_hangs' }
  /** The database went away in between; whatever was under way was rolled back, or was done already. */
  | { code: 'database_lost' }
  | { code: 'account_unknown'; accountId: number }
  | { code: 'account_takes_no_postings'; accountId: number; number: string; reason: 'parent' | 'inactive' }
  | { code: 'entry_out_of_balance'; difference: bigint }
  | { code: 'opening_of_income'; line: number }
  | { code: 'line_amount_invalid'; line: number }
  | { code: 'line_amount_too_large'; line: number }
  | { code: 'trial_balance_taken_back'; by: string }
  /** Facets of a line that may not stand on it. */
  | { code: 'line_facets_refused'; line: number; refused: FacetRefused }
  | FacetRefused
  | { code: 'pairing_of_one_facet' }
  /** `at`: the first character of the text that is wrong. */
  | { code: 'facet_range_malformed'; field: 'neededOn' | 'notAllowedOn' | 'accounts'; at: number; reason: RangeTextMalformed['reason'] }
  | { code: 'ledger_too_large' }
  | { code: 'day_outside_calendar'; day: string; year: string }
  | { code: 'first_day_needed' }
  | { code: 'adjusting_period_there'; year: string }
  /** No year that has one ends on this day. */
  | { code: 'adjusting_period_missing'; day: string }
  | { code: 'nothing_to_close'; year: string }
  | { code: 'retained_earnings_missing' }
  | YearUnmakeable
  | { code: 'day_out_of_reach'; day: string }
  | { code: 'period_locked'; day: string }
  | { code: 'entry_not_reversible'; reason: 'reversed' | 'trial_balance' | 'earlier'; documentNumber: string }
  | { code: 'period_not_locked'; day: string }
  | { code: 'span_reversed'; from: string; to: string }
  | { code: 'comparison_incomplete' }
  | { code: 'columns_too_many'; columns: number; most: number }
  | { code: 'budget_without_flows' }
  | { code: 'budget_of_all_lines' }
  /** Of the end of a day before the company was set up, or before its categories were. */
  | { code: 'placement_not_kept'; day: string }
  /** Balances of a budget in another currency. */
  | { code: 'budget_not_translated' }
  /** Rates of a currency that a statement in it needs, the earliest of them, and how many more. */
  | { code: 'rates_missing'; currency: string; rates: MissingRate[]; more: number }
  | { code: 'amounts_too_large' }
  /** What exchange rates do to a balance is neither an increase nor a decrease. */
  | { code: 'directions_not_translated' }
  | { code: 'budget_of_other_year'; name: string; year: string }
  | { code: 'budget_needs_whole_periods'; name: string }
  | { code: 'line_unknown'; line: string }
  | { code: 'layout_name_taken'; name: string }
  /** There is no version in use to go back to. */
  | { code: 'layout_has_draft_only'; name: string }
  | { code: 'layout_without_draft'; name: string }
  | { code: 'layout_not_in_use'; name: string }
  | { code: 'column_plan_name_taken'; name: string }
  /** By layouts that are run with it, and by sets. */
  | { code: 'column_plan_in_use'; name: string; layouts: string[]; sets: string[] }
  | { code: 'layout_in_use'; name: string; sets: string[] }
  | { code: 'set_name_taken'; name: string }
  | { code: 'set_part_twice'; part: string }
  | { code: 'set_empty'; name: string }
  /** The layout cannot be run with the plan. */
  | { code: 'plan_unfit'; fault: PlanFault }
  /** A workbook could not hold an amount of the line to the minor unit. */
  | { code: 'amount_beyond_workbook'; line: string }
  | { code: 'layout_key_twice'; line: string }
  /** Formulas, sums or hidden lines that name what is not there. */
  | { code: 'layout_unsound'; lines: string[] }
  /** What follows its categories. */
  | { code: 'classification_held'; name: string; layouts: string[] }
  | { code: 'account_element_held'; by: 'sub_accounts' | 'places' | 'role' }
  /** What stands in the way of retiring it: a balance (debit positive), active sub-accounts, a role. */
  | { code: 'account_not_retirable'; balance: bigint; subAccounts: number; role: string | null }
  /** What holds it: journal lines, sub-accounts, budgets, a role. */
  | { code: 'account_held'; lines: number; subAccounts: number; budgets: number; role: string | null }
  | { code: 'account_parent_inactive'; number: string }
  | { code: 'category_not_empty'; accounts: number; subcategories: number; contras: number }
  | { code: 'attachment_kind_refused'; name: string; kinds: readonly string[] }
  /** What it begins with is not what its ending says. */
  | { code: 'attachment_of_other_kind'; name: string; kind: string }
  | { code: 'attachment_too_large'; limit: number }
  /** Empty, or it ended before its time. */
  | { code: 'attachment_incomplete' }
  | { code: 'file_too_large'; bytes: number; limit: number }
  /** It ended before its time, or was not as long as was said. */
  | { code: 'file_incomplete'; bytes: number; expected: number }
  | { code: 'file_not_a_table'; found: 'pdf' | 'binary' | 'empty' | 'old_workbook' | 'picture' | 'document' }
  | { code: 'file_unreadable'; reason: string; row?: number }
  | { code: 'file_limit_exceeded'; limit: 'rows' | 'columns' | 'cells' | 'inflated_bytes' | 'parts' | 'time' }
  | { code: 'posting_blocked'; blockers: { code: string; count: number }[] }
  | { code: 'ledger_moved_on' }
  | { code: 'account_name_taken'; name: string; accountId: number; number: string }
  /** Active accounts beside each other that share a name; at most those of one company. */
  | { code: 'names_repeated'; accounts: readonly { id: number; number: string; name: string }[] }
  | { code: 'setting_held'; setting: 'currency' | 'fiscalYearFirstMonth'; by: 'entries' | 'years' }
  | {
      code: 'merge_refused';
      reason: 'same_account' | 'other_element' | 'has_sub_accounts' | 'inactive' | 'role_needed' | 'used_later';
      /** The account, element, role or day that the reason speaks of. */
      about: string | null;
    }
  | { code: 'rate_invalid'; rate: string }
  /** Somebody changed them meanwhile: the first of them, as they stand now (`null`: none). */
  | { code: 'rates_moved_on'; rates: { currency: string; kind: string; day: string; accountId: number | null; current: string | null }[] }
  /** Accounts that somebody left out, or took in, meanwhile; the first of them. */
  | { code: 'exclusions_moved_on'; accounts: { accountId: number; current: string | null }[] }
  /** A line's amount is not what its amount in another currency comes to at its rate; `line` from 1. */
  | { code: 'line_rate_disagrees'; line: number; expected: bigint }
  | { code: 'budget_name_taken'; name: string; year: number }
  | { code: 'budget_locked' | 'budget_not_locked'; name: string }
  /** Cells that somebody changed meanwhile, as they stand now, debit positive. */
  | { code: 'budget_cells_moved_on'; cells: { accountId: number; period: number; current: bigint }[] }
  | { code: 'series_code_taken'; series: string }
  /** Documents are numbered in it. */
  | { code: 'series_held'; series: string; documents: number }
  /** No new document is numbered in it. */
  | { code: 'series_ended'; id: number }
  | { code: 'code_list_name_taken'; name: string }
  | { code: 'code_list_held'; name: string; accounts: number; lines: number; budgets: number }
  | { code: 'list_code_held'; listed: string; accounts: number; lines: number; pairings: number; budgets: number }
  /** Of no list, or not a code of the list that it names. */
  | { code: 'list_code_unknown'; listed: string }
  /** `state`: what became of the import instead. */
  | { code: 'journal_not_ready'; state: string }
  | { code: 'chart_file_wrong'; rows: number }
  /** Of a file of facet values. */
  | { code: 'facet_file_wrong'; rows: number }
  /** The chart or the ledger is not what the check showed. */
  | { code: 'chart_moved_on' }
  | CodesRefused
  | ChartFileUnreadable
  | NumberMalformed
  | RoleRefused
  | PasswordRefused
  | AccountRefused
  | DerivationRefused;
