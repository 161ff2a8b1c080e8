import { type Condition, daysIn, decimalOf, type Formula, type SiblingSpan, type Span, shownValue, toDecimalText } from '@ivory-ladder/core';
import type { Statement } from '../application/runStatement.ts';

/** What a formula is written over. */
export interface FormulaCells {
  readonly days: number;
  /** What a name stands for: a cell, or a number where it is not on the sheet. */
  inCells(key: string): string;
  /** Names from one to the other. */
  between(from: string, to: string): readonly string[] | null;
}

/** The column of a statement that a formula over lines is written for. */
interface LineCells {
  readonly statement: Statement;
  /** Index among the columns of amounts. */
  readonly run: number;
  readonly span: Span;
  /** `B12` of a line that is on the sheet. */
  cellOf(key: string): string | undefined;
}

/** Each line counts on its own side, and one that is not on the sheet as its amount. */
export function cellsOfLines(cells: LineCells): FormulaCells {
  return { days: daysIn(cells.span), inCells: (key) => lineInCells(key, cells), between: cells.statement.compiled.between };
}

/** What a line that is not on the sheet shows in a column, as a number. */
export function amountInCell(key: string, run: number, { compiled, runs, ground }: Statement): string {
  const at = compiled.indexOf.get(key);
  const column = runs[run];
  const shown = at === undefined || !column ? null : shownValue(compiled, column, at);
  return shown === null ? 'NA()' : `(${toDecimalText(shown, ground.currency)})`;
}

/** A formula as one over cells. */
export function formulaInCells(formula: Formula, cells: FormulaCells): string {
  const written = (part: Formula): string => formulaInCells(part, cells);
  switch (formula.kind) {
    case 'number':
      return decimalOf(formula.value) ?? `(${formula.value.of}/${formula.value.over})`;
    case 'days':
      return String(cells.days);
    case 'line':
      return cells.inCells(formula.key);
    case 'negative':
      return `-(${written(formula.inner)})`;
    case 'arithmetic':
      return `(${written(formula.left)}${formula.sign}${written(formula.right)})`;
    case 'call':
      return `${formula.name.toUpperCase()}(${formula.inner.map(written).join(',')})`;
    case 'sum':
      return `(${formula.inner.map((part) => (part.kind === 'span' ? spanInCells(part, cells) : written(part))).join('+')})`;
    case 'if':
      return `IF(${conditionInCells(formula.condition, cells)},${written(formula.then)},${written(formula.otherwise)})`;
  }
}

function conditionInCells(condition: Condition, cells: FormulaCells): string {
  if (condition.kind !== 'comparison') {
    const name = condition.kind === 'and' ? 'AND' : 'OR';
    return `${name}(${conditionInCells(condition.left, cells)},${conditionInCells(condition.right, cells)})`;
  }
  return `${formulaInCells(condition.left, cells)}${condition.sign}${formulaInCells(condition.right, cells)}`;
}

function spanInCells({ from, to }: SiblingSpan, cells: FormulaCells): string {
  const keys = cells.between(from.key, to.key) ?? [];
  return keys.map((key) => cells.inCells(key)).join('+') || '0';
}

function lineInCells(key: string, { statement: { compiled, runs, ground }, run, cellOf }: LineCells): string {
  const at = compiled.indexOf.get(key);
  const line = at === undefined ? undefined : compiled.lines[at];
  if (at === undefined || !line) return 'NA()';
  const cell = cellOf(key);
  if (cell !== undefined) return line.reversed ? `-${cell}` : cell;
  const column = runs[run];
  const known = column?.reckoned.get(at);
  if (known) return known.ok ? `(${known.value.of}/${known.value.over})` : 'NA()';
  const net = (column?.amounts[at] ?? 0n) + (compiled.shownWithin.get(at) ?? []).reduce((sum, other) => sum + (column?.amounts[other] ?? 0n), 0n);
  return `(${toDecimalText(line.side === 'debit' ? net : -net, ground.currency)})`;
}
