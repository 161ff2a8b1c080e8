import { toDecimalText } from '@ivory-ladder/core';
import type { TrialBalancePaper, WrittenFile } from '../application/ports/index.ts';
import { csvFile, numberCell } from './csvFile.ts';
import { adjustmentRows, paperColumns, paperFileName, paperHead } from './trialBalanceColumns.ts';

/** Amounts as plain decimals with a minus in front; adjustments with their texts below, where they are asked for. */
export function writeTrialBalanceCsv(paper: TrialBalancePaper): WrittenFile {
  const { currency } = paper.books.company;
  const columns = paperColumns(paper);
  const adjustments = adjustmentRows(paper).map(({ document, day, text, account, debit, credit }) => [
    document,
    day,
    text,
    account,
    numberCell(toDecimalText(debit, currency)),
    numberCell(toDecimalText(credit, currency)),
  ]);
  const lines = [
    ...paperHead(paper).map((text) => [text]),
    [],
    ['Number', 'Name', ...columns.map(({ heading }) => heading)],
    ...paper.lines.map((line) => [line.account.number, line.account.name, ...columns.map(({ amount }) => numberCell(toDecimalText(amount(line), currency)))]),
    ...(adjustments.length === 0 ? [] : [[], ['Document', 'Date', 'Text', 'Account', 'Debit', 'Credit'], ...adjustments]),
  ];
  return csvFile(paperFileName(paper, 'csv'), lines);
}
