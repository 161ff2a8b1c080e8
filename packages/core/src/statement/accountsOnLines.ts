import type { Account } from '../chart/account.ts';
import type { CompiledLayout, Take } from '../layout/compileLayout.ts';
import { amountTaken, type RunColumn } from './runColumn.ts';
import { partsBySide } from './sides.ts';

/** The accounts in chart order with their dense numbers; parents bear amounts only if they were posted to. */
export interface PresentedAccount {
  readonly account: Account;
  /** What tells it from all others. */
  readonly label: string;
  readonly index: number;
  readonly isParent: boolean;
}

/** Which accounts a line takes, and what it holds of each; listed once a line is opened. */
export class AccountsOnLines {
  private readonly takesOf = new Map<number, Take[]>();
  /** 1 for lines that there is something in to be shown. */
  private readonly takers: Uint8Array;
  private listed: Map<number, Set<PresentedAccount>> | null = null;

  constructor(
    private readonly compiled: CompiledLayout,
    private readonly accounts: readonly PresentedAccount[],
  ) {
    const { lineOfDebit, lineOfCredit, takes, lines } = compiled;
    this.takers = new Uint8Array(lines.length);
    for (const line of lineOfDebit) if (line >= 0) this.takers[line] = 1;
    for (const line of lineOfCredit) if (line >= 0) this.takers[line] = 1;
    for (const { line } of compiled.fixed) this.takers[line] = 1;
    for (const take of takes) {
      this.takers[take.line] = 1;
      const there = this.takesOf.get(take.account);
      if (there) there.push(take);
      else this.takesOf.set(take.account, [take]);
    }
  }

  areOn(line: number): boolean {
    return this.takers[line] === 1;
  }

  /** Texts of fixed transfers to or from a line, in their order. */
  transfersOn(line: number): readonly string[] {
    return [...new Set(this.compiled.fixed.flatMap((one) => (one.line === line ? [one.text] : [])))];
  }

  /** In the order of the chart. */
  on(line: number): Iterable<PresentedAccount> {
    this.listed ??= this.list();
    return this.listed.get(line) ?? [];
  }

  /** Debit positive. */
  amountOn(line: number, account: number, run: RunColumn): bigint {
    const [isDebit, isCredit] = [this.compiled.lineOfDebit[account] === line, this.compiled.lineOfCredit[account] === line];
    let amount = isDebit && isCredit ? (run.net[account] as bigint) : isDebit || isCredit ? partsBySide(run, account)[isDebit ? 0 : 1] : 0n;
    if (this.takesOf.size > 0) for (const take of this.takesOf.get(account) ?? []) if (take.line === line) amount += amountTaken(this.compiled, take, run);
    return amount;
  }

  private list(): Map<number, Set<PresentedAccount>> {
    const listed = new Map<number, Set<PresentedAccount>>();
    const { lineOfDebit, lineOfCredit } = this.compiled;
    const add = (line: number, presented: PresentedAccount): void => {
      const there = listed.get(line);
      if (there) there.add(presented);
      else listed.set(line, new Set([presented]));
    };
    for (const presented of this.accounts) {
      const debit = lineOfDebit[presented.index] as number;
      const credit = lineOfCredit[presented.index] as number;
      if (debit >= 0) add(debit, presented);
      if (credit >= 0 && credit !== debit) add(credit, presented);
      for (const { line } of this.takesOf.get(presented.index) ?? []) add(line, presented);
    }
    return listed;
  }
}
