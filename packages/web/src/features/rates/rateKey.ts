import type { ExchangeRateBody } from '@ivory-ladder/contract';

/** What a rate is of; there is one rate of each. */
export type RateKey = Omit<ExchangeRateBody, 'rate'>;
