import { elements, naturalSide } from '../chart/element.ts';
import { type Step, steps } from '../placement/category.ts';
import type { CategoryTree } from '../placement/categoryTree.ts';
import { beginCashFlow } from './beginCashFlow.ts';
import { beginChangesInEquity } from './beginChangesInEquity.ts';
import { type CaptionLanguage, type CaptionWords, captionWords } from './captionWords.ts';
import type { GeneratedName } from './line.ts';
import { newLine } from './newLine.ts';
import type { LayoutOptions, Subtotal } from './options.ts';
import { type Followed, type FollowsOwnLine, type GroupOwnLine, type OwnLayout, type OwnLine, plainLook, type SumOwnLine } from './ownLayout.ts';
import { termsInOrder } from './termsInOrder.ts';

export interface BeginningFacts {
  readonly tree: CategoryTree;
  readonly options: LayoutOptions;
  /** The company's main one. */
  readonly language: CaptionLanguage;
}

/** An own layout that is what the generated one is, and goes on following the categories. */
export function beginLayout(kind: GeneratedName, facts: BeginningFacts): OwnLayout {
  switch (kind) {
    case 'balance_sheet':
      return beginBalanceSheet(facts);
    case 'income_statement':
      return beginIncomeStatement(facts);
    case 'cash_flow':
      return beginCashFlow(facts.options.cashFlow, facts.language);
    case 'changes_in_equity':
      return beginChangesInEquity(facts.language);
    case 'trial_balance':
      return beginTrialBalance(facts);
  }
}

/** Every element by its categories, each on its own side; debits less credits of all of them are nil. */
function beginTrialBalance({ language }: BeginningFacts): OwnLayout {
  const words = captionWords[language];
  const lines = elements.map((element) => follows(element, words.elements[element], { of: 'element', element }, 'group'));
  const terms = elements.map((key) => ({ key, sign: naturalSide(key) === 'debit' ? (1 as const) : (-1 as const) }));
  const all = { ...sum('difference', words.total(words.trialBalance), [], true), side: 'debit' as const, terms };
  return { kind: 'free', title: words.trialBalance, titles: [], measure: 'closing', scope: [...elements], lines: [...lines, all] };
}

function follows(key: string, caption: string, followed: Followed, frame: FollowsOwnLine['frame']): FollowsOwnLine {
  return { ...newLine('follows', key, caption), followed, frame };
}

function group(key: string, caption: string, side: 'debit' | 'credit', children: readonly OwnLine[]): GroupOwnLine {
  return { ...newLine('group', key, caption), side, children };
}

function sum(key: string, caption: string, terms: readonly string[], isFinal: boolean): SumOwnLine {
  const look = isFinal ? { ...plainLook, weight: 'final' as const } : plainLook;
  const shown = isFinal ? ('always' as const) : ('differs' as const);
  return { ...newLine('sum', key, caption), look, shown, side: 'credit', terms: terms.map((term) => ({ key: term, sign: 1 })) };
}

function beginBalanceSheet({ tree, options, language }: BeginningFacts): OwnLayout {
  const words = captionWords[language];
  const termsOf = (element: 'asset' | 'liability'): OwnLine[] => {
    const { terms, backwards } = termsInOrder(tree.tops.get(element) ?? [], options.order);
    const captions = {
      asset: { non_current: words.nonCurrentAssets, current: words.currentAssets },
      liability: { non_current: words.nonCurrentLiabilities, current: words.currentLiabilities },
    };
    const frame = options.order === 'by_term' ? 'group' : 'bare';
    return terms.map((term) => ({
      ...follows(`${term}_${element}`, captions[element][term], { of: 'term', element, term }, frame),
      ...(backwards ? { backwards } : {}),
    }));
  };
  const assets = group('asset', words.elements.asset, 'debit', termsOf('asset'));
  return {
    kind: 'balance_sheet',
    title: words.balanceSheet,
    titles: [],
    measure: 'closing',
    scope: [],
    lines: [
      { ...assets, look: { ...plainLook, weight: 'final' } },
      group('liability', words.elements.liability, 'credit', termsOf('liability')),
      group('equity', words.elements.equity, 'credit', [
        follows('equity_categories', words.elements.equity, { of: 'element', element: 'equity' }, 'bare'),
        newLine('result', 'result', words.resultOfYear),
      ]),
      sum('liability_and_equity', words.total(words.liabilitiesAndEquity), ['liability', 'equity'], true),
    ],
  };
}

const subtotalAfter: Readonly<Partial<Record<Step, readonly [Subtotal, keyof CaptionWords & `${string}rofit${string}`]>>> = {
  cost_of_sales: ['gross_profit', 'grossProfit'],
  other_operating: ['operating_profit', 'operatingProfit'],
  investing: ['profit_before_financing_and_tax', 'profitBeforeFinancing'],
  financing: ['profit_before_tax', 'profitBeforeTax'],
  income_tax: ['profit_from_continuing', 'profitFromContinuing'],
};

const stepNames: Readonly<Record<Step, string>> = {
  revenue: 'Revenue',
  cost_of_sales: 'Cost of sales',
  other_operating: 'Other operating income and expense',
  investing: 'Investing',
  financing: 'Financing',
  income_tax: 'Income tax',
  discontinued: 'Discontinued operations',
};

function beginIncomeStatement({ options, language }: BeginningFacts): OwnLayout {
  const words = captionWords[language];
  const lines: OwnLine[] = [];
  const terms: string[] = [];
  for (const step of steps) {
    const caption = step === 'revenue' ? words.revenue : stepNames[step];
    lines.push(follows(step, caption, { of: 'step', step }, step === 'revenue' ? 'several' : 'bare'));
    terms.push(step);
    const [key, word] = subtotalAfter[step] ?? [];
    if (key && word && !options.subtotalsOff.includes(key)) lines.push(sum(key, words[word], terms, false));
  }
  lines.push(sum('profit', words.profit, terms, true));
  return { kind: 'income_statement', title: words.incomeStatement, titles: [], measure: 'movement', scope: [], lines };
}
