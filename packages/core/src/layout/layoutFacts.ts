import type { CodeList, ListKey } from '../chart/codeList.ts';
import type { Element } from '../chart/element.ts';
import type { FormulaFaulty } from '../formula/checkFormula.ts';
import type { FormulaMalformed } from '../formula/readFormula.ts';
import type { CaptionLanguage } from './captionWords.ts';
import { childrenOf, type Layout, type Line } from './line.ts';
import type { Adjustment, OwnLine } from './ownLayout.ts';
import type { Source, SourceFacts } from './source.ts';

/** The chart and placement that a composed layout is made over. */
export interface LayoutFacts extends SourceFacts {
  readonly retainedEarningsId: number | null;
  readonly language: CaptionLanguage;
  /** Elements whose accounts the layout has to hold. */
  readonly scope: readonly Element[];
  readonly lists: readonly Pick<CodeList, 'key' | 'codes'>[];
}

/** Of the tree, by the line that follows it. */
interface FollowedOrigin {
  readonly kind: 'followed';
  readonly by: string;
  /** The group among the lines of the tree that it stands in; `null` for the topmost. */
  readonly within: string | null;
  /** Its place there as the tree has it. */
  readonly at: number;
  readonly was: string;
  readonly adjustment: Adjustment | null;
}

/** Where a line of the expanded layout comes from. */
export type LineOrigin =
  | { readonly kind: 'own'; readonly line: OwnLine }
  | FollowedOrigin
  /** Comes with a line of the author's. */
  | { readonly kind: 'made'; readonly by: string };

/** What of a layout does not fit; `key`: the line that says it. */
export type LayoutFinding = { readonly key: string } & (
  | FormulaMalformed
  | FormulaFaulty
  | { readonly code: 'sum_line_unknown'; readonly named: string }
  | { readonly code: 'hidden_in_unknown'; readonly named: string }
  /** It is never shown and counts in its group, so that what is printed would not add up. */
  | { readonly code: 'hidden_nowhere' }
  | { readonly code: 'source_unknown'; readonly source: Source }
  /** The list is there, and none of its codes is it, or begins so: nothing is taken until one does. */
  | { readonly code: 'listed_code_unknown'; readonly list: ListKey; readonly named: string }
  | { readonly code: 'followed_unknown' }
  /** `key` is that of a transfer, which stands by itself; or of a line of cash. */
  | { readonly code: 'transfer_line_unknown'; readonly named: string }
  /** No account has the role cash, so that there is no change to explain. */
  | { readonly code: 'no_cash' }
  /** `of`: the line that was adjusted has gone, or the one that an inserted or moved line stood in or behind; then it stands last. */
  | { readonly code: 'adjustment_idle'; readonly adjusted: string; readonly caption: string; readonly of: 'line' | 'place' }
);

export interface ExpandedLayout {
  readonly layout: Layout;
  /** Its lines from top to bottom, by key. */
  readonly byKey: ReadonlyMap<string, Line>;
  /** Key of the group around each line that is in one. */
  readonly groupOf: ReadonlyMap<string, string>;
  /** By key of the line. */
  readonly origins: ReadonlyMap<string, LineOrigin>;
  readonly findings: readonly LayoutFinding[];
}

/** The lines in a group, or the topmost. */
export function linesIn({ layout, byKey }: ExpandedLayout, within: string | null): readonly Line[] {
  const group = within === null ? undefined : byKey.get(within);
  return within === null ? layout.lines : group ? childrenOf(group) : [];
}

/** Lines and the groups around them, by key. */
export function indexed(lines: readonly Line[]): Pick<ExpandedLayout, 'byKey' | 'groupOf'> {
  const byKey = new Map<string, Line>();
  const groupOf = new Map<string, string>();
  const collect = (line: Line): void => {
    byKey.set(line.key, line);
    for (const child of childrenOf(line)) {
      groupOf.set(child.key, line.key);
      collect(child);
    }
  };
  for (const line of lines) collect(line);
  return { byKey, groupOf };
}
