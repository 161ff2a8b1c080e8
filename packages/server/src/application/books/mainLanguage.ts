import type { CaptionLanguage } from '@ivory-ladder/core';
import type { Books } from '../ports/index.ts';

/** What captions of a company are in where no language is asked for: the first of its languages. */
export function mainLanguage({ languages }: Pick<Books['company'], 'languages'>): CaptionLanguage {
  return languages[0] ?? 'en';
}
