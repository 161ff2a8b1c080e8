import type { CaptionLanguage } from '../layout/captionWords.ts';

/** What is said under the figures of a statement, in its language; days and amounts come as they are printed. */
export interface NoteWords {
  /** Of dashes in a span in which balances began. */
  nothingBefore(day: string): string;
  /** Of a statement whose totals do not tie, or a cash flow that does not explain its cash. */
  doesNotTie(by: string, day: string): string;
  /** Of a closing rate older than the period of the day that it is used for. */
  olderRate(to: string, of: string, day: string): string;
  /** Of printed figures that are neither floor nor ceiling of their amounts. */
  roundedOff(captions: string): string;
  /** Of printed figures that another statement has otherwise. */
  printsOtherwise(captions: string): string;
  /** Of rows whose printed columns do not come to their printed total. */
  notAcross(captions: string): string;
  /** Of an entry, or the part of one, that moved no cash: what it was, and what it would be in which activities (IAS 7.43). */
  withoutCash(what: string, activities: string): string;
  /** Of those that are not named. */
  withoutCashBesides(entries: number, amount: string): string;
  /** Of a day at which a trial balance was brought in. */
  withoutCashUnknown(day: string): string;
  /** Of a line that no total counts. */
  inNoTotal(caption: string, amount: string): string;
}

