export { listRates, readRateFile, setRates } from './rates.ts';
