import type { SetDefinitionBody, SetPartBody } from '@ivory-ladder/contract';

/** A statement as a set takes it first: with its own columns, opened to subcategories. The key is one that the set does not have yet. */
export function newPart(statement: SetPartBody['statement'], parts: readonly SetPartBody[]): SetPartBody {
  const base = statement.replaceAll('-', '_');
  const taken = new Set(parts.map(({ key }) => key));
  let key = base;
  for (let number = 2; taken.has(key); number++) key = `${base}_${number}`;
  return { key, statement, title: '', columns: null, detail: 2, zeroLines: false };
}

/** What most sets begin as, in the order of IAS 1.10. */
export function newSet(): SetDefinitionBody {
  const parts: SetPartBody[] = [];
  for (const statement of ['balance-sheet', 'income-statement', 'changes-in-equity', 'cash-flow'] as const) parts.push(newPart(statement, parts));
  return { parts, scale: { unit: 'thousands', rounding: 'footed' }, language: null };
}

/** The statement with the key one place up or down. */
export function shiftedPart(parts: readonly SetPartBody[], key: string, by: 1 | -1): SetPartBody[] {
  const at = parts.findIndex((part) => part.key === key);
  const to = at + by;
  if (at < 0 || to < 0 || to >= parts.length) return [...parts];
  const next = [...parts];
  [next[at], next[to]] = [next[to] as SetPartBody, next[at] as SetPartBody];
  return next;
}
