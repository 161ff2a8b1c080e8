import { type Element, naturalSide } from '../chart/element.ts';
import { type Step, steps } from '../placement/category.ts';
import type { CategoryNode, CategoryTree } from '../placement/categoryTree.ts';
import type { Portions } from '../placement/place.ts';
import { type CaptionLanguage, type CaptionWords, captionWords } from './captionWords.ts';
import { linesOfSiblings } from './categoryLines.ts';
import type { Layout, Line, SumLine } from './line.ts';
import { occupiedCategories } from './occupied.ts';
import type { LayoutOptions, Subtotal } from './options.ts';

export interface IncomeStatementFacts {
  readonly tree: CategoryTree;
  readonly portions: ReadonlyMap<number, Portions>;
  readonly options: LayoutOptions;
  readonly language: CaptionLanguage;
}

/** The subtotal that stands after a step; `null` after revenue, whose own total says the same. */
const subtotalAfter: Readonly<Record<Step, { key: Subtotal; word: keyof CaptionWords & `${string}rofit${string}` } | null>> = {
  revenue: null,
  cost_of_sales: { key: 'gross_profit', word: 'grossProfit' },
  other_operating: { key: 'operating_profit', word: 'operatingProfit' },
  investing: { key: 'profit_before_financing_and_tax', word: 'profitBeforeFinancing' },
  financing: { key: 'profit_before_tax', word: 'profitBeforeTax' },
  income_tax: { key: 'profit_from_continuing', word: 'profitFromContinuing' },
  discontinued: null,
};

/**
 * Income statement through the steps in their order, income and expense together, with a subtotal after each step
 * that has lines (IFRS 18.69, from memory, names operating profit and profit before financing and income tax). A subtotal with nothing
 * between it and the one before, because nothing is placed there or all of it is nil, is left out, and the last one gives way to the profit itself.
 */
export function generateIncomeStatement({ tree, portions, options, language }: IncomeStatementFacts): Layout {
  const words = captionWords[language];
  const occupied = occupiedCategories(portions);
  const lines: Line[] = [];
  const terms: string[] = [];
  let pending: SumLine | null = null;
  for (const step of steps) {
    const stepLines = linesOfStep(tree, step, occupied, words);
    if (stepLines.length === 0) continue;
    if (pending) lines.push(pending);
    lines.push(...stepLines);
    terms.push(...stepLines.map((line) => line.key));
    const subtotal = subtotalAfter[step];
    pending = subtotal && !options.subtotalsOff.includes(subtotal.key) && terms.length > 1 ? sum(subtotal.key, words[subtotal.word], terms, false) : null;
  }
  lines.push(sum('profit', words.profit, terms, true));
  return { kind: 'income_statement', language, title: words.incomeStatement, lines };
}

function sum(key: string, caption: string, terms: readonly string[], final: boolean): SumLine {
  const shown = final ? ('always' as const) : ('differs' as const);
  return { kind: 'sum', key, caption, shown, side: 'credit', reversed: false, rung: 0, terms: terms.map((term) => ({ key: term, sign: 1 })), final };
}

function linesOfStep(tree: CategoryTree, step: Step, occupied: ReadonlySet<number>, words: CaptionWords): Line[] {
  const tops = (element: Element): readonly CategoryNode[] =>
    (tree.tops.get(element) ?? []).filter((node) => (node.category.step ?? 'other_operating') === step);
  const lines = (['income', 'expense'] as const).flatMap((element) =>
    linesOfSiblings(tops(element), 1, { side: naturalSide(element), reversed: element === 'expense', occupied, words }),
  );
  if (step !== 'revenue' || lines.length < 2) return lines;
  return [
    {
      kind: 'group',
      key: 'step.revenue',
      caption: words.revenue,
      totalCaption: words.total(words.revenue),
      side: 'credit',
      reversed: false,
      rung: 0,
      children: lines,
    },
  ];
}
