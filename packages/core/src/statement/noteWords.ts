import type { CaptionLanguage } from '../layout/captionWords.ts';

/** What is said under the figures of a statement, in its language; days and amounts come as they are printed. */
export interface NoteWords {
  /** Of dashes in a span in which balances began. */
  nothingBefore(day: string): string;
}

export const noteWords: Readonly<Record<CaptionLanguage, NoteWords>> = {
  en: {
    nothingBefore: (day) => `– No balances before ${day}: what balance sheet accounts moved up to then is not known.`,
  },
  de: {
    nothingBefore: (day) => `– Keine Salden vor dem ${day}: Was sich auf Bilanzkonten bis dahin bewegt hat, ist nicht bekannt.`,
  },
  fr: {
    nothingBefore: (day) => `– Pas de soldes avant le ${day} : les mouvements des comptes de bilan jusqu’à cette date ne sont pas connus.`,
  },
  nl: {
    nothingBefore: (day) => `– Geen saldi vóór ${day}: wat er tot dan op balansrekeningen is gemuteerd, is niet bekend.`,
  },
  es: {
    nothingBefore: (day) => `– Sin saldos antes del ${day}: no se conocen los movimientos de las cuentas de balance hasta entonces.`,
  },
  nb: {
    nothingBefore: (day) => `– Ingen saldoer før ${day}: det er ikke kjent hva balansekontoene bevegde seg med til da.`,
  },
};
