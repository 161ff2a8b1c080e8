import { budgetOperations } from './budgetOperations.ts';
import { chartOperations } from './chartOperations.ts';
import { codeListOperations } from './codeListOperations.ts';
import { companyOperations } from './companyOperations.ts';
import { journalOperations } from './journalOperations.ts';
import { layoutOperations } from './layoutOperations.ts';
import { ledgerOperations } from './ledgerOperations.ts';
import { peopleOperations } from './peopleOperations.ts';
import { placementOperations } from './placementOperations.ts';
import { rateOperations } from './rateOperations.ts';
import { seriesOperations } from './seriesOperations.ts';
import { setOperations } from './setOperations.ts';
import { statementOperations } from './statementOperations.ts';

/** Every operation of the API. */
export const operations = {
  ...companyOperations,
  ...peopleOperations,
  ...chartOperations,
  ...placementOperations,
  ...codeListOperations,
  ...ledgerOperations,
  ...journalOperations,
  ...budgetOperations,
  ...rateOperations,
  ...seriesOperations,
  ...statementOperations,
  ...layoutOperations,
  ...setOperations,
};

export type OperationName = keyof typeof operations;
