import type { JournalImport } from '@ivory-ladder/contract';
import { type Currency, formatAmount, isDay, shortDay } from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';
import { type FacetRefused, facetsRefused } from '../../shared/words/failures/facetWords.ts';

type Fault = NonNullable<JournalImport['summary']>['faults'][number];

const text = (value: unknown): string => String(value ?? '');
const dayText = (value: unknown): string => (isDay(text(value)) ? shortDay(text(value)) : text(value));
const documentText = ({ document, date }: Fault['facts']): string =>
  document ? `Document ${text(document)} of ${dayText(date)}` : `The entry without a document of ${dayText(date)}`;

/** What is wrong with a row or an entry of a file of journal lines. */
export function faultText({ code, facts }: Fault, currency: Currency): string {
  switch (code) {
    case 'date_unreadable':
      return facts.found ? `«${text(facts.found)}» is no day` : 'There is no day';
    case 'account_missing':
      return 'There is no account';
    case 'account_unknown':
      return `There is no account «${text(facts.found)}»`;
    case 'account_takes_none':
      return facts.reason === 'parent' ? `${text(facts.found)} has sub-accounts and takes no entries` : `${text(facts.found)} is retired`;
    case 'amount_unreadable':
      return `«${text(facts.found)}» is no amount`;
    case 'amount_missing':
      return 'There is no amount';
    case 'amount_on_both_sides':
      return 'There is an amount on both sides';
    case 'layer_unreadable':
      return `«${text(facts.found)}» is neither ledger nor adjustment`;
    case 'too_long':
      return `«${text(facts.found)}…» is too long`;
    case 'day_outside_calendar':
      return `${dayText(facts.found)} is in no fiscal year`;
    case 'period_locked':
      return `${dayText(facts.found)} is in a locked period`;
    case 'facet_needed':
    case 'facet_not_allowed':
    case 'facet_value_unknown':
    case 'facet_value_retired':
    case 'facets_do_not_pair':
      return facetsRefused({ code, ...facts } as FacetRefused).replace(/\.$/, '');
    case 'facet_value_gone':
      return 'A facet value of this row has been removed meanwhile: read the file again';
    case 'entry_out_of_balance': {
      const difference = BigInt(text(facts.difference));
      const size = formatAmount(difference < 0n ? -difference : difference, currency);
      return `${documentText(facts)} is out of balance: ${size} missing in ${difference > 0n ? 'credit' : 'debit'}`;
    }
    case 'entry_of_one_line':
      return `${documentText(facts)} has one line only`;
    case 'entry_known_otherwise':
      return `${documentText(facts)} was posted before with other amounts, as document ${text(facts.documentNumber)}`;
    case 'file_malformed':
      return 'From here on the file is no well-formed XML';
    case 'quote_not_closed':
      return 'A quotation mark is not closed from here on';
    case 'row_too_long':
      return 'The row has no end: is the separator another one?';
    default:
      return code.replaceAll('_', ' ');
  }
}

type Group = NonNullable<JournalImport['summary']>['groups'][number];

/** What several rows or entries have in common that is wrong with them, the first of them named where each says something else. */
export function groupText(group: Group, currency: Currency): string {
  const { code, facts, row, count } = group;
  if (code === 'day_outside_calendar') return `no fiscal year ${text(facts.year)}, as of ${dayText(facts.found)}`;
  const said = faultText(group, currency);
  if (count === 1) return said;
  switch (code) {
    case 'account_unknown':
    case 'account_takes_none':
    case 'layer_unreadable':
    case 'facet_value_unknown':
    case 'account_missing':
    case 'amount_missing':
    case 'amount_on_both_sides':
      return `${said.charAt(0).toLowerCase()}${said.slice(1)}`;
    default:
      return `the first in row ${row}: ${said}`;
  }
}

/** How many rows, or documents, have it. */
export function groupCount({ code, row, count }: Group): string {
  if (code.startsWith('entry_')) return counted(count, 'document');
  return count === 1 && row !== null ? `Row ${row}` : counted(count, 'row');
}
