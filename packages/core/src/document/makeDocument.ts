import { daysIn } from '../calendar/day.ts';
import { type HeadedColumn, headingLines } from '../columns/headingLines.ts';
import { neededBy } from '../formula/checkFormula.ts';
import type { Formula, SiblingSpan } from '../formula/formula.ts';
import { type Fraction, fraction } from '../formula/fraction.ts';
import { writeFormula } from '../formula/writeFormula.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { Line } from '../layout/line.ts';
import { unitOf } from '../layout/lineUnit.ts';
import type { RanStatement } from '../run/runStatement.ts';
import { shownValue } from '../statement/shownValue.ts';
import { runIndexOf, type StatementColumn, type StatementRow } from '../statement/statement.ts';
import { captionOfColumn, datesOf, headedColumn } from './documentCaptions.ts';
import {
  type DocumentColumn,
  type DocumentContent,
  type DocumentOperand,
  type DocumentRow,
  documentVersion,
  type StatementDocument,
  type ViewedRow,
} from './statementDocument.ts';

/** Whose it is. */
export interface DocumentOf {
  readonly companyId: number;
  readonly company: string;
}

/** A finished statement as a value. Where it was run down to accounts all its rows are in it, else those that are printed. Cost: rows × columns. */
export function makeDocument(statement: RanStatement, { companyId, company }: DocumentOf): StatementDocument {
  const { ground, layoutId, planned, presentation, rows, all, rungs } = statement;
  const content = contentOf(statement, company);
  return {
    format: 'ivory-ladder-statement',
    version: documentVersion,
    content,
    // Where no more than what is shown was asked for, its rows are those of the page.
    view: { rows: all ? rows.map(viewed) : content.rows, rungs },
    provenance: {
      companyId,
      revision: ground.revision,
      structureVersion: ground.structureVersion,
      ...(layoutId === null ? {} : { layoutId }),
      classificationId: ground.classificationId,
      plan: planned.plan,
      ...(planned.planId === undefined ? {} : { planId: planned.planId }),
      ...(presentation
        ? { rate: { from: presentation.from.code, ...(presentation.rate ? { text: presentation.rate.text, day: presentation.rate.day } : {}) } }
        : {}),
    },
  };
}

function contentOf(statement: RanStatement, company: string): DocumentContent {
  const { compiled, columns, span, currency, ground, unit, scale, transfers, notes, exceptions, isDraft, presentation } = statement;
  const { kind, title, language } = compiled.layout;
  const rows = rowsOf(statement);
  return {
    kind,
    title,
    company,
    language,
    firstDay: span.firstDay,
    lastDay: span.lastDay,
    dates: datesOf(statement, false),
    ...(unit ? { exactDates: datesOf(statement, true) } : {}),
    ...(isDraft ? { isDraft: true as const } : {}),
    currency: { code: currency.code, exponent: currency.exponent },
    kept: { code: ground.currency.code, exponent: ground.currency.exponent },
    ...(unit
      ? {
          unit: {
            times: unit.times.toString(),
            over: unit.over.toString(),
            ...(presentation?.rate ? { rate: presentation.rate.text } : {}),
          },
        }
      : {}),
    scale: scale.unit,
    rounding: scale.rounding,
    columns: columnsOf(columns, language),
    rows,
    operands: operandsOf(statement, rows),
    transfers: transfers.map(({ text, from, on, values }) => ({ text, from, on, values: values.map(texted) })),
    notes,
    exceptions,
  };
}

function texts(values: readonly (bigint | null)[]): (string | null)[] {
  const made: (string | null)[] = [];
  for (const value of values) made.push(texted(value));
  return made;
}

/** As a float where one holds it exactly, which is written twice as fast; a statement down to its accounts has thousands. */
function texted(value: bigint | null): string | null {
  if (value === null) return null;
  const float = Number(value);
  return Number.isSafeInteger(float) ? String(float) : value.toString();
}

function columnsOf(columns: readonly StatementColumn[], language: CaptionLanguage): DocumentColumn[] {
  const headed = columns.map(headedColumn);
  return columns.map((column, at) => columnOf(column, headingLines(headed[at] as HeadedColumn, headed, language), language));
}

