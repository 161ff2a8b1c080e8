import type { CompiledLayout } from '../layout/compileLayout.ts';
import {
  type AccountsLine,
  type CalculationLine,
  childrenOf,
  countsInGroup,
  type GroupLine,
  type HeadingLine,
  type Line,
  type SumLine,
} from '../layout/line.ts';
import { shownSign, unitOf } from '../layout/lineUnit.ts';
import { AccountsOnLines, type PresentedAccount } from './accountsOnLines.ts';
import { type BelowLine, belowLine } from './belowLine.ts';
import { BetterFigures } from './betterFigure.ts';
import { footShares } from './footShares.ts';
import type { LineFault, RunColumn } from './runColumn.ts';
import { shownValue } from './shownValue.ts';
import { type Detail, type RowPart, type RowRole, runIndexOf, type StatementColumn, type StatementRow } from './statement.ts';
import { withChanges } from './withChanges.ts';

export interface PresentationInput {
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
  /** One for each amount column, in their order. */
  readonly runs: readonly RunColumn[];
  readonly accounts: readonly PresentedAccount[];
  readonly detail: Detail;
}

/** The rows of a statement at a chosen detail, from top to bottom. Cost: lines + accounts of opened lines. */
export function presentRows(input: PresentationInput): StatementRow[] {
  const rows: StatementRow[] = [];
  const page = new Page(input);
  for (const line of input.compiled.layout.lines) page.place(line, 0, rows);
  return [...footShares(rows, input.columns, page.wholeOf)];
}

class Page {
  private readonly rowOfLine = new Map<string, boolean>();
  private readonly accounts: AccountsOnLines;
  private readonly better: BetterFigures | null;
  private readonly exponent: number;
  private sumAbove: { readonly rows: StatementRow[]; readonly at: number; readonly line: SumLine } | null = null;

  constructor(private readonly input: PresentationInput) {
    this.exponent = input.runs[0]?.exponent ?? 0;
    this.accounts = new AccountsOnLines(input.compiled, input.accounts);
    // Nothing is better or worse than something else without it beside it.
    this.better = input.columns.some(({ kind }) => kind === 'change') ? new BetterFigures(input.compiled, input.accounts) : null;
  }

  /** Appends the line's rows; returns whether it has a row that bears its amount. */
  place(line: Line, depth: number, rows: StatementRow[]): boolean {
    const shown = line.shown === 'never' ? false : this.placeLine(line, depth, rows);
    this.rowOfLine.set(line.key, shown);
    return shown;
  }

  private placeLine(line: Line, depth: number, rows: StatementRow[]): boolean {
    switch (line.kind) {
      case 'group':
        return line.bare ? this.placeBare(line, depth, rows) : this.placeGroup(line, depth, rows);
      case 'heading':
        return this.placeHeading(line, depth, rows);
      case 'accounts':
        return this.placeAccounts(line, depth, rows);
      case 'result':
        return line.within ? false : this.placePlain(line, 'line', depth, [], rows);
      case 'sum':
        return this.placeSum(line, depth, rows);
      case 'calculation':
        return this.placeCalculation(line, depth, rows);
      case 'text':
      case 'space':
        rows.push(
          this.row(line, { role: line.kind, caption: line.kind === 'text' ? line.caption : '', depth, opens: false, open: false, values: this.nothing() }),
        );
        return false;
    }
  }

  private nothing(): null[] {
    return this.input.columns.map(() => null);
  }

  /** What stands in it, as if it stood around it. */
  private placeBare(line: GroupLine, depth: number, rows: StatementRow[]): boolean {
    for (const child of line.children) this.place(child, depth, rows);
    return false;
  }

  private placeHeading(line: HeadingLine, depth: number, rows: StatementRow[]): boolean {
    const inside: StatementRow[] = [];
    for (const child of line.children) this.place(child, depth + 1, inside);
    if (line.shown !== 'always' && inside.every(({ role }) => role === 'text' || role === 'space')) return false;
    rows.push(this.row(line, { role: 'heading', caption: line.caption, depth, opens: false, open: true, values: this.nothing() }), ...inside);
    return false;
  }

