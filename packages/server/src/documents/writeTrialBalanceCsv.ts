import { asPlainText, toDecimalText } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import type { WrittenFile } from '../application/ports/index.ts';
import type { TrialBalancePaper } from '../application/trialBalancePaper.ts';
import { adjustmentRows, paperColumns, paperFileName, paperHead } from './trialBalanceColumns.ts';

/** Amounts as plain decimals with a minus in front; adjustments with their texts below, where they are asked for. */
export function writeTrialBalanceCsv(paper: TrialBalancePaper): WrittenFile {
  const { currency } = paper.books.company;
  const columns = paperColumns(paper);
  const adjustments = adjustmentRows(paper).map(({ document, day, text, account, debit, credit }) => [
    document,
    day,
    asPlainText(text),
    asPlainText(account),
    toDecimalText(debit, currency),
    toDecimalText(credit, currency),
  ]);
  const lines = [
    ...paperHead(paper).map((text) => [asPlainText(text)]),
    [],
    ['Number', 'Name', ...columns.map(({ heading }) => heading)],
    ...paper.lines.map((line) => [
      asPlainText(line.account.number),
      asPlainText(line.account.name),
      ...columns.map(({ amount }) => toDecimalText(amount(line), currency)),
    ]),
    ...(adjustments.length === 0 ? [] : [[], ['Document', 'Date', 'Text', 'Account', 'Debit', 'Credit'], ...adjustments]),
  ];
  return { name: paperFileName(paper, 'csv'), type: 'text/csv; charset=utf-8', content: `\ufeff${stringify(lines, { record_delimiter: 'windows' })}` };
}
