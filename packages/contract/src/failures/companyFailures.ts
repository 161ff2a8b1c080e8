import { z } from 'zod';
import { day } from '../primitives.ts';
import { conflict, type FailureKind, nothing, refused } from './failureKind.ts';

const ofYear = { year: z.string() };
const onDay = { day: z.string() };

/** A company's settings, its years and periods, and its series of documents. */
export const companyFailures = {
  company_name_differs: conflict({ name: z.string() }),
  currency_unknown: refused({ currency: z.string() }),
  setting_held: conflict({ setting: z.enum(['currency', 'fiscalYearFirstMonth']), by: z.enum(['entries', 'years']) }),
  /** Active accounts beside each other that share a name. */
  names_repeated: conflict({ accounts: z.array(z.object({ id: z.int(), number: z.string(), name: z.string() })) }),
  day_outside_calendar: refused({ ...onDay, ...ofYear }),
  day_out_of_reach: refused(onDay),
  first_day_needed: refused(nothing),
  adjusting_period_there: conflict(ofYear),
  adjusting_period_missing: refused(onDay),
  nothing_to_close: conflict(ofYear),
  retained_earnings_missing: refused(nothing),
  /** `at`: which of the days, from 1. */
  period_ends_unordered: refused({ at: z.int(), day }),
  year_too_long: refused({ days: z.int() }),
  period_locked: conflict(onDay),
  period_not_locked: conflict(onDay),
  series_code_taken: conflict({ series: z.string() }),
  series_held: conflict({ series: z.string(), documents: z.int() }),
  series_ended: refused({ id: z.int() }),
} satisfies Record<string, FailureKind>;
