import type { CodeList, ListKey } from '../chart/codeList.ts';
import type { DecimalSign } from '../money/readAmount.ts';

/** What the columns of a file of journal lines can be; one row is one line, rows of one document and day are one entry. */
export const journalColumns = {
  date: { heading: 'Date', takes: 'Day of the entry: 2026-09-30, 30.09.2026, 30/09/2026 or 09/30/2026', isNeeded: true },
  document: {
    heading: 'Document',
    takes: 'Number of the document where the line comes from; its lines are one entry. Empty: one entry a day',
    isNeeded: false,
  },
  description: { heading: 'Description', takes: 'Text of the entry', isNeeded: false },
  account: { heading: 'Account', takes: 'Number of the account; its path where accounts have names only', isNeeded: true },
  debit: { heading: 'Debit', takes: 'Amount in debit, with a decimal dot or comma', isNeeded: false },
  credit: { heading: 'Credit', takes: 'Amount in credit', isNeeded: false },
  amount: { heading: 'Amount', takes: 'In the place of debit and credit: one amount, debit positive', isNeeded: false },
  text: { heading: 'Text', takes: 'Text of the line', isNeeded: false },
  layer: { heading: 'Layer', takes: 'ledger or adjustment; empty: ledger', isNeeded: false },
} as const;
export type JournalColumn = keyof typeof journalColumns;
export const journalColumnNames = Object.keys(journalColumns) as JournalColumn[];

/** In which order the parts of a date stand. */
export type DateOrder = 'ymd' | 'dmy' | 'mdy';

/** What a file of journal lines is taken for; each part can be corrected. */
export interface JournalReading {
  /** Index of the row of headings from 0; lines follow it. */
  readonly headingRow: number;
  readonly columns: Readonly<Partial<Record<JournalColumn, number>>>;
  /** Columns of facet values. */
  readonly facets: Readonly<Record<ListKey, number>>;
  readonly decimalSign: DecimalSign;
  readonly dateOrder: DateOrder;
}

/** Words that ledgers head these columns with; common practice. Earlier ones win. */
const headings: readonly (readonly [JournalColumn, RegExp])[] = [
  ['date', /^((posting|entry|document|booking|value|transaction)[ -]*)?(date|day)$|^(buchungs)?datum$|^date( comptable)?$|^fecha$|^dato$|^boekdatum$/i],
  [
    'document',
    /^(document|voucher|entry|journal|reference|ref)( ?(no|nr|number|id)\.?)?$|^beleg(nummer|nr\.?)?$|^pi(è|e)ce$|^documento$|^bilag(snr|snummer)?$|^boekstuk(nummer)?$/i,
  ],
  ['account', /^(ledger )?account( ?(no|nr|number|code)\.?)?$|^konto(nummer|nr\.?)?$|^compte$|^cuenta$|^rekening(nummer)?$|^a\/?c( no\.?)?$|^number$/i],
  ['debit', /^(debits?|dr\.?|soll|d(é|e)bit|debet|debe|dare)( amount)?$/i],
  ['credit', /^(credits?|cr\.?|haben|cr(é|e)dit|kredit|haber|avere)( amount)?$/i],
  ['amount', /^(net )?(amount|betrag|montant|importe|bel(ø|o)p|bedrag)$/i],
  ['layer', /^layer$/i],
  ['description', /^(description|entry text|narrative|bezeichnung|libell(é|e)|descripci(ó|o)n|beskrivelse|omschrijving)$/i],
  ['text', /^(text|line text|memo|note|comment|buchungstext|tekst|texto|texte)$/i],
];

const rowsLookedAt = 30;

/**
 * Finds the row of headings and what each column is; facets are known by their names. `null` where no row names an
 * account and an amount. Decimal sign and order of dates are what most cells of the rows allow; where both do, a dot and the
 * day first. Cost: cells.
 */
export function detectJournal(rows: readonly (readonly string[])[], facets: readonly CodeList[]): JournalReading | null {
  let best: Pick<JournalReading, 'headingRow' | 'columns' | 'facets'> | null = null;
  let most = 0;
  for (let at = 0; at < Math.min(rows.length, rowsLookedAt); at++) {
    const found = readHeadings(rows[at] ?? [], facets);
    const { account, amount, debit } = found.columns;
    const count = Object.keys(found.columns).length;
    if (count <= most || account === undefined || (amount === undefined && debit === undefined)) continue;
    most = count;
    best = { headingRow: at, ...found };
  }
  if (!best) return null;
  const body = rows.slice(best.headingRow + 1);
  return { ...best, decimalSign: decimalSignOf(body, best.columns), dateOrder: dateOrderOf(body, best.columns.date) };
}

function readHeadings(row: readonly string[], facets: readonly CodeList[]): Pick<JournalReading, 'columns' | 'facets'> {
  const columns: Partial<Record<JournalColumn, number>> = {};
  const values: Record<ListKey, number> = {};
  row.forEach((cell, at) => {
    const heading = cell.replace(/[\s_]+/g, ' ').trim();
    const facet = facets.find(({ name }) => name.toLowerCase() === heading.toLowerCase());
    if (facet) values[facet.key] ??= at;
    else {
      const column = headings.find(([, pattern]) => pattern.test(heading))?.[0];
      if (column) columns[column] ??= at;
    }
  });
  return { columns, facets: values };
}

function decimalSignOf(body: readonly (readonly string[])[], { debit, credit, amount }: JournalReading['columns']): DecimalSign {
  let [dots, commas] = [0, 0];
  for (const row of body)
    for (const column of [debit, credit, amount]) {
      const text = column === undefined ? '' : (row[column] ?? '').trim();
      if (/\.\d{1,2}\D*$/.test(text)) dots++;
      if (/,\d{1,2}\D*$/.test(text)) commas++;
    }
  return commas > dots ? ',' : '.';
}

function dateOrderOf(body: readonly (readonly string[])[], column: number | undefined): DateOrder {
  const texts = column === undefined ? [] : body.map((row) => (row[column] ?? '').trim());
  if (texts.some((text) => /^\d{4}/.test(text))) return 'ymd';
  return texts.some((text) => /^\d{1,2}\/(1[3-9]|2\d|3[01])\//.test(text)) ? 'mdy' : 'dmy';
}