  private placeGroup(line: GroupLine, depth: number, rows: StatementRow[]): boolean {
    const { rungs } = this.input.detail;
    const open = line.rung === 0 || this.isOpen(line.key, rungs === 'accounts' || line.rung < rungs);
    const values = this.shownValues(line);
    const isTotalOfSide = line.look ? line.look.weight === 'final' : line.key === 'asset';
    if (!open) {
      if (this.isHidden(line, values)) return false;
      rows.push(
        this.row(line, { role: 'line', caption: line.key.startsWith('net.') ? line.totalCaption : line.caption, depth, opens: true, open: false, values }),
      );
      return true;
    }
    const inside: StatementRow[] = [];
    for (const child of line.children) this.place(child, depth + 1, inside);
    if (line.shown !== 'always' && inside.every(({ role }) => role === 'text' || role === 'space')) return false;
    const { look } = line;
    // Its weight is that of its figures; what stands before it stands before its heading.
    const ofHeading = look && { ...look, weight: 'usual' as const };
    rows.push(
      this.row(line, { role: 'heading', caption: line.caption, depth, opens: line.rung > 0, open: true, values: this.nothing(), look: ofHeading, note: '' }),
    );
    rows.push(...inside);
    const ofTotal = look && { ...look, spaceBefore: false, breakBefore: false };
    const role: RowRole = isTotalOfSide ? 'final' : 'total';
    const whole = this.partsOf(line, childTerms(line));
    const parts = whole.isWhole ? whole.parts : [];
    rows.push(this.row(line, { role, caption: line.totalCaption, depth, opens: false, open: false, values, parts, partsAreWithin: true, look: ofTotal }));
    return true;
  }

  private placeAccounts(line: AccountsLine, depth: number, rows: StatementRow[]): boolean {
    const values = this.shownValues(line);
    const open = this.isOpen(line.key, this.input.detail.rungs === 'accounts' || line.byAccount === true);
    const inside = open ? this.rowsBelow(line, belowLine(this.input, this.accounts, line), depth + 1) : [];
    if (this.isHidden(line, values) && inside.length === 0) return false;
    rows.push(
      this.row(line, {
        role: 'line',
        caption: line.caption,
        depth,
        opens: this.accounts.areOn(this.input.compiled.indexOf.get(line.key) as number),
        open: open && inside.length > 0,
        values,
        ...partsIn(inside, depth + 1),
      }),
      ...inside,
    );
    return true;
  }

  /** One whose amounts are nil is shown all the same where something stands in it. */
  private rowsBelow(line: AccountsLine, below: readonly BelowLine[], depth: number): StatementRow[] {
    const rows: StatementRow[] = [];
    if (below.length === 0) return rows;
    const sign = shownSign(line);
    const { runs, columns } = this.input;
    const isWithout = runs.map((_, run) => this.hasNothingBefore(line, run));
    const better = this.better?.of(line);
    for (const { suffix, accountId, caption, amounts, inside } of below) {
      const signed = amounts.map((amount, run) => (isWithout[run] ? null : amount * sign));
      const values = withChanges(columns, signed, true, this.wholeOf, this.exponent);
      const own = inside.length === 0 ? noRows : this.rowsBelow(line, inside, depth + 1);
      if (own.length === 0 && this.isHidden(null, values)) continue;
      const made = accountRow(line.key, suffix, accountId, caption, depth, values, own.length === 0 ? nothingBelow : partsIn(own, depth + 1), better);
      rows.push(made);
      for (const row of own) rows.push(row);
    }
    return rows;
  }