function columnOf(column: StatementColumn, lines: readonly string[], language: CaptionLanguage): DocumentColumn {
  const { heading, group, width, format } = column;
  const base = {
    lines,
    caption: captionOfColumn(column, language),
    ...(heading === undefined ? {} : { heading }),
    ...(group === undefined ? {} : { group }),
    ...(width === undefined ? {} : { width }),
    ...(format === undefined ? {} : { format }),
  };
  switch (column.kind) {
    case 'amount': {
      const { measure, span, budget, adjusting, placedOn, began, total } = column;
      return {
        kind: column.kind,
        measure,
        firstDay: span.firstDay,
        lastDay: span.lastDay,
        ...(budget === undefined ? {} : { budget }),
        ...(adjusting === undefined ? {} : { adjusting }),
        ...(placedOn === undefined ? {} : { placedOn }),
        ...(began === undefined ? {} : { began }),
        ...(total === undefined ? {} : { total }),
        ...base,
      };
    }
    case 'change':
    case 'percent':
      return { kind: column.kind, of: column.of, against: column.against, ...base };
    case 'share':
      return { kind: column.kind, of: column.of, line: column.line, ...base };
    case 'calculation':
      return {
        kind: column.kind,
        formula: column.text,
        result: column.result,
        operands: [...column.operands].map(([name, place]) => ({ name, column: place })),
        days: column.days,
        ...base,
      };
    case 'text':
      return { kind: column.kind, ...base };
  }
}

type Written<Row> = { -readonly [Field in keyof Row]: Row[Field] };

/** What a row is on the page, without figures. Field by field, since a statement down to its accounts has thousands: spreading them costs as much as all else here. */
function structureOf(row: StatementRow): Written<DocumentRow & ViewedRow> {
  const { key, lineKey, accountId, role, depth, caption, note, parts, partsAreWithin, look, better } = row;
  const made: Written<DocumentRow & ViewedRow> = { key, role, depth, caption };
  if (lineKey !== key) made.lineKey = lineKey;
  if (accountId !== null) made.accountId = accountId;
  if (note !== undefined && note !== '') made.note = note;
  if (parts.length > 0) {
    made.parts = parts;
    if (partsAreWithin !== undefined) made.isWithin = true;
  }
  if (look !== undefined) made.look = look;
  if (better !== undefined) made.better = better;
  return made;
}

function viewed(row: StatementRow): ViewedRow {
  return opened(structureOf(row), row);
}

function opened<Row extends Written<ViewedRow>>(made: Row, { opens, open }: StatementRow): Row {
  if (opens) made.opens = true;
  if (open) made.isOpen = true;
  return made;
}

export function bearsFigures({ role }: Pick<StatementRow, 'role'>): boolean {
  return role !== 'heading' && role !== 'text' && role !== 'space';
}

/** Those down to accounts where it was run with them, and whatever else is printed. */
function rowsOf(statement: RanStatement): (DocumentRow & ViewedRow)[] {
  const { all, rows, exactRows } = statement;
  if (!all) return exactRows.map((row, at) => opened(documentRow(statement, row, rows[at] as StatementRow), row));
  const own = all.exact.map((row, at) => documentRow(statement, row, all.printed[at] as StatementRow));
  const there = new Set(own.map(({ key, role }) => `${key} ${role === 'heading'}`));
  const missing = exactRows.flatMap((row, at) => (bearsFigures(row) && !there.has(`${row.key} false`) ? [at] : []));
  return [...own, ...missing.map((at) => documentRow(statement, exactRows[at] as StatementRow, rows[at] as StatementRow))];
}

function documentRow({ compiled, unit: inUnits }: RanStatement, row: StatementRow, printed: StatementRow): Written<DocumentRow & ViewedRow> {
  const { unit, faults, values } = row;
  if (row.role === 'account' && !inUnits && unit === undefined && faults === undefined && row.parts.length === 0 && row.better === undefined) {
    // By far most rows of a statement down to its accounts, written at once.
    const { key, lineKey, accountId, role, depth, caption } = row;
    if (accountId !== null) return { key, lineKey, accountId, role, depth, caption, exact: texts(values) };
  }
  const made = structureOf(row);
  if (!bearsFigures(row)) return made;
  const exact = texts(values);
  made.exact = exact;
  if (inUnits) {
    const shown = texts(printed.values);
    if (shown.some((figure, at) => figure !== exact[at])) made.printed = shown;
  }
  if (unit !== undefined) made.unit = unit;
  if (faults !== undefined) made.faults = faults.map((fault) => fault && { ...fault });
  if (row.accountId !== null) return made;
  const line = compiled.lines[compiled.indexOf.get(row.lineKey) ?? -1];
  if (line?.reversed) made.isReversed = true;
  if (line?.kind === 'calculation' && 'kind' in line.formula) made.formula = writeFormula(spelledOut(line.formula, compiled.between));
  return made;
}

