import type { CaptionLanguage } from '../layout/captionWords.ts';

/** What a statement in another currency says of it. */
export interface TranslationWords {
  /** The line of what translation leaves (IAS 21.39(c), IAS 1.7). */
  readonly difference: string;
  /** Said in the heading. `from`: the company's currency. */
  atClosingRate(from: string, rate: string, day: string): string;
  /** Likewise, by IAS 21.39. */
  atOwnRates(from: string): string;
}

export const translationWords: Readonly<Record<CaptionLanguage, TranslationWords>> = {
  en: {
    difference: 'Exchange differences on translation',
    atClosingRate: (from, rate, day) => `translated from ${from} at ${rate}, the closing rate of ${day}`,
    atOwnRates: (from) => `translated from ${from} at closing, average and historical rates (IAS 21.39)`,
  },
  de: {
    difference: 'Unterschiede aus der Währungsumrechnung',
    atClosingRate: (from, rate, day) => `aus ${from} umgerechnet zu ${rate}, dem Stichtagskurs vom ${day}`,
    atOwnRates: (from) => `aus ${from} umgerechnet zu Stichtags-, Durchschnitts- und historischen Kursen (IAS 21.39)`,
  },
  fr: {
    difference: 'Écarts de conversion',
    atClosingRate: (from, rate, day) => `converti de ${from} à ${rate}, cours de clôture du ${day}`,
    atOwnRates: (from) => `converti de ${from} aux cours de clôture, moyens et historiques (IAS 21.39)`,
  },
  nl: {
    difference: 'Omrekeningsverschillen',
    atClosingRate: (from, rate, day) => `omgerekend uit ${from} tegen ${rate}, de slotkoers van ${day}`,
    atOwnRates: (from) => `omgerekend uit ${from} tegen slot-, gemiddelde en historische koersen (IAS 21.39)`,
  },
  es: {
    difference: 'Diferencias de conversión',
    atClosingRate: (from, rate, day) => `convertido de ${from} a ${rate}, tipo de cierre del ${day}`,
    atOwnRates: (from) => `convertido de ${from} a tipos de cierre, medios e históricos (IAS 21.39)`,
  },
  nb: {
    difference: 'Omregningsdifferanser',
    atClosingRate: (from, rate, day) => `omregnet fra ${from} til ${rate}, sluttkursen ${day}`,
    atOwnRates: (from) => `omregnet fra ${from} til slutt-, gjennomsnitts- og historiske kurser (IAS 21.39)`,
  },
};
