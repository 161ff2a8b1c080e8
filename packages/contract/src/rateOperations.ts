import { z } from 'zod';
import type { Operation } from './operation.ts';
import { exchangeRates, rateFile, ratesInput } from './rates.ts';

/** Exchange rates of a company's currency. */
export const rateOperations = {
  listRates: { needs: 'see', method: 'get', path: '/companies/{companyId}/rates', summary: 'Exchange rates, latest first', answer: exchangeRates },
  setRates: {
    needs: 'keep_budgets_and_rates',
    method: 'put',
    path: '/companies/{companyId}/rates',
    summary: 'Set exchange rates, or take some away; what was posted stays as it is',
    body: ratesInput,
    takesMany: true,
    answer: exchangeRates,
  },
  readRateFile: {
    needs: 'keep_budgets_and_rates',
    method: 'post',
    path: '/companies/{companyId}/rate-files',
    summary: 'What stands in a file of exchange rates; nothing is changed',
    query: z.object({ name: z.string().min(1).max(200) }),
    takesFile: true,
    answer: rateFile,
  },
} as const satisfies Record<string, Operation>;
