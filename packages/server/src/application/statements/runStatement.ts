import {
  type Detail,
  type DocumentOf,
  type FootedTo,
  makeDocument,
  type Outcome,
  planPrint,
  printNeeds,
  type RanStatement,
  runStatement as run,
  type Scale,
  type StatementDocument,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';
import { type ColumnChoice, planOf, type StatementName } from './prepareStatement.ts';
import { provideVectors } from './provideVectors.ts';

/** How much of a statement is shown, and in what. */
export interface DetailChoice {
  readonly detail: number | 'accounts';
  readonly open: readonly string[];
  readonly shut: readonly string[];
  readonly zero: boolean;
  readonly scale: Scale['unit'];
  readonly rounding: Scale['rounding'];
  /** Beside the rows that are shown, all down to accounts: of what is taken along or kept. */
  readonly withAccounts?: boolean;
}

export type StatementChoice = ColumnChoice & DetailChoice;

/** A finished statement, and whose it is. */
export interface Statement extends RanStatement, DocumentOf {}

/** As a value, which all that is shown, exported and kept is made from. */
export function documentOf(statement: Statement): StatementDocument {
  return makeDocument(statement, statement);
}

/** Run anew where somebody posted while it was provided for. */
export function runStatement(ports: Ports, { companyId }: Access, name: StatementName, choice: StatementChoice): Promise<Outcome<Statement, Failure>> {
  return withFreshBooks(async () => {
    const planned = await planOf(ports, companyId, name, choice);
    if (!planned.ok) return planned;
    const { desk, plan } = planned.value;
    const print = planPrint(plan, printedBy(choice));
    const vectors = await provideVectors(ports, desk.books, printNeeds(print), plan.ratesNeeded);
    return vectors.ok ? succeed({ ...run(print, vectors.value), companyId, company: desk.books.company.name }) : vectors;
  });
}

export function printedBy({ detail, open, shut, zero, scale, rounding, withAccounts }: DetailChoice, footedTo?: FootedTo) {
  const shown: Detail = { rungs: detail, opened: new Set(open), shut: new Set(shut), zeroLines: zero };
  return { detail: shown, scale: { unit: scale, rounding }, footedTo, withAccounts };
}
