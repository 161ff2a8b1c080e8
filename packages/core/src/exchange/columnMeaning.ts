import { type Cell, textOf } from './cell.ts';

export const columnMeanings = ['number', 'name', 'element', 'parent', 'category', 'amount', 'debit', 'credit', 'mark', 'opening', 'opening_debit', 'opening_credit', 'turnover_debit', 'turnover_credit'] as const;
export type ColumnMeaning = (typeof columnMeanings)[number];

/** Column index from 0 by meaning; absent meanings are not in the file. */
export type ColumnMap = Readonly<Partial<Record<ColumnMeaning, number>>>;

/** Words ledgers head their columns with, in the languages we know exports of; common practice. Earlier patterns win. */
const headings: readonly (readonly [ColumnMeaning, RegExp])[] = [
  ['opening_debit', /^(opening|start(ing)?|brought forward|b\/?f|anfangs?|er(ö|oe)ffnung|solde initial|ouverture|apertura|ib).*(debit|dr|soll|d(é|e)bit|debe|dare|debet)/i],
  ['opening_credit', /^(opening|start(ing)?|brought forward|b\/?f|anfangs?|er(ö|oe)ffnung|solde initial|ouverture|apertura|ib).*(credit|cr|haben|cr(é|e)dit|haber|avere|kredit)/i],
  ['turnover_debit', /^(turnover|movements?|period|umsatz|verkehrszahlen|mouvements?|movimenti?).*(debit|dr\b|soll|d(é|e)bit|debe|dare|debet)/i],
  ['turnover_credit', /^(turnover|movements?|period|umsatz|verkehrszahlen|mouvements?|movimenti?).*(credit|cr\b|haben|cr(é|e)dit|haber|avere|kredit)/i],
  ['debit', /^((closing|ending|final|balance|saldo|solde|total)[ -]*)?(debits?|dr\.?|soll|d(é|e)bit|debet|debe|dare|deudor)( (balance|amount|saldo|eur|usd))?$/i],
  ['credit', /^((closing|ending|final|balance|saldo|solde|total)[ -]*)?(credits?|cr\.?|haben|cr(é|e)dit|kredit|haber|avere|acreedor)( (balance|amount|saldo|eur|usd))?$/i],
  ['mark', /^(dr\/?cr|d\/?c|s\/?h|side|d\/k|sign|soll\/haben)$/i],
  ['opening', /^(opening|starting|brought forward|b\/?f|anfangs|er(ö|oe)ffnung|solde initial|ouverture|saldo inicial)/i],
  ['element', /^(element|account type|type|class|kontoart|nature|tipo)$/i],
  ['parent', /^(parent|parent (number|account|no\.?)|main account|(ü|ue)berkonto|compte parent|cuenta padre)$/i],
  ['category', /^(category|category path|placement|kategorie|cat(é|e)gorie|categor(í|i)a|statement line)$/i],
  [
    'number',
    /^(account|account (no|number|nr|code|#)\.?|acc(t|ount)?\.? ?(no|nr|code)?\.?|a\/?c( no\.?)?|no\.?|nr\.?|number|code|konto(nummer|nr\.?)?|konto[- ]?nr\.?|compte|num(é|e)ro( de compte)?|cuenta|codice|conto|rekening(nummer)?|kontonummer|ledger account|account id)$/i,
  ],
  [
    'name',
    /^(name|account (name|title|description)|description|title|bezeichnung|kontobezeichnung|kontenbezeichnung|text|libell(é|e)|intitul(é|e)|nombre|descripci(ó|o)n|descrizione|naam|omschrijving|benevnelse|navn)$/i,
  ],
  [
    'amount',
    /^(((closing|ending|final|net|current|year to date|ytd)[ -]*)?(balance|amount|saldo|solde|total|net|bal\.?)( (amount|eur|usd|jpy|kwd|at end))?|endsaldo|schlusssaldo|solde final|closing|ub|betrag|montant|importe)$/i,
  ],
];

/** The day at the end of a heading: `Balance at 30 September 2026`, `Saldo per 30.09.2026`. */
const behindDay = /\s+((as )?(at|of|on)|per|zum|au|al)?\s*((\d{1,2}[.\s/-]+)?(\p{L}{3,12}|\d{1,2})[.\s/-]+(\d{1,2},\s)?\d{4}|\d{4}-\d{2}-\d{2})$/iu;

export function meaningOfHeading(text: string): ColumnMeaning | null {
  const plain = text
    .replace(/[\s_]+/g, ' ')
    .replace(/\s*[([].*[)\]]\s*$/, '')
    .replace(behindDay, '')
    .trim();
  return headings.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
}

/** Words that head a column of numbers, or of names where the numbers have a column of their own. */
const numberOrName = /^(account|ledger account|konto|compte|cuenta|conto|rekening|acct\.?|a\/?c)$/i;

/** The first column of each meaning in a row of headings. */
export function columnsOfHeading(row: readonly Cell[]): ColumnMap {
  const columns: Partial<Record<ColumnMeaning, number>> = {};
  row.forEach((cell, index) => {
    const meaning = meaningOfHeading(textOf(cell));
    if (meaning && columns[meaning] === undefined) columns[meaning] = index;
  });
  if (columns.name !== undefined) return columns;
  const numbers = row.flatMap((cell, index) => (meaningOfHeading(textOf(cell)) === 'number' ? [index] : []));
  const name = numbers.length < 2 ? undefined : numbers.find((index) => numberOrName.test(textOf(row[index])));
  const number = numbers.find((index) => index !== name);
  return name === undefined || number === undefined ? columns : { ...columns, number, name };
}
