/**
 * How amounts come into another currency. `closing_rate`: all at the closing rate of the last day, for convenience alone; `own_rates`: each at
 * the rate of what it is (IAS 21.39).
 */
export const translationMethods = ['closing_rate', 'own_rates'] as const;
export type TranslationMethod = (typeof translationMethods)[number];

/** The currency that a statement is presented in where it is not the company's (IAS 21.38). */
export interface PresentationChoice {
  /** ISO 4217. */
  readonly currency: string;
  readonly method: TranslationMethod;
}
