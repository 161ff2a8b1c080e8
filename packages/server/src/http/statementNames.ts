import { statementKind } from '@ivory-ladder/contract';
import type { GeneratedName } from '@ivory-ladder/core';
import type { StatementName } from '../application/statements/index.ts';

const generatedNames: ReadonlyMap<string, GeneratedName> = new Map([
  ['balance-sheet', 'balance_sheet'],
  ['income-statement', 'income_statement'],
  ['cash-flow', 'cash_flow'],
  ['changes-in-equity', 'changes_in_equity'],
  ['trial-balance', 'trial_balance'],
]);

/** What a path or a body calls a statement: `balance-sheet`, `layout-7`. */
export function nameOf(kind: string): StatementName {
  const parsed = statementKind.parse(kind);
  return generatedNames.get(parsed) ?? Number(parsed.slice('layout-'.length));
}

export function kindOf(name: StatementName): string {
  return typeof name === 'number' ? `layout-${name}` : name.replaceAll('_', '-');
}