/** A formula with spans of siblings as the lines that they are. */
function spelledOut(formula: Formula, between: RanStatement['compiled']['between']): Formula {
  const inner = (part: Formula): Formula => spelledOut(part, between);
  switch (formula.kind) {
    case 'negative':
      return { ...formula, inner: inner(formula.inner) };
    case 'arithmetic':
      return { ...formula, left: inner(formula.left), right: inner(formula.right) };
    case 'call':
      return { ...formula, inner: formula.inner.map(inner) };
    case 'sum':
      return { ...formula, inner: formula.inner.flatMap((part): (Formula | SiblingSpan)[] => (part.kind === 'span' ? linesOf(part, between) : [inner(part)])) };
    case 'if':
      // biome-ignore lint/suspicious/noThenProperty: of a formula, which nobody awaits
      return { ...formula, condition: spelledCondition(formula.condition, inner), then: inner(formula.then), otherwise: inner(formula.otherwise) };
    default:
      return formula;
  }
}

function linesOf(span: SiblingSpan, between: RanStatement['compiled']['between']): Formula[] {
  return (between(span.from.key, span.to.key) ?? []).map((key) => ({ ...span.from, kind: 'line', key }));
}

type Condition = Extract<Formula, { kind: 'if' }>['condition'];

function spelledCondition(condition: Condition, inner: (part: Formula) => Formula): Condition {
  if (condition.kind !== 'comparison') return { ...condition, left: spelledCondition(condition.left, inner), right: spelledCondition(condition.right, inner) };
  return { ...condition, left: inner(condition.left), right: inner(condition.right) };
}

/** What formulas and shares name that no row of amounts holds, in each column of amounts. */
function operandsOf(statement: RanStatement, rows: readonly DocumentRow[]): DocumentOperand[] {
  const { compiled, columns } = statement;
  const named = new Set<string>();
  for (const [index, line] of compiled.lines.entries())
    if (line.kind === 'calculation' && 'kind' in line.formula && compiled.derived.includes(index))
      for (const key of neededBy(line.formula, compiled)) named.add(key);
  for (const column of columns) if (column.kind === 'share') named.add(column.line);
  if (named.size === 0) return [];
  const held = new Set<string>();
  for (const { key, role, unit } of rows) if (role !== 'heading' && unit === undefined) held.add(key);
  return [...named].flatMap((key) => {
    const index = compiled.indexOf.get(key);
    if (index === undefined || held.has(key)) return [];
    return columns.flatMap((column, at): DocumentOperand[] => {
      const value = column.kind === 'amount' ? shownFraction(statement, index, at) : null;
      if (value === null) return [];
      const { reversed } = compiled.lines[index] as Line;
      return [{ key, column: at, of: value.of.toString(), over: value.over.toString(), ...(reversed ? { isReversed: true as const } : {}) }];
    });
  });
}

function shownFraction({ compiled, columns, runs, ground }: RanStatement, index: number, at: number): Fraction | null {
  const run = runs[runIndexOf(columns, at)];
  const line = compiled.lines[index] as Line;
  if (!run) return null;
  const reckoned = run.reckoned.get(index);
  if (reckoned && !reckoned.ok) return null;
  if (reckoned && unitOf(line) !== 'amount') return line.reversed ? { of: -reckoned.value.of, over: reckoned.value.over } : reckoned.value;
  const shown = shownValue(compiled, run, index);
  return shown === null ? null : fraction(shown, 10n ** BigInt(ground.currency.exponent));
}

/** Days of a column of amounts, for formulas. */
export function daysOfColumn(column: Extract<DocumentColumn, { kind: 'amount' }>): number {
  return daysIn({ firstDay: column.firstDay, lastDay: column.lastDay });
}
