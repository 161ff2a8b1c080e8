import { type Element, naturalSide } from '../chart/element.ts';
import { type Step, steps } from '../placement/category.ts';
import type { CategoryNode, CategoryTree } from '../placement/categoryTree.ts';
import type { Portions } from '../placement/place.ts';
import { linesOfSiblings } from './categoryLines.ts';
import type { Layout, Line, SumLine } from './line.ts';
import { occupiedCategories } from './occupied.ts';
import type { LayoutOptions, Subtotal } from './options.ts';

export interface IncomeStatementFacts {
  readonly tree: CategoryTree;
  readonly portions: ReadonlyMap<number, Portions>;
  readonly options: LayoutOptions;
}

/** The subtotal that stands after a step; `null` after revenue, whose own total says the same. */
const subtotalAfter: Readonly<Record<Step, { key: Subtotal | 'profit'; caption: string } | null>> = {
  revenue: null,
  cost_of_sales: { key: 'gross_profit', caption: 'Gross profit' },
  other_operating: { key: 'operating_profit', caption: 'Operating profit' },
  investing: { key: 'profit_before_financing_and_tax', caption: 'Profit before financing and income tax' },
  financing: { key: 'profit_before_tax', caption: 'Profit before tax' },
  income_tax: { key: 'profit_from_continuing', caption: 'Profit from continuing operations' },
  discontinued: null,
};

/**
 * Income statement through the steps in their order, income and expense together, with a subtotal after each step
 * that has lines (IFRS 18.47 names operating profit and profit before financing and income tax). A subtotal equal
 * to the one before it is left out, and the last one gives way to the profit itself.
 */
export function generateIncomeStatement({ tree, portions, options }: IncomeStatementFacts): Layout {
  const occupied = occupiedCategories(portions);
  const lines: Line[] = [];
  const terms: string[] = [];
  let pending: SumLine | null = null;
  for (const step of steps) {
    const stepLines = linesOfStep(tree, step, occupied);
    if (stepLines.length === 0) continue;
    if (pending) lines.push(pending);
    lines.push(...stepLines);
    terms.push(...stepLines.map((line) => line.key));
    const subtotal = subtotalAfter[step];
    pending =
      subtotal && !options.subtotalsOff.includes(subtotal.key as Subtotal) && terms.length > 1 ? sum(subtotal.key, subtotal.caption, terms, false) : null;
  }
  lines.push(sum('profit', 'Profit for the period', terms, true));
  return { kind: 'income_statement', title: 'Income statement', lines };
}

function sum(key: string, caption: string, terms: readonly string[], final: boolean): SumLine {
  return { kind: 'sum', key, caption, side: 'credit', reversed: false, rung: 0, terms: [...terms], final };
}

function linesOfStep(tree: CategoryTree, step: Step, occupied: ReadonlySet<number>): Line[] {
  const tops = (element: Element): readonly CategoryNode[] =>
    (tree.tops.get(element) ?? []).filter((node) => (node.category.step ?? 'other_operating') === step);
  const lines = (['income', 'expense'] as const).flatMap((element) =>
    linesOfSiblings(tops(element), 1, { side: naturalSide(element), reversed: element === 'expense', occupied }),
  );
  if (step !== 'revenue' || lines.length < 2) return lines;
  return [{ kind: 'group', key: 'step.revenue', caption: 'Revenue', totalCaption: 'Total revenue', side: 'credit', reversed: false, rung: 0, children: lines }];
}
