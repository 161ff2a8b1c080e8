import type { Day, FigureKind } from '@ivory-ladder/core';
import type { ReadingAnswers } from './readTrialBalanceFile.ts';

/** What a person has answered so far about a file; what is left open is proposed. */
export interface PostingAnswers extends ReadingAnswers {
  readonly date?: Day | undefined;
  /** It was asked about, and is right. */
  readonly confirmedDay?: Day | undefined;
  readonly figures?: FigureKind | undefined;
  readonly retainedEarnings?: string | null | undefined;
  readonly confirmElements: boolean;
  readonly missing: 'nil' | 'left_alone';
  readonly withdraw: readonly number[];
}
