import { accountsByNumber, joinPath, referenceKey, splitPath } from '../chart/accountReference.ts';
import { bringToScheme, exampleOf, type NumberScheme } from '../chart/numberScheme.ts';
import { accountCells } from './accountCells.ts';
import type { Cell } from './cell.ts';
import type { ColumnMap, ColumnMeaning } from './columnMeaning.ts';
import type { RowProblem } from './trialBalanceRow.ts';

/** An account that may be meant, by its number, or by its path of names where accounts have no numbers. */
export interface KnownAccount {
  readonly number: string;
  readonly name: string;
  readonly active: boolean;
}

const longestNumber = 50;

/** Which account a row of a trial balance is; in a company of names only its path stands in the place of the number. */
interface Identity {
  readonly number: string;
  readonly name: string;
  readonly parentNumber: string | null;
}

type Report = (column: ColumnMeaning, code: RowProblem['code'], found: string, other?: string) => void;
/** What is wrong with the row's number or name is reported. */
type Identify = (cells: readonly Cell[], parentText: string, problem: Report) => Identity;

/** By the number, brought to the scheme. */
export function identifyByNumber(chart: readonly KnownAccount[], columns: ColumnMap, numberScheme: NumberScheme | null): Identify {
  const charted = new Set(chart.map(({ number }) => number));
  return (cells, parentText, problem) => {
    const { number: written, name } = accountCells(cells, columns);
    const brought = inScheme(written, numberScheme, charted);
    const number = brought ?? written;
    if (number === '') problem('number', 'number_missing', '', name);
    else if (brought === null && numberScheme) problem('number', 'number_malformed', written, exampleOf(numberScheme));
    else if (number.length > longestNumber) problem('number', 'number_too_long', number);
    return { number, name, parentNumber: (inScheme(parentText, numberScheme, charted) ?? parentText) || null };
  };
}

/** By the path where one is written or its parent is; else by the name where one active account alone has it; else it is new. */
export function identifyByName(chart: readonly KnownAccount[], columns: ColumnMap): Identify {
  const charted = accountsByNumber(chart);
  const named = new Map<string, KnownAccount[]>();
  for (const account of chart) if (account.active) named.set(account.name.toLowerCase(), [...(named.get(account.name.toLowerCase()) ?? []), account]);
  const isKnown = (path: string): boolean => charted.has(referenceKey(path));
  return (cells, parentText, problem) => {
    const { name: written } = accountCells(cells, columns);
    const parentPath = charted.get(referenceKey(parentText))?.number ?? parentText;
    const path = joinPath(parentPath, written);
    const sharing = parentText === '' ? (named.get(written.toLowerCase()) ?? []) : [];
    const exact = charted.get(referenceKey(path));
    // A retired account gives way to active ones of its name.
    const account = exact?.active || sharing.length === 0 ? exact : sharing.length === 1 ? sharing[0] : undefined;
    if (!account && sharing.length > 1) problem('name', 'name_ambiguous', written, sharing.map(({ number }) => number).join('; '));
    // As with numbers, what is nested below what is only said of the file where the file says it.
    if (account) return { number: account.number, name: account.name, parentNumber: parentPath || null };
    if (parentText !== '') return { number: path, name: written, parentNumber: parentPath };
    const split = splitPath(path, isKnown);
    return { number: path, name: split.name, parentNumber: split.parentPath || null };
  };
}

/** The number as the scheme writes it, or `null` where it cannot be. One that an account has already is that account's, whatever the scheme. */
function inScheme(written: string, scheme: NumberScheme | null, charted: ReadonlySet<string>): string | null {
  if (written === '' || !scheme || charted.has(written)) return written;
  const brought = bringToScheme(written, scheme);
  return brought.ok ? brought.value : null;
}
