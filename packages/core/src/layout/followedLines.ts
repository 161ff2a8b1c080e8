import { type Element, naturalSide, type Side } from '../chart/element.ts';
import type { CaptionInLanguage } from '../placement/captionsIn.ts';
import type { CategoryNode, CategoryTree } from '../placement/categoryTree.ts';
import { type CaptionLanguage, captionWords } from './captionWords.ts';
import { linesOfSiblings } from './categoryLines.ts';
import { flowLines } from './flowLines.ts';
import type { LayoutFacts, LayoutFinding, LineOrigin } from './layoutFacts.ts';
import type { Layout, Line, Selection } from './line.ts';
import { occupiedCategories } from './occupied.ts';
import type { Adjustment, Followed, FollowsOwnLine, OwnLine } from './ownLayout.ts';

/** The caption of a language, or that of the main one where there is none. */
export function captionIn({ caption, captions }: { readonly caption: string; readonly captions: readonly CaptionInLanguage[] }, language: CaptionLanguage) {
  return captions.find((one) => one.language === language)?.caption ?? caption;
}

interface FollowedLines {
  readonly lines: readonly Line[];
  readonly side: Side;
  readonly origins: ReadonlyMap<string, LineOrigin>;
  readonly findings: readonly LayoutFinding[];
}

/**
 * The lines of the part of the tree that a line follows, with its adjustments and with the author's lines among them.
 * `inner` makes an author's line. Whatever names a line that has gone is a finding, and changes nothing.
 */
export function expandFollowed(
  line: FollowsOwnLine,
  facts: LayoutFacts,
  kind: Layout['kind'],
  cash: Selection,
  inner: (line: OwnLine, elements: readonly Element[], side: Side) => readonly Line[],
): FollowedLines {
  const { followed } = line;
  const elements = elementsFollowed(followed, facts.tree);
  const [only] = elements;
  // In an income statement expenses are shown reversed, beside income.
  const isOneSided = only !== undefined && elements.length === 1 && !(only === 'expense' && kind === 'income_statement');
  const side: Side = isOneSided ? naturalSide(only) : 'credit';
  const words = captionWords[facts.language];
  const inOrder = (nodes: readonly CategoryNode[]): readonly CategoryNode[] => (line.backwards ? nodes.toReversed() : nodes);
  const made =
    followed.of === 'flow'
      ? flowLines(followed.part, facts, cash, facts.language)
      : elements.flatMap((element) =>
          linesOfSiblings(inOrder(nodesFollowed(followed, element, facts.tree)), rungOf(followed, facts.tree), {
            side: naturalSide(element),
            reversed: element === 'expense' && kind === 'income_statement',
            occupied: occupiedCategories(facts.portions),
            words,
          }),
        );
  const origins = new Map<string, LineOrigin>();
  const findings: LayoutFinding[] = elements.length === 0 && followed.of !== 'flow' ? [{ code: 'followed_unknown', key: line.key }] : [];
  const adjustmentOf = new Map(line.adjustments.map((adjustment) => [adjustment.key, adjustment]));
  const insertedIn = insertedByGroup(line.inserted);
  const seen = new Set<string>();

  const idle = (adjusted: string, caption: string, of: 'line' | 'place'): void =>
    void findings.push({ code: 'adjustment_idle', key: line.key, adjusted, caption, of });

  const adjust = (lines: readonly Line[], within: string | null): Line[] => {
    const kept: Line[] = [];
    const waiting: { readonly lines: readonly Line[]; readonly after: string | null; readonly told: readonly [adjusted: string, caption: string] }[] = [];
    for (const [at, ofTree] of lines.entries()) {
      const adjustment = adjustmentOf.get(ofTree.key);
      seen.add(ofTree.key);
      origins.set(ofTree.key, { kind: 'followed', by: line.key, within, at, was: ofTree.caption, adjustment: adjustment ?? null });
      const children = ofTree.kind === 'group' ? { children: adjust(ofTree.children, ofTree.key) } : {};
      if (adjustment?.apart) continue;
      const adjusted = { ...ofTree, ...children, ...(adjustment ? changesBy(adjustment, ofTree, facts.language) : {}) } as Line;
      if (adjustment?.after === undefined) kept.push(adjusted);
      else waiting.push({ lines: [adjusted], after: adjustment.after, told: [adjustment.key, adjusted.caption] });
    }
    for (const { after, line: own } of insertedIn.get(within) ?? [])
      waiting.push({ lines: inner(own, elements, side), after, told: [after ?? '', own.caption] });
    // Each can be put once the line that it stands behind is there.
    for (let left = waiting; left.length > 0; ) {
      const stuck = left.filter(({ lines: added, after }) => !putAfter(kept, after, added));
      if (stuck.length < left.length) {
        left = stuck;
        continue;
      }
      for (const { lines: added, told } of stuck) {
        kept.push(...added);
        idle(...told, 'place');
      }
      break;
    }
    return kept;
  };

  const lines = adjust(made, null);
  for (const { key, caption } of line.adjustments) if (!seen.has(key)) idle(key, caption ?? '', 'line');
  // Lines of a group that has gone stand at the end rather than nowhere.
  for (const [within, inserted] of insertedIn)
    if (within !== null && !seen.has(within))
      for (const { line: own } of inserted) {
        lines.push(...inner(own, elements, side));
        idle(within, own.caption, 'place');
      }
  return { lines, side, origins, findings };
}

