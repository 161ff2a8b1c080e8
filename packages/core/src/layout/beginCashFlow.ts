import type { Element } from '../chart/element.ts';
import { type Nature, type Step, steps } from '../placement/category.ts';
import { type CaptionLanguage, captionWords } from './captionWords.ts';
import { type CashFlowWords, cashFlowWords } from './cashFlowWords.ts';
import type { FlowPart } from './flowLines.ts';
import { newLine } from './newLine.ts';
import type { CashFlowOptions } from './options.ts';
import { type AccountsOwnLine, type OwnLayout, type OwnLine, type OwnTransfer, plainLook } from './ownLayout.ts';
import type { Source } from './source.ts';

/** Steps of the income statement behind the profit that a cash flow begins with. */
const stepsBehind: Readonly<Record<CashFlowOptions['start'], readonly Step[]>> = {
  profit: [],
  profit_before_tax: ['income_tax', 'discontinued'],
  operating_profit: ['investing', 'financing', 'income_tax', 'discontinued'],
};

const startWords = { profit: 'profit', profit_before_tax: 'profitBeforeTax', operating_profit: 'operatingProfit' } as const;

type LineWord = { [Word in keyof CashFlowWords]: CashFlowWords[Word] extends string ? Word : never }[keyof CashFlowWords];

/** A kind of income and expense that profit is freed of, and the line of its cash. */
interface Shifted {
  readonly key: string;
  readonly nature: Nature;
  readonly of: readonly ('income' | 'expense')[];
  /** Categories of the balance sheet of that nature stand on the line of its cash. */
  readonly beside: readonly Element[];
  readonly inProfit: readonly [key: string, word: LineWord];
  readonly asCash: LineWord;
  readonly activity: (options: CashFlowOptions) => 'operating' | 'investing' | 'financing';
}

const shifted: readonly Shifted[] = [
  {
    key: 'interest_paid',
    nature: 'interest',
    of: ['expense'],
    beside: ['liability', 'equity'],
    inProfit: ['interest_expense', 'interestExpense'],
    asCash: 'interestPaid',
    activity: ({ interestPaid }) => interestPaid,
  },
  {
    key: 'interest_received',
    nature: 'interest',
    of: ['income'],
    beside: ['asset'],
    inProfit: ['interest_income', 'interestIncome'],
    asCash: 'interestReceived',
    activity: ({ interestReceived }) => interestReceived,
  },
  {
    key: 'dividends_received',
    nature: 'dividends',
    of: ['income'],
    beside: ['asset'],
    inProfit: ['dividend_income', 'dividendIncome'],
    asCash: 'dividendsReceived',
    activity: ({ dividendsReceived }) => dividendsReceived,
  },
  {
    // Dividends in expenses are those of shares that are liabilities, which profit bears as interest (IAS 32.36).
    key: 'dividends_paid',
    nature: 'dividends',
    of: ['expense'],
    beside: ['liability', 'equity'],
    inProfit: ['interest_expense', 'interestExpense'],
    asCash: 'dividendsPaid',
    activity: ({ dividendsPaid }) => dividendsPaid,
  },
  {
    key: 'income_tax_paid',
    nature: 'income_tax',
    of: ['income', 'expense'],
    beside: ['asset', 'liability', 'equity'],
    inProfit: ['income_tax', 'incomeTax'],
    asCash: 'incomeTaxPaid',
    activity: () => 'operating',
  },
  {
    key: 'investing_result',
    nature: 'investing',
    of: ['income', 'expense'],
    beside: [],
    inProfit: ['investing_in_profit', 'investingResult'],
    asCash: 'investingCash',
    activity: () => 'investing',
  },
  {
    key: 'financing_result',
    nature: 'financing',
    of: ['income', 'expense'],
    beside: [],
    inProfit: ['financing_in_profit', 'financingResult'],
    asCash: 'financingCash',
    activity: () => 'financing',
  },
];

/**
 * A cash flow by the indirect method (IAS 7.18(b), 7.20) that follows the natures of the categories: profit, freed of what moves
 * no cash and of what is shown by its own cash; working capital; investing; financing; then the cash at both ends. What
 * profit leaves out has lines of its own, so that every account but cash stands once.
 */
