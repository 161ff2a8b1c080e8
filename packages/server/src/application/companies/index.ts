export { type CompanyView, checkLayoutOptions, createCompany, setLayoutOptions, viewCompany, viewLayoutOptions } from './companies.ts';
export { changeSettings, checkSettings, removeCompany } from './companySettings.ts';
export { openAdjustingPeriodOn, openPeriodOn } from './openPeriod.ts';
export { lockedOn, lockPeriods, unlockPeriod } from './periodLocks.ts';
export { addAdjustingPeriod, isWithinReach, makeNextYear, makeYear, yearsToMake } from './years.ts';
