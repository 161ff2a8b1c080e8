import { toDecimalText } from '@ivory-ladder/core';
import type { AccountLedger, WrittenFile } from '../application/ports/index.ts';
import { csvFile, numberCell } from './csvFile.ts';
import { fileName } from './fileName.ts';

/** One row a line, account by account; amounts as plain decimals, the balance debit positive. */
export function writeAccountLedgerCsv({ books, accounts, from, to, part }: AccountLedger): WrittenFile {
  const { currency, name } = books.company;
  const facets = books.lists.filter(({ kind }) => kind === 'facet');
  const amount = (minorUnits: bigint) => numberCell(toDecimalText(minorUnits, currency));
  const heading = ['Account', 'Name', 'Date', 'Document', 'Text', 'Counter accounts', ...facets.map((facet) => facet.name), 'Debit', 'Credit', 'Balance'];
  const rows = accounts.flatMap(({ account, opening, closing, lines }) => [
    [account.number, account.name, from, '', 'Before', '', ...facets.map(() => ''), '', '', amount(opening)],
    ...lines.map((line) => [
      account.number,
      account.name,
      line.date,
      line.documentNumber,
      line.text || line.description,
      line.counterparts.map((id) => books.labels.get(id) ?? '').join('; '),
      ...facets.map(({ key }) => line.facets[key] ?? ''),
      line.debit === 0n ? '' : amount(line.debit),
      line.credit === 0n ? '' : amount(line.credit),
      amount(line.balance),
    ]),
    [account.number, account.name, to, '', 'At the end', '', ...facets.map(() => ''), '', '', amount(closing)],
  ]);
  const head = [[name], ['Account ledger'], [[`${from} to ${to}`, currency.code, part].filter(Boolean).join(' · ')], []];
  return csvFile(fileName(name, `Account ledger ${to}.csv`), [...head, heading, ...rows]);
}
