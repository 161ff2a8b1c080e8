import type { z } from 'zod';
import { chartFailures } from './chartFailures.ts';
import { companyFailures } from './companyFailures.ts';
import { facetFailures } from './facetFailures.ts';
import { ledgerFailures } from './ledgerFailures.ts';
import { peopleFailures } from './peopleFailures.ts';
import { placementFailures } from './placementFailures.ts';
import { requestFailures } from './requestFailures.ts';
import { statementFailures } from './statementFailures.ts';

/** Every failure that an answer can tell of: by code, its status and the facts that come with it. */
export const failures = {
  ...requestFailures,
  ...peopleFailures,
  ...companyFailures,
  ...chartFailures,
  ...facetFailures,
  ...placementFailures,
  ...ledgerFailures,
  ...statementFailures,
};

export type FailureCode = keyof typeof failures;
/** As they stand in JSON: amounts are strings of minor units. */
export type FactsOf<Code extends FailureCode> = z.infer<(typeof failures)[Code]['facts']>;
