import { chartWords } from './failures/chartWords.ts';
import { companyWords } from './failures/companyWords.ts';
import { facetWords } from './failures/facetWords.ts';
import type { FailureWords } from './failures/failureWords.ts';
import { ledgerWords } from './failures/ledgerWords.ts';
import { ownWords } from './failures/ownWords.ts';
import { peopleWords } from './failures/peopleWords.ts';
import { placementWords } from './failures/placementWords.ts';
import { requestWords } from './failures/requestWords.ts';
import { statementWords } from './failures/statementWords.ts';

/** Every code has its words, or this does not compile. */
const words: FailureWords = {
  ...requestWords,
  ...peopleWords,
  ...companyWords,
  ...chartWords,
  ...facetWords,
  ...placementWords,
  ...ledgerWords,
  ...statementWords,
  ...ownWords,
};

/** The sentence that a failure is told with; one of a code that this page does not know is said too. */
export function describeFailure(failure: unknown): string {
  const { code = '', facts = {} } = (failure ?? {}) as { code?: string; facts?: object };
  const told = (words as Readonly<Partial<Record<string, (facts: object) => string>>>)[code];
  return told?.(facts) ?? `Not done: ${code.replaceAll('_', ' ') || 'unknown reason'}.`;
}