export const noteWords: Readonly<Record<CaptionLanguage, NoteWords>> = {
  en: {
    withoutCashUnknown: (day) => `A trial balance was brought in at ${day}: what of its movements was without cash is not known.`,
    withoutCash: (what, activities) => `Without cash, in no line above: ${what}: ${activities}.`,
    withoutCashBesides: (entries, amount) => `Without cash, in no line above: besides ${entries} entries, ${amount}.`,
    nothingBefore: (day) => `– No balances before ${day}: what balance sheet accounts moved up to then is not known.`,
    doesNotTie: (by, day) => `Draft: does not tie by ${by} at ${day}.`,
    roundedOff: (captions) => `Printed a unit off, so that figures add and agree with other statements: ${captions}.`,
    printsOtherwise: (captions) => `Printed otherwise than in another statement, since figures would not add: ${captions}.`,
    notAcross: (captions) => `Does not add across as printed: ${captions}.`,
    inNoTotal: (caption, amount) => `«${caption}» reaches no total: ${amount}.`,
    olderRate: (to, of, day) => `The closing rate of ${to} used for ${day} is that of ${of}.`,
  },
  de: {
    withoutCashUnknown: (day) => `Zum ${day} wurde eine Saldenliste übernommen: was davon ohne Zahlungsmittel war, ist nicht bekannt.`,
    withoutCash: (what, activities) => `Ohne Zahlungsmittel, in keiner Zeile enthalten: ${what}: ${activities}.`,
    withoutCashBesides: (entries, amount) => `Ohne Zahlungsmittel, in keiner Zeile enthalten: außerdem ${entries} Buchungen, ${amount}.`,
    nothingBefore: (day) => `– Keine Salden vor dem ${day}: Was sich auf Bilanzkonten bis dahin bewegt hat, ist nicht bekannt.`,
    doesNotTie: (by, day) => `Entwurf: geht am ${day} um ${by} nicht auf.`,
    roundedOff: (captions) => `Um eine Einheit anders gedruckt, damit die Zahlen aufgehen und mit anderen Aufstellungen übereinstimmen: ${captions}.`,
    printsOtherwise: (captions) => `Anders gedruckt als in einer anderen Aufstellung, da die Zahlen sonst nicht aufgingen: ${captions}.`,
    notAcross: (captions) => `Geht gedruckt quer nicht auf: ${captions}.`,
    inNoTotal: (caption, amount) => `«${caption}» steht in keiner Summe: ${amount}.`,
    olderRate: (to, of, day) => `Der Stichtagskurs von ${to} für ${day} ist der vom ${of}.`,
  },
  fr: {
    withoutCashUnknown: (day) => `Une balance a été reprise au ${day} : la part de ses mouvements sans effet sur la trésorerie n’est pas connue.`,
    withoutCash: (what, activities) => `Sans effet sur la trésorerie, dans aucune ligne ci-dessus: ${what}: ${activities}.`,
    withoutCashBesides: (entries, amount) => `Sans effet sur la trésorerie, dans aucune ligne ci-dessus: en outre ${entries} écritures, ${amount}.`,
    nothingBefore: (day) => `– Pas de soldes avant le ${day} : les mouvements des comptes de bilan jusqu’à cette date ne sont pas connus.`,
    doesNotTie: (by, day) => `Projet : écart de ${by} au ${day}.`,
    roundedOff: (captions) => `Imprimé à une unité près, pour que les chiffres s’additionnent et concordent avec les autres états : ${captions}.`,
    printsOtherwise: (captions) => `Imprimé autrement que dans un autre état, faute de quoi les chiffres ne s’additionneraient pas : ${captions}.`,
    notAcross: (captions) => `Ne s’additionne pas en ligne tel qu’imprimé : ${captions}.`,
    inNoTotal: (caption, amount) => `« ${caption} » n’entre dans aucun total : ${amount}.`,
    olderRate: (to, of, day) => `Le cours de clôture ${to} employé au ${day} est celui du ${of}.`,
  },
  nl: {
    withoutCashUnknown: (day) => `Per ${day} is een saldibalans ingelezen: wat daarvan zonder kasstroom was, is niet bekend.`,
    withoutCash: (what, activities) => `Zonder kasstroom, in geen regel hierboven: ${what}: ${activities}.`,
    withoutCashBesides: (entries, amount) => `Zonder kasstroom, in geen regel hierboven: daarnaast ${entries} boekingen, ${amount}.`,
    nothingBefore: (day) => `– Geen saldi vóór ${day}: wat er tot dan op balansrekeningen is gemuteerd, is niet bekend.`,
    doesNotTie: (by, day) => `Concept: sluit per ${day} niet aan, verschil ${by}.`,
    roundedOff: (captions) => `Een eenheid anders gedrukt, zodat de cijfers optellen en met andere overzichten overeenkomen: ${captions}.`,
    printsOtherwise: (captions) => `Anders gedrukt dan in een ander overzicht, omdat de cijfers anders niet optellen: ${captions}.`,
    notAcross: (captions) => `Telt gedrukt overdwars niet op: ${captions}.`,
    inNoTotal: (caption, amount) => `«${caption}» telt in geen totaal mee: ${amount}.`,
    olderRate: (to, of, day) => `De slotkoers van ${to} per ${day} is die van ${of}.`,
  },
  es: {
    withoutCashUnknown: (day) => `Se incorporó un balance de comprobación a ${day}: no se sabe qué parte de sus movimientos fue sin efectivo.`,
    withoutCash: (what, activities) => `Sin efectivo, en ninguna línea anterior: ${what}: ${activities}.`,
    withoutCashBesides: (entries, amount) => `Sin efectivo, en ninguna línea anterior: además ${entries} asientos, ${amount}.`,
    nothingBefore: (day) => `– Sin saldos antes del ${day}: no se conocen los movimientos de las cuentas de balance hasta entonces.`,
    doesNotTie: (by, day) => `Borrador: no cuadra en ${by} al ${day}.`,
    roundedOff: (captions) => `Impreso con una unidad de diferencia, para que las cifras sumen y coincidan con otros estados: ${captions}.`,
    printsOtherwise: (captions) => `Impreso de otro modo que en otro estado, pues las cifras no sumarían: ${captions}.`,
    notAcross: (captions) => `No suma en horizontal tal como está impreso: ${captions}.`,
    inNoTotal: (caption, amount) => `«${caption}» no entra en ningún total: ${amount}.`,
    olderRate: (to, of, day) => `El tipo de cierre de ${to} usado al ${day} es el del ${of}.`,
  },
  nb: {
    withoutCashUnknown: (day) => `En saldobalanse ble lest inn per ${day}: hva av bevegelsene som var uten kontanter, er ikke kjent.`,
    withoutCash: (what, activities) => `Uten kontanter, i ingen linje ovenfor: ${what}: ${activities}.`,
    withoutCashBesides: (entries, amount) => `Uten kontanter, i ingen linje ovenfor: dessuten ${entries} bilag, ${amount}.`,
    nothingBefore: (day) => `– Ingen saldoer før ${day}: det er ikke kjent hva balansekontoene bevegde seg med til da.`,
    doesNotTie: (by, day) => `Utkast: går ikke opp med ${by} per ${day}.`,
    roundedOff: (captions) => `Trykt én enhet annerledes, slik at tallene går opp og stemmer med andre oppstillinger: ${captions}.`,
    printsOtherwise: (captions) => `Trykt annerledes enn i en annen oppstilling, siden tallene ellers ikke ville gått opp: ${captions}.`,
    notAcross: (captions) => `Går ikke opp bortover slik det er trykt: ${captions}.`,
    inNoTotal: (caption, amount) => `«${caption}» er ikke med i noen sum: ${amount}.`,
    olderRate: (to, of, day) => `Sluttkursen for ${to} per ${day} er den fra ${of}.`,
  },
};
