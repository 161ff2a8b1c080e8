import { inUnit, type ShownUnit } from '../statement/scale.ts';
import type { FootingNode, LineTree } from './lineTree.ts';
import { FootingNetwork, type Hold, type NetworkCell } from './network.ts';

/** Where a printed figure is not what its neighbours, or another statement, would have it be. */
export interface FootingException {
  /** Key of the row. */
  readonly key: string;
  /** Among all columns. */
  readonly column: number;
  /**
   * `beyond`: neither floor nor ceiling of its amount. `given`: not what another statement prints. `across`: its columns do not come to their total,
   * which they do exactly.
   */
  readonly why: 'beyond' | 'given' | 'across';
}

/** Columns of amounts by their place among all. `total`: the column that one is a part of. */
export interface FootedColumn {
  readonly at: number;
  readonly total: number | null;
}

/** What another statement prints, or what stands already. */
export interface GivenFigure {
  readonly figure: bigint;
  readonly hold?: Hold | undefined;
}

export interface FootedFrom {
  readonly tree: LineTree;
  readonly columns: readonly FootedColumn[];
  /** Key of a line, for exceptions. */
  readonly keyOf: (line: number) => string;
  /** As shown, in parts of the unit; `null`: no figure. */
  readonly exactOf: (line: number, column: number) => bigint | null;
  /** What another statement prints. */
  readonly givenOf: (line: number, column: number) => GivenFigure | undefined;
  readonly unit: ShownUnit;
  /** A column takes nothing from those that were footed before, but its own total. */
  readonly isEachAlone?: boolean;
}

/** Of each column of amounts what its lines print. */
export interface FootedLines {
  readonly figures: ReadonlyMap<number, ReadonlyMap<number, bigint>>;
  readonly exceptions: readonly FootingException[];
}

/**
 * Printed figures that add down in each column, and across where columns are parts of a total. A total's column is footed before its parts, so that it is
 * what it is alone; what stands in no total is rounded by itself, or given.
 */
export function footLines(from: FootedFrom): FootedLines {
  const foot = new LinesFooted(from);
  for (const column of from.columns) if (column.total === null) foot.column(column.at);
  return foot.done();
}

class LinesFooted {
  private readonly figures = new Map<number, Map<number, bigint>>();
  private readonly exceptions: FootingException[] = [];
  /** Of each line what it prints in the columns that are footed already, in their order. */
  private readonly shownOf = new Map<number, { readonly column: number; readonly exact: bigint; figure: bigint }[]>();
  /** Of each total's columns: rows that add across exactly, and rows with one in them that does not. */
  private readonly adding = new Map<number, Map<FootingNode, boolean>>();
  private readonly missing = new Map<number, Map<FootingNode, boolean>>();

  constructor(private readonly from: FootedFrom) {}

  done(): FootedLines {
    return { figures: this.figures, exceptions: this.exceptions };
  }

  /** A column, and below it those that are parts of it. */
  column(at: number): void {
    this.figures.set(at, new Map());
    for (const root of this.from.tree.roots) this.down(root, at, null);
    this.parts(at);
  }

  private parts(total: number): void {
    const columns = this.from.columns.filter((column) => column.total === total).map(({ at }) => at);
    if (columns.length > 0) {
      for (const at of columns) this.figures.set(at, new Map());
      for (const root of this.from.tree.roots) this.across(root, columns, total);
    }
    this.sums(total);
    for (const at of columns) this.parts(at);
  }

  private exact(node: FootingNode, column: number): bigint | null {
    return this.from.exactOf(node.line, column);
  }

  private show(line: number, column: number, figure: bigint): void {
    const byLine = this.figures.get(column);
    byLine?.set(line, figure);
    if (this.from.isEachAlone) return;
    const exact = this.from.exactOf(line, column);
    if (exact === null) return;
    const ofLine = this.shownOf.get(line) ?? [];
    this.shownOf.set(line, ofLine);
    const before = ofLine.find((one) => one.column === column);
    if (before) before.figure = figure;
    else ofLine.push({ column, exact, figure });
  }

  private shown(line: number, column: number): bigint | undefined {
    return this.figures.get(column)?.get(line);
  }

