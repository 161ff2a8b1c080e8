export { figuresText } from './figuresText.ts';
export { LedgerTabs } from './LedgerTabs.tsx';
export { useTrialBalanceDrop } from './useTrialBalanceDrop.ts';
