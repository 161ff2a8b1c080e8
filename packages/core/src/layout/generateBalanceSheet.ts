import { type Element, naturalSide } from '../chart/element.ts';
import type { Term } from '../placement/category.ts';
import type { CategoryNode, CategoryTree } from '../placement/categoryTree.ts';
import type { Portions } from '../placement/place.ts';
import { type CaptionLanguage, type CaptionWords, captionWords } from './captionWords.ts';
import { linesOfSiblings } from './categoryLines.ts';
import type { GroupLine, Layout, Line } from './line.ts';
import { occupiedCategories } from './occupied.ts';
import type { LayoutOptions } from './options.ts';
import { termsInOrder } from './termsInOrder.ts';

export interface BalanceSheetFacts {
  readonly tree: CategoryTree;
  readonly portions: ReadonlyMap<number, Portions>;
  readonly retainedEarningsId: number | null;
  readonly options: LayoutOptions;
  readonly language: CaptionLanguage;
}

const termWords = {
  asset: { non_current: 'nonCurrentAssets', current: 'currentAssets' },
  liability: { non_current: 'nonCurrentLiabilities', current: 'currentLiabilities' },
} as const satisfies Readonly<Record<'asset' | 'liability', Readonly<Record<Term, keyof CaptionWords>>>>;

/** Balance sheet by current and non-current, or by liquidity (IAS 1.60), living: it follows the category tree each time it is made. */
export function generateBalanceSheet({ tree, portions, retainedEarningsId, options, language }: BalanceSheetFacts): Layout {
  const words = captionWords[language];
  const occupied = occupiedCategories(portions);
  const inTerms = (element: 'asset' | 'liability', caption: string): GroupLine => {
    const side = naturalSide(element);
    const tops = tree.tops.get(element) ?? [];
    const { terms, backwards } = termsInOrder(tops, options.order);
    const children = terms.flatMap((term): Line[] => {
      const ofTerm = tops.filter((node) => (node.category.term ?? 'current') === term);
      const lines = linesOfSiblings(backwards ? ofTerm.toReversed() : ofTerm, 1, { side, reversed: false, occupied, words });
      if (options.order !== 'by_term') return lines;
      const termCaption = words[termWords[element][term]];
      return lines.length === 0
        ? []
        : [
            {
              kind: 'group',
              key: `${element}.${term}`,
              caption: termCaption,
              totalCaption: words.total(termCaption),
              side,
              reversed: false,
              rung: 0,
              children: lines,
            },
          ];
    });
    return { kind: 'group', key: element, caption, totalCaption: words.total(caption), side, reversed: false, rung: 0, children };
  };
  const equityTops: readonly CategoryNode[] = tree.tops.get('equity') ?? [];
  const equity: Line[] = linesOfSiblings(equityTops, 1, { side: 'credit', reversed: false, occupied, words });
  const within = options.result === 'within_retained_earnings' ? retainedLine(equity, retainedEarningsId, portions) : null;
  const result = (key: string, caption: string, of: 'year_to_date' | 'earlier_years'): Line => ({
    kind: 'result',
    key,
    caption,
    side: 'credit',
    reversed: false,
    rung: 1,
    of,
    within: of === 'year_to_date' ? within : null,
  });
  if (retainedEarningsId === null) equity.push(result('result.earlier', words.earlierNotAllotted, 'earlier_years'));
  equity.push(result('result', words.resultOfYear, 'year_to_date'));
  return {
    kind: 'balance_sheet',
    language,
    title: words.balanceSheet,
    lines: [
      inTerms('asset', words.elements.asset),
      inTerms('liability', words.elements.liability),
      {
        kind: 'group',
        key: 'equity',
        caption: words.elements.equity,
        totalCaption: words.total(words.elements.equity),
        side: 'credit',
        reversed: false,
        rung: 0,
        children: equity,
      },
      {
        kind: 'sum',
        key: 'liability_and_equity',
        caption: words.total(words.liabilitiesAndEquity),
        side: 'credit',
        reversed: false,
        rung: 0,
        terms: [
          { key: 'liability', sign: 1 },
          { key: 'equity', sign: 1 },
        ],
        final: true,
      },
    ],
  };
}

function retainedLine(lines: readonly Line[], accountId: number | null, portions: ReadonlyMap<number, Portions>): { key: string; accountId: number } | null {
  const categoryId = accountId === null ? null : (portions.get(accountId)?.credit ?? null);
  if (accountId === null || categoryId === null) return null;
  const find = (candidates: readonly Line[]): string | null => {
    for (const line of candidates) {
      if (line.kind === 'accounts' && line.categoryId === categoryId) return line.key;
      const inside = line.kind === 'group' ? find(line.children) : null;
      if (inside) return inside;
    }
    return null;
  };
  const key = find(lines);
  return key === null ? null : { key, accountId };
}

/** The element whose total a balance sheet group bears, for proofs. */
export const balanceSheetGroups: readonly Element[] = ['asset', 'liability', 'equity'];
