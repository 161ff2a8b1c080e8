export { RateRepository } from './rateStore.ts';
