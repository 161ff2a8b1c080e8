import type { Account } from '../chart/account.ts';
import { captionWords } from '../layout/captionWords.ts';
import { type CompiledLayout, shownAmount } from '../layout/compileLayout.ts';
import type { AccountsLine, GroupLine, Line } from '../layout/line.ts';
import { percentChangeInTenths } from '../money/round.ts';
import type { LineAmounts } from './runColumn.ts';
import type { Detail, RowPart, RowRole, StatementColumn, StatementRow } from './statement.ts';

/** One amount column's outcome: its account vector and what its lines hold, debit positive. */
export interface RunColumn {
  readonly net: BigInt64Array;
  readonly amounts: LineAmounts;
}

/** The accounts in chart order with their dense numbers; parents bear amounts only if they were posted to. */
export interface PresentedAccount {
  readonly account: Account;
  /** What tells it from all others. */
  readonly label: string;
  readonly index: number;
  readonly isParent: boolean;
}

export interface PresentationInput {
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
  /** One for each amount column, in their order. */
  readonly runs: readonly RunColumn[];
  readonly accounts: readonly PresentedAccount[];
  readonly detail: Detail;
}

/** Shown amounts are net amounts times this: −1 where positive is credit, and turned once more where reversed. */
export function shownSign(line: Pick<Line, 'side' | 'reversed'>): 1n | -1n {
  return (line.side === 'debit') !== line.reversed ? 1n : -1n;
}

/** The rows of a statement at a chosen detail, from top to bottom. Cost: lines + accounts of opened lines. */
export function presentRows(input: PresentationInput): StatementRow[] {
  const rows: StatementRow[] = [];
  const page = new Page(input);
  for (const line of input.compiled.layout.lines) page.place(line, 0, rows);
  return rows;
}

class Page {
  private readonly accountsOfLine = new Map<number, PresentedAccount[]>();
  private readonly rowOfLine = new Map<string, boolean>();

  constructor(private readonly input: PresentationInput) {
    const { lineOfDebit, lineOfCredit } = input.compiled;
    for (const presented of input.accounts) {
      const debit = lineOfDebit[presented.index] as number;
      const credit = lineOfCredit[presented.index] as number;
      for (const line of debit === credit ? [debit] : [debit, credit]) {
        if (line < 0) continue;
        const there = this.accountsOfLine.get(line);
        if (there) there.push(presented);
        else this.accountsOfLine.set(line, [presented]);
      }
    }
  }

  /** Appends the line's rows; returns whether it has a row that bears its amount. */
  place(line: Line, depth: number, rows: StatementRow[]): boolean {
    const shown = this.placeLine(line, depth, rows);
    this.rowOfLine.set(line.key, shown);
    return shown;
  }

  private placeLine(line: Line, depth: number, rows: StatementRow[]): boolean {
    switch (line.kind) {
      case 'group':
        return this.placeGroup(line, depth, rows);
      case 'accounts':
        return this.placeAccounts(line, depth, rows);
      case 'result':
        return line.within ? false : this.placePlain(line, 'line', depth, [], rows);
      case 'sum':
        return this.placePlain(
          line,
          line.final ? 'final' : 'total',
          depth,
          this.partsOf(
            line,
            line.terms.map((key) => this.lineAt(key)),
          ),
          rows,
        );
    }
  }

  private placeGroup(line: GroupLine, depth: number, rows: StatementRow[]): boolean {
    const { rungs } = this.input.detail;
    const open = line.rung === 0 || this.isOpen(line.key, rungs === 'accounts' || line.rung < rungs);
    const values = this.shownValues(line);
    const isTotalOfSide = line.key === 'asset';
    if (!open) {
      if (this.isHidden(values)) return false;
      rows.push(
        this.row(line, { role: 'line', caption: line.key.startsWith('net.') ? line.totalCaption : line.caption, depth, opens: true, open: false, values }),
      );
      return true;
    }
    const inside: StatementRow[] = [];
    for (const child of line.children) this.place(child, depth + 1, inside);
    if (inside.length === 0) return false;
    rows.push(this.row(line, { role: 'heading', caption: line.caption, depth, opens: line.rung > 0, open: true, values: this.input.columns.map(() => null) }));
    rows.push(...inside);
    const role: RowRole = isTotalOfSide ? 'final' : 'total';
    rows.push(this.row(line, { role, caption: line.totalCaption, depth, opens: false, open: false, values, parts: this.partsOf(line, line.children) }));
    return true;
  }

