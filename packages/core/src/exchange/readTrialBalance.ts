import { type Element, elements, type Side } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import type { NumberScheme } from '../chart/numberScheme.ts';
import { proposeElements } from '../chart/proposeElements.ts';
import type { Currency } from '../money/currency.ts';
import { readCategoryPath } from '../placement/categoryPath.ts';
import { AmountCells } from './amountCells.ts';
import { type Cell, textOf } from './cell.ts';
import type { ColumnMeaning } from './columnMeaning.ts';
import type { Reading } from './detectReading.ts';
import { firstText, reasonToLeaveOut } from './leaveOut.ts';
import { readElement } from './readElement.ts';
import { identifyByName, identifyByNumber, type KnownAccount } from './rowIdentity.ts';
import { elementsOfTitle } from './sectionTitle.ts';
import { separateParentTotals } from './totals.ts';
import type { LeftOutRow, RowProblem, TrialBalanceRow } from './trialBalanceRow.ts';

/** What the chart already knows of an account. */
export interface ChartAccount extends KnownAccount {
  readonly element: Element;
}

type KnownElement = Pick<ChartAccount, 'number' | 'element'>;

export interface TrialBalanceInput {
  readonly rows: readonly (readonly Cell[])[];
  readonly reading: Reading;
  readonly currency: Currency;
  readonly digitOrder: DigitOrder;
  /** Whether accounts have numbers; else rows are known by their names, or by paths of them. */
  readonly numbered: boolean;
  /** Numbers that the chart does not know as they stand are brought to it. */
  readonly numberScheme: NumberScheme | null;
  readonly chart: readonly ChartAccount[];
  /** Elements the user confirmed, by account number. */
  readonly confirmed: ReadonlyMap<string, Element>;
  /** Rows, from 1, that are no accounts although they look so. */
  readonly leaveOut: ReadonlySet<number>;
}

export interface TrialBalanceFile {
  readonly rows: readonly TrialBalanceRow[];
  readonly problems: readonly RowProblem[];
  readonly leftOut: readonly LeftOutRow[];
  /** Sums of readable rows, not negative. */
  readonly debits: bigint;
  readonly credits: bigint;
  /** Where one amount cannot be read: the debit-positive amount with which the file would balance. */
  readonly wouldBalance: bigint | null;
}

/** The title that rows stand below, and what it names. */
interface Section {
  readonly title: string;
  readonly elements: readonly Element[];
}

const longestName = 200;

/** Turns the cells of a file into the rows of a trial balance, each with its problems beside it. Cost: cells + n log n. */
export function readTrialBalance(input: TrialBalanceInput): TrialBalanceFile {
  const { rows, reading } = input;
  const problems: RowProblem[] = [];
  const leftOut: LeftOutRow[] = [];
  const amounts = new AmountCells(reading, input.currency, problems);
  const found: TrialBalanceRow[] = [];
  const rowOfNumber = new Map<string, number>();
  const sections = new Map<number, Section>();
  let section: Section | null = null;
  const identify = input.numbered ? identifyByNumber(input.chart, reading.columns, input.numberScheme) : identifyByName(input.chart, reading.columns);
  for (const [index, cells] of rows.entries()) {
    const row = index + 1;
    const text = (column: ColumnMeaning): string => textOf(cells[reading.columns[column] ?? -1]);
    if (index === reading.headingRow) continue;
    const reason = input.leaveOut.has(row) ? 'chosen' : reasonToLeaveOut(cells, index, reading, amounts);
    if (reason !== null) {
      const title = firstText(cells);
      const named = reason === 'title' ? elementsOfTitle(title) : null;
      if (named) section = { title, elements: named };
      leftOut.push({ row, reason, text: title });
      continue;
    }
    const problem = (column: ColumnMeaning, code: RowProblem['code'], foundText: string, other = '', warning = false): void => {
      problems.push({ row, column, code, found: foundText, other, warning });
    };
    const { number, name, parentNumber } = identify(cells, text('parent'), problem);
    const repeated = number === '' ? undefined : rowOfNumber.get(number.toLowerCase());
    if (repeated === undefined) rowOfNumber.set(number.toLowerCase(), row);
    else if (input.numbered) problem('number', 'number_repeated', number, String(repeated));
    else problem('name', 'name_repeated', number, String(repeated));
    if (name === '') problem('name', 'name_missing', '', number);
    else if (name.length > longestName) problem('name', 'name_too_long', name.slice(0, 60));
    const elementText = text('element');
    const element = elementText === '' ? null : readElement(elementText);
    if (elementText !== '' && element === null && !input.confirmed.has(number)) problem('element', 'element_unknown', elementText, elements.join(', '));
    if (section) sections.set(row, section);
    found.push({
      row,
      number,
      name,
      element,
      elementFrom: element ? 'file' : null,
      parentNumber,
      categoryPath: readCategoryPath(text('category'), element),
      ...amounts.read(cells, row),
    });
  }
  checkParents(found, input, problems);
  const withElements = fillElements(found, input, sections, problems);
  const { kept, totals } = separateParentTotals(withElements, problems);
  leftOut.push(...totals);
  leftOut.sort((a, b) => a.row - b.row);
  problems.sort((a, b) => a.row - b.row);
  return { rows: kept, problems, leftOut, ...sums(kept) };
}

