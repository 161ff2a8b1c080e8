import type { StatementEffect } from '@ivory-ladder/contract';
import { counted } from './counted.ts';

type LookedAt = StatementEffect['lookedAt'][number];

/** In one sentence what shows another amount, or of how many statements none does; empty where nothing was looked at. */
export function effectSentence({ lookedAt, rows }: StatementEffect): string {
  if (lookedAt.length === 0) return '';
  if (rows.length === 0) return `No line of ${counted(lookedAt.length, 'statement')} shows another amount.`;
  const changed = lookedAt.flatMap((statement, at) => {
    const lines = rows.filter((row) => row.statement === at).length;
    return lines === 0 ? [] : [`${titleOf(statement)} (${lines})`];
  });
  return `${counted(rows.length, 'line shows', 'lines show')} another amount: ${inWords(changed)}.`;
}

/** Names in a row, each classification once: `balance sheet and cash flow; of Management: balance sheet`. */
export function listed(statements: readonly LookedAt[]): string {
  const of = new Map<string | null, string[]>();
  for (const one of statements) of.set(one.classification, [...(of.get(one.classification) ?? []), one.generated === null ? `«${one.title}»` : one.title]);
  return [...of].map(([classification, names]) => `${classification === null ? '' : `of ${classification}: `}${inWords(names)}`).join('; ');
}

export function titleOf({ title, classification }: LookedAt): string {
  return classification === null ? title : `${title} (${classification})`;
}

function inWords(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