  /** One that only differs where something stands between: it is left out behind nothing new, and gives way to the sum right behind it. */
  private placeSum(line: SumLine, depth: number, rows: StatementRow[]): boolean {
    const before = this.sumAbove;
    const repeats = before?.rows === rows && before.at === rows.length - 1;
    const { parts, isWhole } = this.partsOf(
      line,
      line.terms.map(({ key, sign }) => ({ line: this.lineAt(key), sign })),
    );
    if (line.shown === 'differs' && (repeats || parts.length < 2)) return false;
    if (repeats && before.line.shown === 'differs') {
      rows.pop();
      this.rowOfLine.set(before.line.key, false);
    }
    const values = this.shownValues(line);
    rows.push(
      this.row(line, { role: line.final ? 'final' : 'total', caption: line.caption, depth, opens: false, open: false, values, parts: isWhole ? parts : [] }),
    );
    this.sumAbove = { rows, at: rows.length - 1, line };
    return true;
  }

  private placeCalculation(line: CalculationLine, depth: number, rows: StatementRow[]): boolean {
    const values = this.shownValues(line);
    if (line.shown === 'with_amounts' && this.faultsOf(line) === undefined && this.isHidden(line, values)) return false;
    const role: RowRole = line.look?.weight === 'final' ? 'final' : line.look?.weight === 'ruled' ? 'total' : 'line';
    rows.push(this.row(line, { role, caption: line.caption, depth, opens: false, open: false, values, unit: line.result }));
    return true;
  }

  private placePlain(line: Line, role: RowRole, depth: number, parts: readonly RowPart[], rows: StatementRow[]): boolean {
    const values = this.shownValues(line);
    if (role === 'line' && this.isHidden(line, values)) return false;
    rows.push(this.row(line, { role, caption: line.caption, depth, opens: false, open: false, values, parts }));
    return true;
  }

  /** Then its accounts have no figures either. */
  private hasNothingBefore(line: Line, run: number): boolean {
    const reckoned = this.input.runs[run]?.reckoned.get(this.input.compiled.indexOf.get(line.key) as number);
    return reckoned?.ok === false && reckoned.failure.code === 'no_balances_before';
  }

  private isOpen(key: string, byDetail: boolean): boolean {
    const { opened, shut } = this.input.detail;
    return !shut.has(key) && (byDetail || opened.has(key));
  }

  private isHidden(line: Line | null, values: readonly (bigint | null)[]): boolean {
    const { detail, columns } = this.input;
    if (detail.zeroLines || line?.shown === 'always') return false;
    return values.every((value, at) => columns[at]?.kind !== 'amount' || value === 0n || value === null);
  }

  private lineAt(key: string): Line {
    const { lines, indexOf } = this.input.compiled;
    return lines[indexOf.get(key) as number] as Line;
  }

  /** The rows that a total adds up; not whole where an amount in it has no row, so that they would not come to it. */
  private partsOf(total: Line, terms: readonly { readonly line: Line; readonly sign: 1 | -1 }[]): { readonly parts: RowPart[]; readonly isWhole: boolean } {
    const parts: RowPart[] = [];
    let isWhole = true;
    const add = (line: Line, sign: 1 | -1): void => {
      if (this.rowOfLine.get(line.key)) {
        parts.push({ key: line.key, sign: (shownSign(line) === shownSign(total) ? sign : -sign) as 1 | -1 });
        return;
      }
      if (line.kind === 'heading' || (line.kind === 'group' && line.bare && line.shown !== 'never')) {
        for (const term of childTerms(line)) add(term.line, sign);
        return;
      }
      const index = this.input.compiled.indexOf.get(line.key) as number;
      const isShownElsewhere = line.hiddenIn !== undefined || (line.kind === 'result' && line.within !== null);
      if (!isShownElsewhere && this.input.runs.some(({ amounts, reckoned }) => amounts[index] !== 0n || reckoned.has(index))) isWhole = false;
    };
    for (const { line, sign } of terms) add(line, sign);
    return { parts, isWhole };
  }

  /** In the unit of the line; `null` where it has no value. */
  private shownValues(line: Line): (bigint | null)[] {
    const { compiled, runs } = this.input;
    const index = compiled.indexOf.get(line.key) as number;
    return withChanges(
      this.input.columns,
      runs.map((run) => shownValue(compiled, run, index)),
      unitOf(line) === 'amount',
      this.wholeOf,
      this.exponent,
    );
  }