  /** What the same amount prints as in a column that was footed before. */
  private like(line: number, column: number, exact: bigint): bigint | undefined {
    const ofLine = this.shownOf.get(line);
    if (ofLine) for (const one of ofLine) if (one.exact === exact && one.column !== column) return one.figure;
    return undefined;
  }

  private cell(node: FootingNode, column: number, sign: bigint): NetworkCell {
    const exact = this.exact(node, column) as bigint;
    const [held, like] = [this.from.givenOf(node.line, column), this.like(node.line, column, exact)];
    return {
      exact: sign * exact,
      given: held === undefined ? undefined : sign * held.figure,
      hold: held?.hold,
      like: like === undefined ? undefined : sign * like,
    };
  }

  /** One column of one tree: its root is rounded, given, or as it stands already. */
  private down(root: FootingNode, column: number, standing: bigint | null): void {
    const exact = this.exact(root, column);
    if (exact === null) {
      // Parts of a total that has no figure stand for themselves.
      for (const { node } of root.parts) this.down(node, column, null);
      return;
    }
    const other = this.from.givenOf(root.line, column);
    const figure = standing ?? other?.figure ?? this.like(root.line, column, exact) ?? inUnit(exact, this.from.unit);
    this.show(root.line, column, figure);
    if (root.parts.length === 0) return;
    const network = new FootingNetwork(this.from.unit);
    const hub = network.addNode();
    const placed: Placed[] = [];
    const place = (node: FootingNode, above: number, sign: bigint): void => {
      const inside = this.insideOf(node, column);
      const own = inside.length === 0 ? hub : network.addNode();
      const cell =
        node === root
          ? { exact: sign * exact, given: sign * figure, hold: standing === null ? other?.hold : ('standing' as const) }
          : this.cell(node, column, sign);
      placed.push({ node, column, sign, cell: network.addCell(above, own, cell) });
      for (const part of inside) place(part.node, own, sign * BigInt(part.sign));
    };
    place(root, hub, 1n);
    network.solve();
    this.take(network, placed);
    for (const { node } of placed) this.rest(node, column);
  }

  /** The parts of a node that make it up in a column; none where one of them has no figure. */
  private insideOf(node: FootingNode, column: number): FootingNode['parts'] {
    return node.parts.every((part) => this.exact(part.node, column) !== null) ? node.parts : [];
  }

  /** What stands in a node that is not made up by it stands for itself. */
  private rest(node: FootingNode, column: number): void {
    if (node.parts.length > 0 && this.insideOf(node, column).length === 0) for (const part of node.parts) this.down(part.node, column, null);
  }

  private take(network: FootingNetwork, placed: readonly Placed[]): void {
    for (const { node, column, sign, cell } of placed) {
      this.show(node.line, column, sign * network.figure(cell));
      if (network.isBeyond(cell))
        this.exceptions.push({
          key: this.from.keyOf(node.line),
          column,
          why: this.from.givenOf(node.line, column) === undefined ? 'beyond' : 'given',
        });
    }
  }

  /**
   * Columns that are parts of a total, which is footed already, over one tree. A row that adds across although something in it does not is footed across
   * before what stands in it.
   */
  private across(root: FootingNode, columns: readonly number[], total: number): void {
    if (this.adds(root, columns, total) && this.misses(root, columns, total)) {
      this.solve(root, columns, total, { isAlone: true, isStanding: false });
      this.solve(root, columns, total, { isAlone: false, isStanding: true });
    } else this.solve(root, columns, total, { isAlone: false, isStanding: false });
    this.told(root, columns, total);
  }

