import { longDay, type PlanFault } from '@ivory-ladder/core';
import { planFaultText } from '../components/planFaultText.ts';

type Facts = Record<string, unknown>;
const text = (value: unknown): string => String(value ?? '');
const asList = (values: unknown): unknown[] => (Array.isArray(values) ? values : []);
const listOf = (values: unknown): string => (Array.isArray(values) ? values.join(', ') : text(values));

/** Words for what keeps a statement, its layout, columns or set from being made. */
export const statementFailures: Readonly<Record<string, (facts: Facts) => string>> = {
  columns_too_many: ({ columns, most }) =>
    `These dates have ${text(columns)} columns; ${text(most)} can stand beside each other. Choose quarters, or fewer days.`,
  budget_without_flows: () =>
    'A budget has amounts by account and period: it knows no openings, directions or effects of exchange rates, which lines of this layout take.',
  budget_of_all_lines: () => 'A budget stands beside all lines; take the filter by facets off to see them together.',
  budget_of_other_year: ({ name, year }) => `The budget ${text(name)} is of ${text(year)}, and these dates are not all within it.`,
  budget_needs_whole_periods: ({ name }) => `The budget ${text(name)} has amounts by period; choose whole periods.`,
  comparison_incomplete: () => 'A comparison with chosen days needs both its first and its last day.',
  placement_not_kept: ({ day }) => `No placement is kept of ${longDay(text(day))}: the categories were set up later. Choose a later day for the column.`,
  budget_not_translated: () => 'Balances of a budget cannot be shown in another currency: that would need closing rates of days to come.',
  rates_missing: ({ currency, rates, more }) =>
    `${text(currency)} lacks ${[...asList(rates).map(rateText), ...(Number(more) > 0 ? [`${text(more)} more`] : [])].join(', ') || 'a rate'}. Enter them under Ledger, Rates.`,
  directions_not_translated: () =>
    'The layout tells increases of balances from decreases. What exchange rates do to a balance is neither, so it is not shown at own rates; show all at the closing rate.',
  amounts_too_large: () => 'In this currency the amounts are beyond what can be computed exactly.',
  line_unknown: () => 'This line is no longer on the statement.',
  layout_name_taken: ({ name }) => `There is a layout named ${text(name)} already.`,
  layout_has_draft_only: ({ name }) => `There is no version of ${text(name)} in use to go back to.`,
  layout_without_draft: ({ name }) => `Nothing of ${text(name)} is drafted: the version in use is what stands here.`,
  layout_not_in_use: ({ name }) => `The layout ${text(name)} is a draft only. Put it in use under Layouts, then it runs.`,
  column_plan_name_taken: ({ name }) => `Another column plan is called ${text(name)}.`,
  column_plan_in_use: ({ name, layouts, sets }) =>
    `The column plan ${text(name)} is what ${listOf([...asList(layouts), ...asList(sets)])} is run with. Choose other columns there first.`,
  layout_in_use: ({ name, sets }) => `The layout ${text(name)} stands in ${listOf(sets)}. Take it out of the set first.`,
  set_name_taken: ({ name }) => `Another set is called ${text(name)}.`,
  set_part_twice: () => 'A statement of the set is named twice.',
  set_empty: ({ name }) => `There is no statement in ${text(name)} yet.`,
  plan_unfit: ({ fault }) => `The layout cannot be run with these columns. ${fault ? planFaultText(fault as PlanFault) : ''}`.trim(),
  amount_beyond_workbook: ({ line }) => `No workbook was made: an amount of ${text(line)} has more than the fifteen digits that a workbook computes with.`,
  layout_key_twice: ({ line }) => `Two lines have the key ${text(line)}.`,
  layout_unsound: ({ lines }) => `Not put in use: ${listOf(lines)} cannot be worked out, or names a line that is not there.`,
  classification_held: ({ name, layouts }) => `The classification ${text(name)} is followed by ${listOf(layouts)}. Delete these layouts first.`,
  line_key_taken: ({ line }) => `Another line has the key ${text(line)} already.`,
  line_takes_no_lines: () => 'This line takes no lines; only groups, headings and lines that follow do.',
  line_within_itself: () => 'A line cannot stand in itself.',
  line_follows: () => 'This line follows the categories: it moves among the lines beside it. For another order of categories, move them under Placement.',
  line_in_use: ({ line, by }) => `${text(line)} is used by ${listOf(by)}. Change these first.`,
};

function rateText(rate: unknown): string {
  const { kind, day } = rate as { kind: string; day: string };
  return kind === 'average' ? `the average rate of the period from ${longDay(day)}` : `a closing rate of ${longDay(day)} or before`;
}
