import type { CaptionLanguage, Currency, DigitOrder, NumberScheme, YearForm } from '@ivory-ladder/core';

export interface CompanyRecord {
  readonly id: number;
  readonly name: string;
  readonly currency: Currency;
  readonly fiscalYearFirstMonth: number;
  readonly digitOrder: DigitOrder;
  /** `null`: numbers are any text. */
  readonly numberScheme: NumberScheme | null;
  readonly repeatedNames: 'pointed_out' | 'forbidden';
  /** Whether accounts have numbers; else names tell them apart. */
  readonly numbered: boolean;
  /** Of captions, the main one first; at least one. */
  readonly languages: readonly CaptionLanguage[];
  /** How the years behind the last one are made. */
  readonly yearForm: YearForm;
  /** The classification that statements, rail and proofs go by. */
  readonly mainClassification: number;
  readonly settingsVersion: number;
  /** Grows with each posting. */
  readonly revision: number;
  /** Grows with each change of chart, calendar, placement or layout options. */
  readonly structureVersion: number;
  /** Grows with each change of exchange rates. */
  readonly ratesVersion: number;
}
