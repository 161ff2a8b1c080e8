import type { SetDefinitionBody, SetPartBody } from '@ivory-ladder/contract';
import { freshKey } from '@ivory-ladder/core';

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