  /** What a line shows in a column, for shares of it. */
  readonly wholeOf = (key: string, column: number): bigint | null => {
    const { compiled, runs, columns } = this.input;
    const [index, run] = [compiled.indexOf.get(key), runs[runIndexOf(columns, column)]];
    return index === undefined || !run || unitOf(compiled.lines[index] as Line) !== 'amount' ? null : shownValue(compiled, run, index);
  };

  private faultsOf(line: Line): readonly (LineFault | null)[] | undefined {
    const index = this.input.compiled.indexOf.get(line.key) as number;
    if (this.input.runs.every(({ reckoned }) => reckoned.get(index)?.ok !== false)) return undefined;
    const faults = this.input.runs.map(({ reckoned }) => {
      const result = reckoned.get(index);
      return result?.ok === false ? result.failure : null;
    });
    let next = 0;
    return this.input.columns.map((column) => (column.kind === 'amount' ? (faults[next++] ?? null) : null));
  }

  private row(line: Line, row: RowFields): StatementRow {
    const { key = line.key, accountId = null, role, caption, depth, opens, open, values, parts = [], unit, partsAreWithin } = row;
    const made = { key, lineKey: line.key, accountId, role, caption, depth, opens, open, values, parts };
    const better = role === 'heading' ? undefined : this.better?.of(line);
    const within = {
      ...(unit === undefined ? {} : { unit }),
      ...(partsAreWithin === undefined ? {} : { partsAreWithin }),
      ...(better === undefined ? {} : { better }),
    };
    const { look = line.look, note = line.note } = row;
    const faults = role === 'heading' ? undefined : this.faultsOf(line);
    return { ...made, ...within, ...(look ? { look } : {}), ...(note ? { note } : {}), ...(faults ? { faults } : {}) };
  }
}

const noRows: readonly StatementRow[] = [];
const nothingBelow: RowsParts = { parts: [] };

type RowFields = Omit<StatementRow, 'key' | 'lineKey' | 'accountId' | 'parts' | 'look' | 'note'> &
  Partial<Pick<StatementRow, 'key' | 'accountId' | 'parts'>> & { readonly look?: StatementRow['look'] | undefined; readonly note?: string | undefined };

type RowsParts = Pick<StatementRow, 'parts' | 'partsAreWithin'>;

/** The rows of a depth among those below one, which is their sum. */
function partsIn(below: readonly StatementRow[], depth: number): RowsParts {
  const parts: RowPart[] = [];
  for (const row of below) if (row.depth === depth) parts.push({ key: row.key, sign: 1 });
  return parts.length === 0 ? { parts } : { parts, partsAreWithin: true };
}

/** Written out, by whether it is usual: a statement down to its accounts has thousands, and to spread one costs as much as all else of it. */
function accountRow(
  lineKey: string,
  suffix: string,
  accountId: number | null,
  caption: string,
  depth: number,
  values: StatementRow['values'],
  below: RowsParts,
  better: StatementRow['better'],
): StatementRow {
  const key = `${lineKey}/${suffix}`;
  const { parts, partsAreWithin } = below;
  if (better === undefined && partsAreWithin === undefined)
    return { key, lineKey, accountId, role: 'account', caption, depth, opens: false, open: false, values, parts };
  if (better !== undefined && partsAreWithin === undefined)
    return { key, lineKey, accountId, role: 'account', caption, depth, opens: false, open: false, values, parts, better };
  const made = { key, lineKey, accountId, role: 'account' as const, caption, depth, opens: false, open: false, values, ...below };
  return better === undefined ? made : { ...made, better };
}

function childTerms(line: Line): { readonly line: Line; readonly sign: 1 }[] {
  return childrenOf(line)
    .filter(countsInGroup)
    .map((child) => ({ line: child, sign: 1 }));
}
