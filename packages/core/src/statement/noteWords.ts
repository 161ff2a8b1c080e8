import type { CaptionLanguage } from '../layout/captionWords.ts';

/** What is said under the figures of a statement, in its language; days and amounts come as they are printed. */
export interface NoteWords {
  /** Of dashes in a span in which balances began. */
  nothingBefore(day: string): string;
  /** Beside the dates of a statement that does not tie. */
  readonly draft: string;
  /** Of a statement whose totals do not tie, or a cash flow that does not explain its cash. */
  doesNotTie(by: string, day: string): string;
  /** Of a closing rate older than the period of the day that it is used for. */
  olderRate(to: string, of: string, day: string): string;
  /** Of a line that no total counts. */
  inNoTotal(caption: string, amount: string): string;
}

export const noteWords: Readonly<Record<CaptionLanguage, NoteWords>> = {
  en: {
    draft: 'Draft',
    nothingBefore: (day) => `– No balances before ${day}: what balance sheet accounts moved up to then is not known.`,
    doesNotTie: (by, day) => `Draft: does not tie by ${by} at ${day}.`,
    inNoTotal: (caption, amount) => `«${caption}» reaches no total: ${amount}.`,
    olderRate: (to, of, day) => `The closing rate of ${to} used for ${day} is that of ${of}.`,
  },
  de: {
    draft: 'Entwurf',
    nothingBefore: (day) => `– Keine Salden vor dem ${day}: Was sich auf Bilanzkonten bis dahin bewegt hat, ist nicht bekannt.`,
    doesNotTie: (by, day) => `Entwurf: geht am ${day} um ${by} nicht auf.`,
    inNoTotal: (caption, amount) => `«${caption}» steht in keiner Summe: ${amount}.`,
    olderRate: (to, of, day) => `Der Stichtagskurs von ${to} für ${day} ist der vom ${of}.`,
  },
  fr: {
    draft: 'Projet',
    nothingBefore: (day) => `– Pas de soldes avant le ${day} : les mouvements des comptes de bilan jusqu’à cette date ne sont pas connus.`,
    doesNotTie: (by, day) => `Projet : écart de ${by} au ${day}.`,
    inNoTotal: (caption, amount) => `« ${caption} » n’entre dans aucun total : ${amount}.`,
    olderRate: (to, of, day) => `Le cours de clôture ${to} employé au ${day} est celui du ${of}.`,
  },
  nl: {
    draft: 'Concept',
    nothingBefore: (day) => `– Geen saldi vóór ${day}: wat er tot dan op balansrekeningen is gemuteerd, is niet bekend.`,
    doesNotTie: (by, day) => `Concept: sluit per ${day} niet aan, verschil ${by}.`,
    inNoTotal: (caption, amount) => `«${caption}» telt in geen totaal mee: ${amount}.`,
    olderRate: (to, of, day) => `De slotkoers van ${to} per ${day} is die van ${of}.`,
  },
  es: {
    draft: 'Borrador',
    nothingBefore: (day) => `– Sin saldos antes del ${day}: no se conocen los movimientos de las cuentas de balance hasta entonces.`,
    doesNotTie: (by, day) => `Borrador: no cuadra en ${by} al ${day}.`,
    inNoTotal: (caption, amount) => `«${caption}» no entra en ningún total: ${amount}.`,
    olderRate: (to, of, day) => `El tipo de cierre de ${to} usado al ${day} es el del ${of}.`,
  },
  nb: {
    draft: 'Utkast',
    nothingBefore: (day) => `– Ingen saldoer før ${day}: det er ikke kjent hva balansekontoene bevegde seg med til da.`,
    doesNotTie: (by, day) => `Utkast: går ikke opp med ${by} per ${day}.`,
    inNoTotal: (caption, amount) => `«${caption}» er ikke med i noen sum: ${amount}.`,
    olderRate: (to, of, day) => `Sluttkursen for ${to} per ${day} er den fra ${of}.`,
  },
};
