import type { FactsOf } from '@ivory-ladder/contract';
import { longDay } from '@ivory-ladder/core';
import { planFaultText } from '../planFaultText.ts';
import type { FailureWords } from './failureWords.ts';

/** Words for what keeps a statement, its layout, columns or set from being made. */
export const statementWords = {
  span_reversed: ({ from, to }) => `The span begins on ${longDay(from)}, after it ends on ${longDay(to)}.`,
  comparison_incomplete: () => 'A comparison with chosen days needs both its first and its last day.',
  columns_too_many: ({ columns, most }) => `These dates have ${columns} columns; ${most} can stand beside each other. Choose quarters, or fewer days.`,
  budget_without_flows: () =>
    'A budget has amounts by account and period: it knows no openings, directions or effects of exchange rates, which lines of this layout take.',
  budget_of_all_lines: () => 'A budget stands beside all lines; take the filter by facets off to see them together.',
  budget_not_translated: () => 'Balances of a budget cannot be shown in another currency: that would need closing rates of days to come.',
  budget_of_other_year: ({ name, year }) => `The budget ${name} is of ${year}, and these dates are not all within it.`,
  budget_needs_whole_periods: ({ name }) => `The budget ${name} has amounts by period; choose whole periods.`,
  rates_missing: ({ currency, rates, more }) =>
    `${currency} lacks ${[...rates.map(rateText), ...(more > 0 ? [`${more} more`] : [])].join(', ')}. Enter them under Ledger, Rates.`,
  amounts_too_large: () => 'In this currency the amounts are beyond what can be computed exactly.',
  directions_not_translated: () =>
    'The layout tells increases of balances from decreases. What exchange rates do to a balance is neither, so it is not shown at own rates; show all at the closing rate.',
  line_unknown: () => 'This line is no longer on the statement.',
  layout_name_taken: ({ name }) => `There is a layout named ${name} already.`,
  layout_has_draft_only: ({ name }) => `There is no version of ${name} in use to go back to.`,
  layout_without_draft: ({ name }) => `Nothing of ${name} is drafted: the version in use is what stands here.`,
  layout_not_in_use: ({ name }) => `The layout ${name} is a draft only. Put it in use under Layouts, then it runs.`,
  layout_in_use: ({ name, sets }) => `The layout ${name} stands in ${sets.join(', ')}. Take it out of the set first.`,
  layout_key_twice: ({ line }) => `Two lines have the key ${line}.`,
  layout_unsound: ({ lines }) => `Not put in use: ${lines.join(', ')} cannot be worked out, or names a line that is not there.`,
  column_plan_name_taken: ({ name }) => `Another column plan is called ${name}.`,
  column_plan_in_use: ({ name, layouts, sets }) =>
    `The column plan ${name} is what ${[...layouts, ...sets].join(', ')} is run with. Choose other columns there first.`,
  plan_unfit: ({ fault }) => `The layout cannot be run with these columns. ${planFaultText(fault)}`,
  amount_beyond_workbook: ({ line }) => `No workbook was made: an amount of ${line} has more than the fifteen digits that a workbook computes with.`,
  set_name_taken: ({ name }) => `Another set is called ${name}.`,
  set_part_twice: () => 'A statement of the set is named twice.',
  set_empty: ({ name }) => `There is no statement in ${name} yet.`,
} satisfies Partial<FailureWords>;

function rateText({ kind, day }: FactsOf<'rates_missing'>['rates'][number]): string {
  return kind === 'average' ? `the average rate of the period from ${longDay(day)}` : `a closing rate of ${longDay(day)} or before`;
}
