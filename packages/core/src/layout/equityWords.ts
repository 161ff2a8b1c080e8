import type { CaptionLanguage } from './captionWords.ts';

/** What the lines of generated changes in equity are called in one language. */
interface EquityWords {
  readonly title: string;
  readonly opening: string;
  readonly otherComprehensive: string;
  readonly totalComprehensive: string;
  readonly contributions: string;
  readonly distributions: string;
  readonly transfers: string;
  readonly closing: string;
}

/** Terms of IAS 1.106 in the language where it names the line; from memory, common practice. */
export const equityWords: Readonly<Record<CaptionLanguage, EquityWords>> = {
  en: {
    title: 'Statement of changes in equity',
    opening: 'Balance at the beginning',
    otherComprehensive: 'Other comprehensive income',
    totalComprehensive: 'Total comprehensive income',
    contributions: 'Contributions and other increases',
    distributions: 'Distributions and other decreases',
    transfers: 'Transfers within equity',
    closing: 'Balance at the end',
  },
  de: {
    title: 'Eigenkapitalveränderungsrechnung',
    opening: 'Stand am Anfang',
    otherComprehensive: 'Sonstiges Ergebnis',
    totalComprehensive: 'Gesamtergebnis',
    contributions: 'Einlagen und andere Zugänge',
    distributions: 'Ausschüttungen und andere Abgänge',
    transfers: 'Umbuchungen innerhalb des Eigenkapitals',
    closing: 'Stand am Ende',
  },
  fr: {
    title: 'État des variations des capitaux propres',
    opening: 'Solde au début',
    otherComprehensive: 'Autres éléments du résultat global',
    totalComprehensive: 'Résultat global total',
    contributions: 'Apports et autres augmentations',
    distributions: 'Distributions et autres diminutions',
    transfers: 'Virements au sein des capitaux propres',
    closing: 'Solde à la fin',
  },
  nl: {
    title: 'Mutatieoverzicht eigen vermogen',
    opening: 'Stand aan het begin',
    otherComprehensive: 'Niet-gerealiseerde resultaten',
    totalComprehensive: 'Totaalresultaat',
    contributions: 'Stortingen en andere toevoegingen',
    distributions: 'Uitkeringen en andere onttrekkingen',
    transfers: 'Overboekingen binnen het eigen vermogen',
    closing: 'Stand aan het einde',
  },
  es: {
    title: 'Estado de cambios en el patrimonio neto',
    opening: 'Saldo al inicio',
    otherComprehensive: 'Otro resultado integral',
    totalComprehensive: 'Resultado integral total',
    contributions: 'Aportaciones y otros aumentos',
    distributions: 'Distribuciones y otras disminuciones',
    transfers: 'Traspasos dentro del patrimonio neto',
    closing: 'Saldo al final',
  },
  nb: {
    title: 'Oppstilling over endringer i egenkapital',
    opening: 'Saldo ved begynnelsen',
    otherComprehensive: 'Andre inntekter og kostnader',
    totalComprehensive: 'Totalresultat',
    contributions: 'Innskudd og andre økninger',
    distributions: 'Utdelinger og andre reduksjoner',
    transfers: 'Overføringer innen egenkapitalen',
    closing: 'Saldo ved slutten',
  },
};
