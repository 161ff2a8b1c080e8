import type { CaptionLanguage } from '../layout/captionWords.ts';

/** What a printed set says beside its statements. */
export interface PrintWords {
  readonly contents: string;
  readonly comments: string;
  /** Over figures that do not tie. */
  readonly unfinished: string;
  /** Over amounts that stand in another line than their accounts. */
  readonly transfers: string;
  /** Of one of them, in words. */
  transferred(from: string, on: string): string;
  page(number: number, of: number): string;
}

export const printWords: Readonly<Record<CaptionLanguage, PrintWords>> = {
  en: {
    contents: 'Contents',
    comments: 'Comments',
    unfinished: 'Not final: the statements do not tie yet.',
    transfers: 'Shown in another line; the total of both is the same',
    transferred: (from, on) => `more in “${on}”, as much less in “${from}”`,
    page: (number, of) => `Page ${number} of ${of}`,
  },
  de: {
    contents: 'Inhalt',
    comments: 'Erläuterungen',
    unfinished: 'Nicht endgültig: Die Abschlussbestandteile stimmen noch nicht überein.',
    transfers: 'In einem anderen Posten gezeigt; die Summe beider ist dieselbe',
    transferred: (from, on) => `mehr in „${on}“, ebenso viel weniger in „${from}“`,
    page: (number, of) => `Seite ${number} von ${of}`,
  },
  fr: {
    contents: 'Sommaire',
    comments: 'Commentaires',
    unfinished: 'Non définitif : les états ne concordent pas encore.',
    transfers: 'Présenté dans un autre poste ; le total des deux est le même',
    transferred: (from, on) => `en plus dans « ${on} », d’autant moins dans « ${from} »`,
    page: (number, of) => `Page ${number} sur ${of}`,
  },
  nl: {
    contents: 'Inhoud',
    comments: 'Toelichting',
    unfinished: 'Niet definitief: de overzichten sluiten nog niet op elkaar aan.',
    transfers: 'In een andere post getoond; het totaal van beide is gelijk',
    transferred: (from, on) => `meer in ‘${on}’, evenveel minder in ‘${from}’`,
    page: (number, of) => `Pagina ${number} van ${of}`,
  },
  es: {
    contents: 'Contenido',
    comments: 'Comentarios',
    unfinished: 'No definitivo: los estados aún no cuadran.',
    transfers: 'Presentado en otra partida; la suma de ambas es la misma',
    transferred: (from, on) => `más en «${on}», otro tanto menos en «${from}»`,
    page: (number, of) => `Página ${number} de ${of}`,
  },
  nb: {
    contents: 'Innhold',
    comments: 'Kommentarer',
    unfinished: 'Ikke endelig: oppstillingene stemmer ikke overens ennå.',
    transfers: 'Vist på en annen linje; summen av begge er den samme',
    transferred: (from, on) => `mer i «${on}», like mye mindre i «${from}»`,
    page: (number, of) => `Side ${number} av ${of}`,
  },
};
