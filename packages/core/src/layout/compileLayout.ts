import type { Portions } from '../placement/place.ts';
import type { Layout, Line } from './line.ts';

/** A layout made ready for runs: lines in order, parents before children, and where each account's balances go. */
export interface CompiledLayout {
  readonly layout: Layout;
  readonly lines: readonly Line[];
  /** Index of the group around each line, or −1. */
  readonly parentAt: Int32Array;
  /** Result lines that are shown in the figure of another line, by that line's index; most lines have none. */
  readonly shownWithin: ReadonlyMap<number, readonly number[]>;
  readonly indexOf: ReadonlyMap<string, number>;
  /** Line that takes the account's balance while in debit, by the cube's dense numbering; −1 for none. */
  readonly lineOfDebit: Int32Array;
  readonly lineOfCredit: Int32Array;
}

/** Cost: lines + accounts. A sum that names a line which is not there is a bug of whoever made the layout. */
export function compileLayout(layout: Layout, accountIds: readonly number[], portions: ReadonlyMap<number, Portions>): CompiledLayout {
  const lines: Line[] = [];
  const parents: number[] = [];
  const collect = (line: Line, parent: number): void => {
    const index = lines.length;
    lines.push(line);
    parents.push(parent);
    if (line.kind === 'group') for (const child of line.children) collect(child, index);
  };
  for (const line of layout.lines) collect(line, -1);
  const indexOf = new Map(lines.map((line, index) => [line.key, index]));
  if (indexOf.size !== lines.length) throw new Error('two lines of the layout have one key');
  for (const line of lines) if (line.kind === 'sum') for (const key of line.terms) if (!indexOf.has(key)) throw new Error(`sum ${line.key} names ${key}`);
  const lineOfCategory = new Map<number, number>();
  for (const [index, line] of lines.entries()) if (line.kind === 'accounts') lineOfCategory.set(line.categoryId, index);
  const [lineOfDebit, lineOfCredit] = [new Int32Array(accountIds.length).fill(-1), new Int32Array(accountIds.length).fill(-1)];
  for (let account = 0; account < accountIds.length; account++) {
    const own = portions.get(accountIds[account] as number);
    if (!own) continue;
    const debit = own.debit === null ? undefined : lineOfCategory.get(own.debit);
    const credit = own.credit === own.debit ? debit : own.credit === null ? undefined : lineOfCategory.get(own.credit);
    if (debit !== undefined) lineOfDebit[account] = debit;
    if (credit !== undefined) lineOfCredit[account] = credit;
  }
  return {
    layout,
    lines,
    parentAt: Int32Array.from(parents),
    shownWithin: groupByHost(lines, indexOf),
    indexOf,
    lineOfDebit,
    lineOfCredit,
  };
}

function groupByHost(lines: readonly Line[], indexOf: ReadonlyMap<string, number>): Map<number, number[]> {
  const within = new Map<number, number[]>();
  for (const [index, line] of lines.entries()) {
    const host = line.kind === 'result' && line.within ? indexOf.get(line.within.key) : undefined;
    if (host !== undefined) within.set(host, [...(within.get(host) ?? []), index]);
  }
  return within;
}

/** A line's amount in its own figure: what it holds, and the result lines shown in it; debit positive. */
export function shownAmount({ shownWithin }: CompiledLayout, amounts: BigInt64Array, index: number): bigint {
  const own = amounts[index] as bigint;
  const others = shownWithin.get(index);
  return others === undefined ? own : others.reduce((total, other) => total + (amounts[other] as bigint), own);
}
