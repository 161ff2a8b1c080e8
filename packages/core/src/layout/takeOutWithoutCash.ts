import type { CaptionLanguage } from './captionWords.ts';
import { cashFlowWords } from './cashFlowWords.ts';
import type { LayoutEdit } from './editLayout.ts';
import type { ExpandedLayout } from './layoutFacts.ts';
import { freshKey } from './lineKeys.ts';
import { newLine } from './newLine.ts';
import { type OwnLayout, type ResultOwnLine, walkOwn } from './ownLayout.ts';

/** Makes a cash flow take out what moved without cash: profit stays whole, so where no line frees it of such income and expenses yet, one is put behind it. */
export function takeOutWithoutCash(layout: OwnLayout, expanded: ExpandedLayout, language: CaptionLanguage): LayoutEdit[] {
  const edits: LayoutEdit[] = [{ kind: 'set', settings: { withoutCash: 'taken_out' } }];
  const results: ResultOwnLine[] = [];
  walkOwn(layout.lines, (line) => {
    if (line.kind === 'result' && line.freedOn === undefined) results.push(line);
  });
  for (const result of results) {
    const key = freshKey('in_profit_without_cash', expanded.byKey);
    const line = { ...newLine('accounts', key, cashFlowWords[language].inProfitWithoutCash), side: 'credit' as const };
    edits.push({ kind: 'insert', lines: [line], spot: { within: expanded.groupOf.get(result.key) ?? null, after: result.key } });
    edits.push({ kind: 'change', line: { ...result, freedOn: key } });
  }
  return edits;
}
