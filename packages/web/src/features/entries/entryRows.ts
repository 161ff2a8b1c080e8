import {
  type CodeList,
  type CodesOfAccount,
  type Currency,
  codeFinder,
  type DraftLine,
  defaultFacets,
  type FacetsOfLine,
  formatAmount,
  type Side,
} from '@ivory-ladder/core';
import { typedAmount } from '../../shared/components/typedAmount.ts';

/** An amount in another currency as it stands in the fields. */
export interface TypedForeign {
  readonly currency: string;
  readonly amount: string;
  /** Empty where it follows from both amounts. */
  readonly rate: string;
  /** The side that its amount in the company's currency comes to. */
  readonly side: Side;
}

/** A line as it stands in the fields: amounts as they are typed. */
export interface EntryRow {
  readonly key: string;
  readonly accountId: number | null;
  readonly debit: string;
  readonly credit: string;
  readonly text: string;
  readonly facets: FacetsOfLine;
  readonly foreign: TypedForeign | null;
}

export function emptyRow(): EntryRow {
  return { key: crypto.randomUUID(), accountId: null, debit: '', credit: '', text: '', facets: {}, foreign: null };
}

/** The typed amount, `null` where it is none; with a dot or a comma as decimal sign, whichever reads. */
export function amountIn(typed: string, currency: Currency): bigint | null {
  const amount = typedAmount(typed, currency);
  return amount !== null && amount >= 0n ? amount : null;
}

/** An amount as it is written into a field; it reads back to the same. */
export function amountText(amount: bigint, currency: Currency): string {
  return formatAmount(amount, currency);
}

/** Amounts that cannot be read count as nil; they are told apart by `amountIn`. */
export function linesOf(rows: readonly EntryRow[], currency: Currency): DraftLine[] {
  return rows.map(({ accountId, debit, credit }) => ({ accountId, debit: amountIn(debit, currency) ?? 0n, credit: amountIn(credit, currency) ?? 0n }));
}

interface KnownAccount {
  readonly id: number;
  readonly codes: CodesOfAccount;
  readonly number: string;
  readonly name: string;
}

/**
 * A block of a spreadsheet as rows: account (number or name), debit, credit, text, then a value of each facet in their order;
 * with two columns account and amount, debit positive. Values that are not given are those that the account names. `null`
 * for text that is no block.
 */
export function pastedRows(text: string, accounts: readonly KnownAccount[], facets: readonly CodeList[], currency: Currency): EntryRow[] | null {
  const lines = text
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))
    .filter((cells) => cells.some((cell) => cell !== ''));
  if (lines.length === 0 || lines.every((cells) => cells.length < 2)) return null;
  const byReference = new Map<string, number>();
  for (const { id, number, name } of accounts) {
    byReference.set(name.toLowerCase(), id);
    if (number !== '') byReference.set(`${number} ${name}`.toLowerCase(), id);
  }
  for (const { id, number } of accounts) if (number !== '') byReference.set(number.toLowerCase(), id);
  const codes = new Map(accounts.map((account) => [account.id, account.codes]));
  const isSigned = lines.every((cells) => cells.length === 2);
  const finders = facets.map((facet) => ({ key: facet.key, find: codeFinder(facet) }));
  return lines.map(([account = '', first = '', second = '', words = '', ...values]) => {
    const accountId = byReference.get(account.toLowerCase()) ?? null;
    const filled = Object.fromEntries(
      finders.flatMap(({ key, find }, at) => {
        const value = find(values[at] ?? '');
        return value ? [[key, value.code]] : [];
      }),
    );
    const row = { ...emptyRow(), accountId, text: words, facets: { ...defaultFacets(codes.get(accountId ?? 0) ?? {}), ...filled } };
    if (!isSigned) return { ...row, debit: first, credit: second };
    const isNegative = /^[-(\u2212]/.test(first) || first.endsWith('-');
    const size = amountIn(first.replace(/[-()\u2212]/g, ''), currency);
    const amount = size === null ? first : size === 0n ? '' : amountText(size, currency);
    return isNegative ? { ...row, credit: amount } : { ...row, debit: amount };
  });
}