function changesBy({ caption, captions, reversed, look, shown, note, hiddenIn }: Adjustment, line: Line, language: CaptionLanguage): Partial<Line> {
  const own = caption === undefined ? line.caption : captionIn({ caption, captions: captions ?? [] }, language);
  const isRenamed = line.kind === 'group' && caption !== undefined;
  return {
    caption: own,
    ...(isRenamed ? { totalCaption: line.key.startsWith('net.') ? captionWords[language].net(own) : captionWords[language].total(own) } : {}),
    ...(reversed === undefined ? {} : { reversed }),
    ...(look === undefined ? {} : { look }),
    ...(shown === undefined ? {} : { shown }),
    ...(note === undefined ? {} : { note }),
    ...(hiddenIn === undefined ? {} : { hiddenIn, shown: 'never' as const }),
  };
}

/** Puts lines behind the one with the key, or first; `false` where it is not there. */
function putAfter(lines: Line[], after: string | null, added: readonly Line[]): boolean {
  const at = after === null ? -1 : lines.findIndex(({ key }) => key === after);
  if (after !== null && at < 0) return false;
  lines.splice(at + 1, 0, ...added);
  return true;
}

function insertedByGroup(inserted: FollowsOwnLine['inserted']): Map<string | null, FollowsOwnLine['inserted'][number][]> {
  const groups = new Map<string | null, FollowsOwnLine['inserted'][number][]>();
  for (const one of inserted) groups.set(one.within, [...(groups.get(one.within) ?? []), one]);
  return groups;
}

function elementsFollowed(followed: Followed, tree: CategoryTree): readonly Element[] {
  switch (followed.of) {
    case 'category': {
      const element = tree.nodes.get(followed.categoryId)?.category.element;
      return element === undefined ? [] : [element];
    }
    case 'term':
    case 'element':
      return [followed.element];
    case 'step':
      return ['income', 'expense'];
    case 'flow':
      return [];
  }
}

function nodesFollowed(followed: Exclude<Followed, { of: 'flow' }>, element: Element, { tops, nodes }: CategoryTree): readonly CategoryNode[] {
  const ofElement = tops.get(element) ?? [];
  switch (followed.of) {
    case 'category': {
      const node = nodes.get(followed.categoryId);
      if (!node) return [];
      // What is deducted from it comes along.
      const siblings = node.parent?.children ?? ofElement;
      return [node, ...siblings.filter(({ category }) => category.contraOf === followed.categoryId)];
    }
    case 'element':
      return ofElement;
    case 'term':
      return ofElement.filter(({ category }) => (category.term ?? 'current') === followed.term);
    case 'step':
      return ofElement.filter(({ category }) => (category.step ?? 'other_operating') === followed.step);
  }
}

function rungOf(followed: Followed, { nodes }: CategoryTree): number {
  return followed.of === 'category' ? (nodes.get(followed.categoryId)?.depth ?? 0) + 1 : 1;
}