  /**
   * One network over all columns: what flows into a node in a column flows on to its parts; the columns of a leaf flow into what it prints in the total, or
   * out, where its exact columns miss its exact total or it has no figure there. `isStanding`: its root is printed already; `isAlone`: nothing in it is looked at.
   */
  private solve(
    root: FootingNode,
    columns: readonly number[],
    total: number,
    { isAlone, isStanding }: { readonly isAlone: boolean; readonly isStanding: boolean },
  ): void {
    const network = new FootingNetwork(this.from.unit);
    const hub = network.addNode();
    const placed: Placed[] = [];
    const inside: FootingNode[] = [];
    const alone: { readonly node: FootingNode; readonly column: number }[] = [];
    const place = (node: FootingNode, above: readonly number[], sign: bigint): void => {
      const adds = this.adds(node, columns, total);
      const isApart = node !== root && adds && this.misses(node, columns, total);
      const isLeaf = isApart || (isAlone && node === root) || node.parts.length === 0;
      if (isApart) inside.push(node);
      const sink = isLeaf && adds ? network.addNode() : hub;
      const own = columns.map((column) => (isLeaf || this.insideOf(node, column).length === 0 ? sink : network.addNode()));
      for (let at = 0; at < columns.length; at++) {
        const column = columns[at] as number;
        if (this.exact(node, column) === null) continue;
        const standing = isStanding && node === root ? this.shown(node.line, column) : undefined;
        const cell = this.cell(node, column, sign);
        const fixed = standing === undefined ? cell : { ...cell, given: sign * standing, hold: 'standing' as const };
        placed.push({ node, column, sign, cell: network.addCell(above[at] as number, own[at] as number, fixed) });
        if (!isLeaf && own[at] === hub) alone.push({ node, column });
      }
      if (isLeaf && adds) {
        const figure = sign * (this.shown(node.line, total) as bigint);
        network.demand(sink, figure);
        network.demand(hub, -figure);
      } else if (!isLeaf) for (const part of node.parts) place(part.node, own, sign * BigInt(part.sign));
    };
    place(
      root,
      columns.map(() => hub),
      1n,
    );
    network.solve();
    this.take(network, placed);
    for (const node of inside) this.solve(node, columns, total, { isAlone: false, isStanding: true });
    for (const { node, column } of alone) for (const part of node.parts) this.down(part.node, column, null);
  }

  /** Whether something in a node does not come to its total across. */
  private misses(node: FootingNode, columns: readonly number[], total: number): boolean {
    const missing = this.missing.get(total) ?? new Map<FootingNode, boolean>();
    this.missing.set(total, missing);
    const found = missing.get(node) ?? node.parts.some((part) => !this.adds(part.node, columns, total) || this.misses(part.node, columns, total));
    missing.set(node, found);
    return found;
  }

  /** Rows that would come to their total exactly, and are printed otherwise. */
  private told(node: FootingNode, columns: readonly number[], total: number): void {
    if (this.adds(node, columns, total)) {
      const sum = columns.reduce((all, column) => all + (this.shown(node.line, column) ?? 0n), 0n);
      if (sum !== this.shown(node.line, total)) this.exceptions.push({ key: this.from.keyOf(node.line), column: total, why: 'across' });
    }
    for (const part of node.parts) this.told(part.node, columns, total);
  }

  private adds(node: FootingNode, columns: readonly number[], total: number): boolean {
    const adding = this.adding.get(total) ?? new Map<FootingNode, boolean>();
    this.adding.set(total, adding);
    const before = adding.get(node);
    if (before !== undefined) return before;
    let rest: bigint | null = this.exact(node, total);
    for (const column of columns) {
      const exact = this.exact(node, column);
      rest = rest === null || exact === null ? null : rest - exact;
    }
    adding.set(node, rest === 0n);
    return rest === 0n;
  }

  /** Totals that cut through others are what they show: of n terms, less than n units off. */
  private sums(total: number): void {
    const columns = [total, ...this.from.columns.filter((column) => column.total === total).map(({ at }) => at)];
    for (const column of columns)
      for (const { line, terms } of this.from.tree.others) {
        const exact = this.from.exactOf(line, column);
        if (exact === null || this.shown(line, column) !== undefined) continue;
        const held = this.from.givenOf(line, column);
        const figures = terms.map((term) => ({ sign: BigInt(term.sign), figure: this.shown(term.line, column) }));
        const isKnown = figures.every(({ figure }) => figure !== undefined);
        this.show(
          line,
          column,
          held?.figure ?? (isKnown ? figures.reduce((sum, { sign, figure }) => sum + sign * (figure as bigint), 0n) : inUnit(exact, this.from.unit)),
        );
      }
  }
}

interface Placed {
  readonly node: FootingNode;
  readonly column: number;
  readonly sign: bigint;
  readonly cell: number;
}