function sums(rows: readonly TrialBalanceRow[]): Pick<TrialBalanceFile, 'debits' | 'credits' | 'wouldBalance'> {
  let debits = 0n;
  let credits = 0n;
  let unread = 0;
  for (const { amount } of rows) {
    if (amount === null) unread++;
    else if (amount > 0n) debits += amount;
    else credits -= amount;
  }
  return { debits, credits, wouldBalance: unread === 1 ? credits - debits : null };
}

function checkParents(rows: readonly TrialBalanceRow[], { chart }: TrialBalanceInput, problems: RowProblem[]): void {
  const numbers = new Set([...rows.map(({ number }) => number), ...chart.map(({ number }) => number)]);
  const parentOf = new Map(rows.map((row) => [row.number, row.parentNumber]));
  for (const { row, number, parentNumber } of rows) {
    if (parentNumber === null) continue;
    const report = (code: 'parent_unknown' | 'parent_of_itself'): void => void problems.push({ row, column: 'parent', code, found: parentNumber, other: number, warning: false });
    if (!numbers.has(parentNumber)) report('parent_unknown');
    else {
      const seen = new Set([number]);
      for (let at: string | null | undefined = parentNumber; at; at = parentOf.get(at)) {
        if (seen.has(at)) {
          report('parent_of_itself');
          break;
        }
        seen.add(at);
      }
    }
  }
}

/** The chart's element stands; else the file's, else the confirmed one, else a proposal. */
function fillElements(rows: readonly TrialBalanceRow[], { chart, confirmed, digitOrder, numbered }: TrialBalanceInput, sections: ReadonlyMap<number, Section>, problems: RowProblem[]): TrialBalanceRow[] {
  const charted = new Map(chart.map((account) => [account.number, account.element]));
  const sure = (row: TrialBalanceRow): Pick<TrialBalanceRow, 'element' | 'elementFrom'> | null => {
    const inChart = charted.get(row.number);
    const chosen = confirmed.get(row.number);
    if (inChart) {
      if (row.element && row.element !== inChart) problems.push({ row: row.row, column: 'element', code: 'element_differs', found: row.element, other: inChart, warning: true });
      return { element: inChart, elementFrom: 'chart' };
    }
    if (chosen) return { element: chosen, elementFrom: 'confirmed' };
    return row.element ? { element: row.element, elementFrom: 'file' } : null;
  };
  const filled = rows.map((row) => ({ ...row, ...(sure(row) ?? { element: null, elementFrom: null }) }));
  const known = [...chart, ...filled.flatMap(({ number, element }) => (number === '' || element === null || charted.has(number) ? [] : [{ number, element }]))];
  const waiting = filled.flatMap(({ row, number, name, element, parentNumber, amount }) => (element || number === '' ? [] : [{ number, name, parentNumber, side: sideOf(amount), section: sections.get(row) ?? null }]));
  const proposals = proposeElements(waiting, known, orderOf(filled, chart.length === 0, numbered, digitOrder));
  const accountOf = new Map<string, KnownElement>([...known.map((account) => [account.number, account] as const), ...[...proposals].map(([number, { element }]) => [number, { number, element }] as const)]);
  return filled.map((row) => {
    if (row.element) return parentAgrees(row, accountOf, problems);
    const proposal = proposals.get(row.number);
    if (proposal) return { ...row, element: proposal.element, elementFrom: proposal.reason };
    problems.push({ row: row.row, column: 'element', code: 'element_needed', found: '', other: elements.join(', '), warning: false });
    return row;
  });
}

/** A first file stands as its chart does, from assets to expenses; later ones hold a few new accounts among those that are known. */
function orderOf(rows: readonly TrialBalanceRow[], isFirst: boolean, numbered: boolean, digitOrder: DigitOrder): Parameters<typeof proposeElements>[2] {
  const numbers = [...new Set(rows.flatMap(({ number }) => (number === '' ? [] : [number])))];
  if (numbered) return isFirst ? { by: 'file', numbers } : { by: 'number', digitOrder };
  // Names that follow each other in the alphabet say nothing of each other.
  const isByAlphabet = numbers.every((name, at) => at === 0 || name.localeCompare(numbers[at - 1] as string) >= 0);
  return isFirst && !isByAlphabet ? { by: 'file', numbers } : { by: 'none' };
}

function sideOf(amount: bigint | null): Side | null {
  return amount === null || amount === 0n ? null : amount > 0n ? 'debit' : 'credit';
}

function parentAgrees(row: TrialBalanceRow, accountOf: ReadonlyMap<string, KnownElement>, problems: RowProblem[]): TrialBalanceRow {
  const parent = row.parentNumber === null ? undefined : accountOf.get(row.parentNumber);
  if (parent && parent.element !== row.element) problems.push({ row: row.row, column: 'parent', code: 'parent_element_differs', found: parent.number, other: parent.element, warning: false });
  return row;
}
