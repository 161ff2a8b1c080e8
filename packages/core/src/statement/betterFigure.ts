import { isIncomeOrExpense } from '../chart/element.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { childrenOf, countsInGroup, type FigureNature, type Line } from '../layout/line.ts';
import { shownSign } from '../layout/lineUnit.ts';
import type { PresentedAccount } from './accountsOnLines.ts';

/** What figures are where a row says nothing: in an income statement a higher one, as it is shown, is better. */
export function usualNature(kind: CompiledLayout['layout']['kind']): FigureNature {
  return kind === 'income_statement' ? 'higher' : 'neither';
}

/**
 * Of each line what its author says, else what it holds says: of income and expenses alone what adds to profit is better, so that more expense is
 * worse on whichever side it is shown; of balances, flows and calculations neither. Cost: accounts, once, and lines.
 */
export class BetterFigures {
  /** Of the line that was asked about last: its accounts follow each other. */
  private last: { readonly line: Line; readonly nature: FigureNature | undefined } | null = null;
  private ofResult: Uint8Array | null = null;

  constructor(
    private readonly compiled: CompiledLayout,
    private readonly accounts: readonly PresentedAccount[],
  ) {}

  /** `undefined` where it is the usual one of the layout. */
  of(line: Line): FigureNature | undefined {
    if (this.last?.line === line) return this.last.nature;
    const own = this.natureOf(line);
    const nature = own === usualNature(this.compiled.layout.kind) ? undefined : own;
    this.last = { line, nature };
    return nature;
  }

  private natureOf(line: Line): FigureNature {
    if (line.look?.better) return line.look.better;
    const { kind } = this.compiled.layout;
    const isOfProfit = kind === 'income_statement' ? line.kind !== 'calculation' : kind === 'free' && this.holdsResult(line);
    if (!isOfProfit) return 'neither';
    return shownSign(line) < 0n ? 'higher' : 'lower';
  }

  /** Whether it holds something, and income and expenses alone. */
  private holdsResult(line: Line): boolean {
    switch (line.kind) {
      case 'result':
        return true;
      case 'accounts':
        return this.linesOfResult()[this.compiled.indexOf.get(line.key) as number] === onlyResult;
      case 'sum':
        return line.terms.length > 0 && line.terms.every(({ key }) => this.holdsResult(this.compiled.lines[this.compiled.indexOf.get(key) as number] as Line));
      case 'heading':
      case 'group': {
        const counted = childrenOf(line).filter(countsInGroup);
        return counted.length > 0 && counted.every((child) => this.holdsResult(child));
      }
      default:
        return false;
    }
  }

  /** By line: bit 1 where it takes income or expenses, bit 2 where it takes others. */
  private linesOfResult(): Uint8Array {
    if (this.ofResult) return this.ofResult;
    const { lines, lineOfDebit, lineOfCredit, takes } = this.compiled;
    const held = new Uint8Array(lines.length);
    const isOfResult = new Map<number, number>();
    for (const { account, index } of this.accounts) {
      const bit = isIncomeOrExpense(account.element) ? onlyResult : 2;
      isOfResult.set(index, bit);
      for (const at of [lineOfDebit[index] ?? -1, lineOfCredit[index] ?? -1]) if (at >= 0) held[at] = (held[at] as number) | bit;
    }
    for (const { line, account } of takes) held[line] = (held[line] as number) | (isOfResult.get(account) ?? 0);
    this.ofResult = held;
    return held;
  }
}

const onlyResult = 1;