export function beginCashFlow(options: CashFlowOptions, language: CaptionLanguage): OwnLayout {
  const words = cashFlowWords[language];
  const behind = stepsBehind[options.start];
  const ofSteps = (wanted: readonly Step[]): Source[] => wanted.map((step) => ({ kind: 'step', step }));
  const within = ofSteps(steps.filter((step) => !behind.includes(step)));
  const accounts = (key: string, caption: string, sources: readonly Source[], except: readonly Source[] = []): AccountsOwnLine => ({
    ...newLine('accounts', key, caption),
    side: 'credit',
    sources,
    except,
  });
  const cashLine = ({ key, nature, of, beside, asCash }: Shifted): OwnLine =>
    accounts(key, words[asCash], [{ kind: 'nature', nature, elements: [...of, ...beside] }], [...within, { kind: 'role', role: 'cash' }]);
  const cashIn = (activity: 'operating' | 'investing' | 'financing'): OwnLine[] => shifted.filter((one) => one.activity(options) === activity).map(cashLine);
  const besideProfit = accounts(
    'beside_profit',
    words.besideProfit,
    ofSteps(behind),
    [...new Set(shifted.map(({ nature }) => nature))].map((nature) => ({ kind: 'nature', nature, elements: ['income', 'expense'] })),
  );
  const inProfit = new Map(shifted.map(({ inProfit: [key, word] }) => [key, words[word]]));
  const follows = (key: string, part: FlowPart, caption: string): OwnLine => ({
    ...newLine('follows', key, caption),
    side: 'credit',
    followed: { of: 'flow', part },
  });
  const group = (key: string, caption: string, totalCaption: string, children: readonly OwnLine[]): OwnLine => ({
    ...newLine('group', key, caption),
    side: 'credit',
    shown: 'always',
    totalCaption,
    children,
  });
  const sum = (key: string, caption: string, shown: 'differs' | 'always', terms: readonly string[]): OwnLine => ({
    ...newLine('sum', key, caption),
    shown,
    side: 'credit',
    terms: terms.map((term) => ({ key: term, sign: 1 })),
    look: { ...plainLook, spaceBefore: key === 'net_change' },
  });
  const cash = (of: 'opening' | 'closing' | 'exchange', caption: string): OwnLine => ({
    ...newLine('cash', `cash_${of}`, caption),
    of,
    shown: of === 'exchange' ? 'with_amounts' : 'always',
    addedBackOn: of === 'exchange' ? 'exchange_in_profit' : null,
    look: { ...plainLook, weight: of === 'closing' ? 'final' : 'usual' },
  });
  return {
    kind: 'cash_flow',
    title: words.title,
    titles: [],
    measure: 'movement',
    scope: [],
    overdraftsApart: options.overdrafts === 'financing',
    withoutCash: 'taken_out',
    lines: [
      group('operating', words.operating, words.netOperating, [
        {
          ...newLine('result', 'profit', captionWords[language][startWords[options.start]]),
          except: ofSteps(behind),
          shown: 'always',
          freedOn: 'in_profit_without_cash',
        },
        {
          ...newLine('heading', 'adjustments', words.adjustments),
          children: [
            follows('without_cash', 'without_cash', words.adjustments),
            ...[...inProfit].map(([key, caption]) => accounts(key, caption, [])),
            accounts('exchange_in_profit', words.exchangeInProfit, []),
            accounts('in_profit_without_cash', words.inProfitWithoutCash, []),
          ],
        },
        sum('before_working_capital', words.beforeWorkingCapital, 'differs', ['profit', 'adjustments']),
        { ...newLine('heading', 'changes', words.workingCapital), children: [follows('working_capital', 'working_capital', words.workingCapital)] },
        sum('generated', words.generated, 'differs', ['profit', 'adjustments', 'changes']),
        ...(behind.length === 0 ? [] : [besideProfit]),
        ...cashIn('operating'),
      ]),
      group('investing', words.investing, words.netInvesting, [follows('investing_flows', 'investing', words.investing), ...cashIn('investing')]),
      group('financing', words.financing, words.netFinancing, [
        follows('financing_flows', 'financing', words.financing),
        ...(options.overdrafts === 'financing'
          ? [{ ...accounts('overdrafts', words.overdrafts, [{ kind: 'role', role: 'cash' }]), takes: 'credit' as const }]
          : []),
        ...cashIn('financing'),
      ]),
      sum('net_change', words.netChange, 'always', ['operating', 'investing', 'financing']),
      cash('opening', words.opening),
      cash('exchange', words.exchange),
      cash('closing', words.closing),
    ],
    transfers: shifted.map(
      ({ key, nature, of, inProfit: [on], asCash }): OwnTransfer => ({
        key,
        text: words[asCash],
        on,
        from: key,
        amount: { kind: 'living', sources: [{ kind: 'nature', nature, elements: [...of] }], except: ofSteps(behind) },
      }),
    ),
  };
}
