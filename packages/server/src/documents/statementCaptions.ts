import type { DrawnStatement } from '@ivory-ladder/core';
import { fileName } from './fileName.ts';

export function fileNameOf({ company, title, lastDay }: Pick<DrawnStatement, 'company' | 'title' | 'lastDay'>, ending: string): string {
  return fileName(company, `${title} ${lastDay}.${ending}`);
}

/** Whether a column of notes stands beside the captions. */
export function hasNotes(rows: DrawnStatement['rows']): boolean {
  return rows.some(({ note }) => note !== undefined && note !== '');
}
