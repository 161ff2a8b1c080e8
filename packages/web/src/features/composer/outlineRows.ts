import { childrenOf, type ExpandedLayout, type Line, type LineOrigin, readFormula, renderFormula } from '@ivory-ladder/core';

/** A row of the outline: a line of the author's, or one of the tree. */
export interface OutlineRow {
  readonly key: string;
  readonly caption: string;
  /** What the mark before it says. */
  readonly mark: string;
  readonly depth: number;
  /** Key of the group it stands in; `null` at the top. */
  readonly within: string | null;
  readonly info: string;
  readonly opens: 'open' | 'shut' | null;
  /** Of the tree, with an adjustment on top. */
  readonly isAdjusted: boolean;
  readonly isOfTree: boolean;
  readonly weight: 'group' | 'plain';
  /** Something of it does not fit. */
  readonly isAtFault: boolean;
}

/** All lines from top to bottom; of groups that are shut only themselves. */
export function outlineRows(expanded: ExpandedLayout, isShut: (key: string, byItself: boolean) => boolean): OutlineRow[] {
  const rows: OutlineRow[] = [];
  const movedTo = new Set([...(expanded.layout.transfers ?? []).map(({ on }) => on), ...[...expanded.byKey.values()].flatMap(movedOnto)]);
  const faults = new Set(expanded.findings.map(({ key }) => key));
  const visit = (lines: readonly Line[], depth: number, within: string | null): void => {
    for (const line of lines) {
      const origin = expanded.origins.get(line.key);
      if (!origin || origin.kind === 'made') continue;
      const children = childrenOf(line);
      // Groups of the tree are shut until somebody looks, unless something of the author's is in them.
      const isShutByItself = origin.kind === 'followed' && !holdsOwn(line, expanded);
      const canOpen = children.length > 0;
      const opens = canOpen ? (isShut(line.key, isShutByItself) ? 'shut' : 'open') : null;
      rows.push({
        key: line.key,
        caption: line.kind === 'space' ? '' : line.caption,
        mark: markOf(origin),
        depth,
        within,
        info: infoOf(
          line,
          origin,
          (key) => expanded.byKey.get(key)?.caption,
          (key) => movedTo.has(key),
        ),
        opens,
        isAdjusted: origin.kind === 'followed' && origin.adjustment !== null,
        isOfTree: origin.kind === 'followed',
        weight: origin.kind === 'own' && (line.kind === 'group' || line.kind === 'heading') && origin.line.kind !== 'follows' ? 'group' : 'plain',
        isAtFault: faults.has(line.key),
      });
      if (opens === 'open') visit(children, depth + 1, line.key);
    }
  };
  visit(expanded.layout.lines, 0, null);
  return rows;
}

function movedOnto(line: Line): readonly string[] {
  return line.kind === 'accounts' ? [line.addedBackOn, line.freedOn].flatMap((key) => key ?? []) : [];
}

function holdsOwn(line: Line, { origins }: Pick<ExpandedLayout, 'origins'>): boolean {
  return childrenOf(line).some((child) => {
    const origin = origins.get(child.key);
    return origin?.kind === 'own' || (origin?.kind === 'followed' && origin.adjustment !== null) || holdsOwn(child, { origins });
  });
}

function markOf(origin: LineOrigin): string {
  if (origin.kind === 'own') return origin.line.kind;
  return origin.kind === 'followed' && origin.adjustment ? 'adjusted' : 'follows';
}

function infoOf(line: Line, origin: LineOrigin, captionOf: (key: string) => string | undefined, isMovedTo: (key: string) => boolean): string {
  if (origin.kind === 'followed' && origin.adjustment) {
    const { caption, after, hiddenIn } = origin.adjustment;
    if (hiddenIn !== undefined) return `in ${captionOf(hiddenIn) ?? 'a line that has gone'}`;
    if (caption !== undefined && caption !== origin.was) return `was ${origin.was}`;
    return after === undefined ? '' : 'moved';
  }
  const accounts = (count: number): string => (count === 1 ? '1 account' : `${count} accounts`);
  switch (line.kind) {
    case 'group':
      return origin.kind === 'own' && origin.line.kind === 'group' ? line.totalCaption : lineCount(line.children.length);
    case 'accounts': {
      const own = origin.kind === 'own' ? origin.line : null;
      const side = own && 'takes' in own && own.takes !== 'any' ? `${own.takes} side, ` : '';
      if (line.selection?.accounts.length === 0 && isMovedTo(line.key)) return 'moved from other lines';
      return line.selection ? `${side}${accounts(line.selection.accounts.length)}` : '';
    }
    case 'sum':
      return line.terms.map(({ key }, at) => `${at === 0 ? '' : signOf(origin, key)}${captionOf(key) ?? key}`).join('');
    case 'calculation': {
      const formula = origin.kind === 'own' && origin.line.kind === 'calculation' ? readFormula(origin.line.formula) : null;
      return formula?.ok ? renderFormula(formula.value, (key) => captionOf(key) ?? key) : 'no formula yet';
    }
    case 'result':
      return 'all income, expense';
    case 'heading':
    case 'text':
    case 'space':
      return '';
  }
}

function signOf(origin: LineOrigin, key: string): string {
  const term = origin.kind === 'own' && origin.line.kind === 'sum' ? origin.line.terms.find((one) => one.key === key) : undefined;
  return term?.sign === -1 ? ' − ' : ' + ';
}

function lineCount(count: number): string {
  return count === 1 ? '1 line' : `${count} lines`;
}
