import { type Condition, type DrawnStatement, decimalOf, type Formula, type SiblingSpan } from '@ivory-ladder/core';

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
  readonly statement: DrawnStatement;
  readonly column: number;
  readonly days: number;
  /** `B12` of a line that is on the sheet. */
  cellOf(key: string): string | undefined;
}

type Operand = ReturnType<DrawnStatement['operandOf']>;

/** Each line counts as it does where it is not turned round, and one that is not on the sheet as its amount. Spans of siblings are spelled out. */
export function cellsOfLines({ statement, column, days, cellOf }: LineCells): FormulaCells {
  const inCells = (key: string): string => {
    const cell = cellOf(key);
    const operand = statement.operandOf(key, column);
    if (cell !== undefined) return operand?.isReversed || statement.rows.some((row) => row.key === key && row.isReversed) ? `-${cell}` : cell;
    return operandInCell(operand && { ...operand, value: operand.isReversed ? { ...operand.value, of: -operand.value.of } : operand.value });
  };
  return { days, inCells, between: () => null };
}

/** What a line that is not on the sheet shows in a column, as a number. */
export function operandInCell(operand: Operand): string {
  if (!operand) return 'NA()';
  const { value } = operand;
  return `(${decimalOf(value) ?? `${value.of}/${value.over}`})`;
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
