import { accountLabel, longDay } from '@ivory-ladder/core';
import type { FailureWords } from './failureWords.ts';

const mostNamed = 6;

/** Words about a company’s settings, its years and periods, and its series of documents. */
export const companyWords = {
  company_name_differs: ({ name }) => `The name of the company is ${name}. Nothing was removed.`,
  currency_unknown: ({ currency }) => `${currency} is no currency of ISO 4217.`,
  setting_held: ({ setting }) =>
    setting === 'currency' ? 'The currency stays: there are entries in it.' : 'The first month of the fiscal year stays: there are years already.',
  names_repeated: ({ accounts }) => {
    const more = accounts.length - mostNamed;
    return `Names alone would not tell these apart: ${accounts.slice(0, mostNamed).map(accountLabel).join(', ')}${more > 0 ? ` and ${more} more` : ''}. Rename them first.`;
  },
  day_outside_calendar: ({ day, year }) => `${longDay(day)} stands in no fiscal year. Make the year ${year} first.`,
  day_out_of_reach: ({ day }) => `${longDay(day)} is decades away from the ledger. Is the year right?`,
  first_day_needed: () => 'Name the first day of the first fiscal year.',
  adjusting_period_there: ({ year }) => `The year ${year} has a period for adjustments already.`,
  adjusting_period_missing: ({ day }) => `${longDay(day)} is not the last day of a year with a period for adjustments.`,
  nothing_to_close: ({ year }) => `There is nothing to close in ${year}: its income and expense accounts are at nil.`,
  retained_earnings_missing: () => 'No account has the role of retained earnings yet. Name one in the chart first.',
  period_ends_unordered: ({ at, day }) => `Period ${at} ends on ${longDay(day)}, which is not after the end of the one before.`,
  year_too_long: ({ days }) => `A fiscal year of ${days} days is too long.`,
  period_locked: ({ day }) => `The period of ${longDay(day)} is locked and takes no entries.`,
  period_not_locked: ({ day }) => `The period of ${longDay(day)} is open already.`,
  series_code_taken: ({ series }) => `There is a series ${series} already.`,
  series_held: ({ series, documents }) => `The series ${series} cannot be deleted: ${documents} documents are numbered in it. It can be ended.`,
  series_ended: () => 'This series was ended: no new documents are numbered in it.',
} satisfies Partial<FailureWords>;