  private placeAccounts(line: AccountsLine, depth: number, rows: StatementRow[]): boolean {
    const values = this.shownValues(line);
    const index = this.input.compiled.indexOf.get(line.key) as number;
    const accounts = this.accountsOfLine.get(index) ?? [];
    const open = this.isOpen(line.key, this.input.detail.rungs === 'accounts');
    const inside = open ? this.accountRows(line, index, accounts, depth + 1) : [];
    if (this.isHidden(values) && inside.length === 0) return false;
    const parts: RowPart[] = inside.map(({ key }) => ({ key, sign: 1 }));
    rows.push(
      this.row(line, { role: 'line', caption: line.caption, depth, opens: accounts.length > 0, open: open && inside.length > 0, values, parts }),
      ...inside,
    );
    return true;
  }

  private accountRows(line: AccountsLine, index: number, accounts: readonly PresentedAccount[], depth: number): StatementRow[] {
    const { runs, compiled } = this.input;
    const sign = shownSign(line);
    const rows: StatementRow[] = [];
    const push = (suffix: string, accountId: number | null, caption: string, amounts: readonly bigint[]): void => {
      const values = this.withChanges(amounts.map((amount) => amount * sign));
      if (!this.isHidden(values))
        rows.push(this.row(line, { key: `${line.key}/${suffix}`, accountId, role: 'account', caption, depth, opens: false, open: false, values }));
    };
    for (const { account, label, index: at, isParent } of accounts) {
      const amounts = runs.map(({ net }) => portionIn(net[at] as bigint, compiled.lineOfDebit[at] === index, compiled.lineOfCredit[at] === index));
      if (isParent && amounts.every((amount) => amount === 0n)) continue;
      push(String(account.id), account.id, isParent ? captionWords[compiled.layout.language].postedDirectly(label) : label, amounts);
    }
    for (const result of compiled.lines)
      if (result.kind === 'result' && result.within?.key === line.key) {
        const resultAt = compiled.indexOf.get(result.key) as number;
        push(
          result.key,
          null,
          result.caption,
          runs.map(({ amounts }) => amounts[resultAt] as bigint),
        );
      }
    return rows;
  }

  private placePlain(line: Line, role: RowRole, depth: number, parts: readonly RowPart[], rows: StatementRow[]): boolean {
    const values = this.shownValues(line);
    if (role === 'line' && this.isHidden(values)) return false;
    rows.push(this.row(line, { role, caption: line.caption, depth, opens: false, open: false, values, parts }));
    return true;
  }

  private isOpen(key: string, byDetail: boolean): boolean {
    const { opened, shut } = this.input.detail;
    return !shut.has(key) && (byDetail || opened.has(key));
  }

  private isHidden(values: readonly (bigint | null)[]): boolean {
    const { detail, columns } = this.input;
    return !detail.zeroLines && values.every((value, at) => columns[at]?.kind !== 'amount' || value === 0n);
  }

  private lineAt(key: string): Line {
    const { lines, indexOf } = this.input.compiled;
    return lines[indexOf.get(key) as number] as Line;
  }

  private partsOf(total: Line, children: readonly Line[]): RowPart[] {
    return children
      .filter((child) => child.kind !== 'sum' && this.rowOfLine.get(child.key))
      .map((child) => ({ key: child.key, sign: shownSign(child) === shownSign(total) ? 1 : -1 }));
  }

  private shownValues(line: Line): (bigint | null)[] {
    const { compiled, runs } = this.input;
    const index = compiled.indexOf.get(line.key) as number;
    const sign = shownSign(line);
    return this.withChanges(runs.map(({ amounts }) => sign * shownAmount(compiled, amounts, index)));
  }

  private withChanges(amounts: readonly bigint[]): (bigint | null)[] {
    let next = 0;
    return this.input.columns.map((column) => {
      if (column.kind === 'amount') return amounts[next++] as bigint;
      const current = amounts[column.of] as bigint;
      const earlier = amounts[column.against] as bigint;
      return column.kind === 'change' ? current - earlier : percentChangeInTenths(current, earlier);
    });
  }

  private row(line: Line, row: Omit<StatementRow, 'key' | 'lineKey' | 'accountId' | 'parts'> & Partial<StatementRow>): StatementRow {
    return { key: line.key, lineKey: line.key, accountId: null, parts: [], ...row };
  }
}

function portionIn(net: bigint, takesDebit: boolean, takesCredit: boolean): bigint {
  return (net > 0n ? takesDebit : takesCredit) ? net : 0n;
}
