import type { SetDefinitionBody, SetPartBody } from '@ivory-ladder/contract';
import { freshKey } from '@ivory-ladder/core';
import { readPresentation } from '../statements/index.ts';

/** A statement as a set takes it first: with its own columns, opened to subcategories. The key is one that the set does not have yet. */
export function newPart(statement: SetPartBody['statement'], parts: readonly SetPartBody[]): SetPartBody {
  const key = freshKey(statement, new Set(parts.map((part) => part.key)));
  return { key, statement, title: '', columns: null, detail: 2, zeroLines: false };
}

/** What most sets begin as, in the order of IAS 1.10. */
export function newSet(): SetDefinitionBody {
  const parts: SetPartBody[] = [];
  for (const statement of ['balance-sheet', 'income-statement', 'changes-in-equity', 'cash-flow'] as const) parts.push(newPart(statement, parts));
  return { parts, scale: { unit: 'thousands', rounding: 'footed' }, language: null };
}

/** As the menu of figures asks for it; what it does not name stays. */
export function withFigures({ presentation: before, ...definition }: SetDefinitionBody, asked: Record<string, string | null>): SetDefinitionBody {
  const { unit, rounding } = definition.scale;
  const presentation = 'currency' in asked ? readPresentation(asked.currency ?? null) : before;
  return {
    ...definition,
    scale: {
      unit: 'scale' in asked ? ((asked.scale ?? 'exact') as typeof unit) : unit,
      rounding: 'rounding' in asked ? ((asked.rounding ?? 'footed') as typeof rounding) : rounding,
    },
    ...(presentation ? { presentation } : {}),
  };
}
