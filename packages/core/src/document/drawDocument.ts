import { type Fraction, fraction } from '../formula/fraction.ts';
import type { RowPart, StatementRow } from '../statement/statement.ts';
import { bearsFigures } from './makeDocument.ts';
import type { DocumentColumn, DocumentContent, DocumentRow, StatementDocument } from './statementDocument.ts';
import { transferText } from './transferText.ts';

/** A printed row: what it is on the page, with its figures as numbers. */
export interface DrawnRow extends Omit<StatementRow, 'values' | 'partsAreWithin' | 'faults'> {
  readonly values: readonly (bigint | null)[];
  /** In minor units, or in the row's or the column's unit. */
  readonly exact: readonly (bigint | null)[];
  readonly isReversed: boolean;
  readonly formula?: string;
}

/** A document as it is drawn on paper, in a sheet or in a file. */
export interface DrawnStatement
  extends Pick<DocumentContent, 'title' | 'company' | 'language' | 'dates' | 'currency' | 'kept' | 'scale' | 'rounding' | 'unit' | 'notes' | 'lastDay'> {
  readonly exactDates: string;
  readonly columns: readonly DocumentColumn[];
  readonly rows: readonly DrawnRow[];
  readonly transfers: readonly { readonly text: string; readonly values: readonly (bigint | null)[] }[];
  /** What a line that is not on the page shows in a column, in units of the currency or of what it is; `null`: no value. */
  operandOf(key: string, column: number): { readonly value: Fraction; readonly isReversed: boolean } | null;
}

/** From the document alone. Cost: rows × columns. */
export function drawDocument({ content, view }: StatementDocument): DrawnStatement {
  const { title, company, language, dates, exactDates = dates, currency, kept, scale, rounding, unit, notes, lastDay, columns, transfers } = content;
  const byKey = new Map(content.rows.flatMap((row) => (bearsFigures(row) ? [[row.key, row] as const] : [])));
  const nothing = columns.map(() => null);
  const rows = view.rows.map((row): DrawnRow => {
    const held = bearsFigures(row) ? byKey.get(row.key) : undefined;
    const exact = held?.exact ? held.exact.map(numbered) : nothing;
    return {
      key: row.key,
      lineKey: row.lineKey ?? row.key,
      accountId: row.accountId ?? null,
      role: row.role,
      caption: row.caption,
      depth: row.depth,
      opens: row.opens === true,
      open: row.isOpen === true,
      values: held?.printed ? held.printed.map(numbered) : exact,
      exact,
      parts: row.parts ?? noParts,
      isReversed: held?.isReversed === true,
      ...(held?.unit === undefined ? {} : { unit: held.unit }),
      ...(held?.formula === undefined ? {} : { formula: held.formula }),
      ...(row.look === undefined ? {} : { look: row.look }),
      ...(row.note === undefined ? {} : { note: row.note }),
      ...(row.better === undefined ? {} : { better: row.better }),
    };
  });
  const operands = new Map(content.operands.map((operand) => [`${operand.column} ${operand.key}`, operand]));
  return {
    title,
    company,
    language,
    dates,
    exactDates,
    currency,
    kept,
    scale,
    rounding,
    ...(unit ? { unit } : {}),
    notes,
    lastDay,
    columns,
    rows,
    transfers: transfers.map(({ values, ...transfer }) => ({ text: transferText(transfer, language), values: values.map(numbered) })),
    operandOf: (key, column) => {
      const operand = operands.get(`${column} ${key}`);
      if (operand) return { value: fraction(BigInt(operand.of), BigInt(operand.over)), isReversed: operand.isReversed === true };
      return heldBy(byKey.get(key), column, kept.exponent);
    },
  };
}

const noParts: readonly RowPart[] = [];

function numbered(text: string | null): bigint | null {
  return text === null ? null : BigInt(text);
}

function heldBy(row: DocumentRow | undefined, column: number, exponent: number) {
  const shown = row?.exact?.[column] ?? null;
  if (!row || shown === null) return null;
  return { value: fraction(BigInt(shown), 10n ** BigInt(exponent)), isReversed: row.isReversed === true };
}
