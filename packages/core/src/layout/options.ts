/** Subtotals of the income statement that can be switched off; the final profit cannot. */
export const subtotals = ['gross_profit', 'operating_profit', 'profit_before_financing_and_tax', 'profit_before_tax', 'profit_from_continuing'] as const;
export type Subtotal = (typeof subtotals)[number];

/** What a company has set for its generated layouts. */
export interface LayoutOptions {
  readonly subtotalsOff: readonly Subtotal[];
  readonly result: 'own_line' | 'within_retained_earnings';
}

export const defaultLayoutOptions: LayoutOptions = { subtotalsOff: [], result: 'own_line' };
