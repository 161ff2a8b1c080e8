import { budgetHeadings, toDecimalText } from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import { yearNameOf } from '../application/budgets/index.ts';
import type { BudgetGrid, WrittenFile } from '../application/ports/index.ts';
import { fileName } from './fileName.ts';
import { amountFormat, rounded } from './workbookAmounts.ts';

const headingRow = 5;
const ink = { argb: 'FF20262B' };
const second = { argb: 'FF5B6066' };
const rule = { style: 'thin', color: ink } as const;

/** Accounts by periods on their normal sides, the year's sums as live formulas; it is read back by its headings. */
export async function writeBudgetWorkbook(grid: BudgetGrid): Promise<WrittenFile> {
  const { books, budget, periods, partName } = grid;
  const { company } = books;
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Ivory Ladder';
  const sheet = workbook.addWorksheet('Budget', {
    views: [{ state: 'frozen', xSplit: 2, ySplit: headingRow, showGridLines: false }],
    pageSetup: { paperSize: 9, orientation: 'landscape', fitToPage: true, fitToWidth: 1, fitToHeight: 0, printTitlesRow: `1:${headingRow}` },
  });
  const title = `Budget ${yearNameOf(books, budget.year)}, ${budget.name}`;
  const head = [
    [company.name, 12, false, ink],
    [title, 16, true, ink],
    [
      [company.currency.code, partName, 'Amounts on the normal side of each account; income and expenses are positive'].filter(Boolean).join(' · '),
      10,
      false,
      second,
    ],
  ] as const;
  for (const [at, [text, size, bold, color]] of head.entries()) {
    sheet.getCell(at + 1, 1).value = text;
    sheet.getCell(at + 1, 1).font = { name: at < 2 ? 'Georgia' : 'Calibri', size, bold, color };
  }
  const captions = [...budgetHeadings, ...periods.map(periodCaption), 'Year'];
  captions.forEach((caption, at) => {
    const cell = sheet.getCell(headingRow, at + 1);
    cell.value = caption;
    cell.font = { name: 'Calibri', size: 10, color: second };
    cell.border = { bottom: rule };
    cell.alignment = { horizontal: at < budgetHeadings.length ? 'left' : 'right' };
    sheet.getColumn(at + 1).width = [14, 42, 8][at] ?? 14;
  });
  const first = budgetHeadings.length + 1;
  const last = budgetHeadings.length + periods.length;
  const [from, to] = [sheet.getColumn(first).letter, sheet.getColumn(last).letter];
  const { currency } = company;
  grid.accounts
    .filter(({ isParent }) => !isParent)
    .forEach(({ account, amounts, depth }, at) => {
      const number = headingRow + 1 + at;
      const shown = (amount: bigint) => Number(toDecimalText(account.normalSide === 'debit' ? amount : -amount, currency));
      const row = sheet.getRow(number);
      row.getCell(1).value = company.numbered ? account.number : (books.labels.get(account.id) ?? account.name);
      row.getCell(2).value = account.name;
      row.getCell(2).alignment = { indent: depth };
      row.getCell(3).value = account.normalSide;
      amounts.forEach((amount, period) => {
        row.getCell(first + period).value = amount === 0n ? null : shown(amount);
        row.getCell(first + period).numFmt = amountFormat(currency.exponent);
      });
      const total = row.getCell(last + 1);
      total.value = {
        formula: rounded(`SUM(${from}${number}:${to}${number})`, currency.exponent),
        result: shown(amounts.reduce((sum, amount) => sum + amount, 0n)),
      };
      total.numFmt = amountFormat(currency.exponent);
      total.font = { name: 'Calibri', size: 11, bold: true, color: ink };
    });
  return {
    name: fileName(company.name, `${title}${partName === '' ? '' : `, ${partName}`}.xlsx`),
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    content: Buffer.from(await workbook.xlsx.writeBuffer()),
  };
}

function periodCaption({ number, firstDay }: BudgetGrid['periods'][number]): string {
  const month = new Intl.DateTimeFormat('en-GB', { month: 'short', year: '2-digit', timeZone: 'UTC' }).format(new Date(`${firstDay}T00:00:00Z`));
  return `${number}: ${month}`;
}
