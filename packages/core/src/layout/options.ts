/** Subtotals of the income statement that can be switched off; the final profit cannot. */
export const subtotals = ['gross_profit', 'operating_profit', 'profit_before_financing_and_tax', 'profit_before_tax', 'profit_from_continuing'] as const;
export type Subtotal = (typeof subtotals)[number];

export const cashFlowStarts = ['profit', 'profit_before_tax', 'operating_profit'] as const;

/**
 * What the generated cash flow begins with, and where interest and dividends stand: paid in operating or financing, received in
 * operating or investing activities (IAS 7.33 and 7.34; from 2027 IFRS 18 begins with operating profit, and has paid in
 * financing, received in investing).
 */
export interface CashFlowOptions {
  readonly start: (typeof cashFlowStarts)[number];
  readonly interestPaid: 'operating' | 'financing';
  readonly dividendsPaid: 'operating' | 'financing';
  readonly interestReceived: 'operating' | 'investing';
  readonly dividendsReceived: 'operating' | 'investing';
  /** Whether overdrafts count as negative cash (IAS 7.8) or as borrowing. */
  readonly overdrafts: 'cash' | 'financing';
}

/**
 * How a balance sheet has assets and liabilities: current and non-current apart, or all in order of liquidity (IAS 1.60, from 2027 IFRS 18.96),
 * which is that of the placement or its reverse.
 */
export const balanceSheetOrders = ['by_term', 'most_liquid_first', 'least_liquid_first'] as const;
export type BalanceSheetOrder = (typeof balanceSheetOrders)[number];

/** What a company has set for its generated layouts. */
export interface LayoutOptions {
  readonly subtotalsOff: readonly Subtotal[];
  readonly result: 'own_line' | 'within_retained_earnings';
  readonly order: BalanceSheetOrder;
  readonly cashFlow: CashFlowOptions;
}

export const defaultLayoutOptions: LayoutOptions = {
  subtotalsOff: [],
  result: 'own_line',
  order: 'by_term',
  cashFlow: {
    start: 'profit_before_tax',
    interestPaid: 'operating',
    dividendsPaid: 'financing',
    interestReceived: 'investing',
    dividendsReceived: 'investing',
    overdrafts: 'cash',
  },
};
