import type { CaptionLanguage } from '../layout/captionWords.ts';

/** What a printed set says beside its statements. */
export interface PrintWords {
  readonly contents: string;
  readonly comments: string;
  /** Over figures that do not tie. */
  readonly unfinished: string;
  readonly transfers: string;
  page(number: number, of: number): string;
}

export const printWords: Readonly<Record<CaptionLanguage, PrintWords>> = {
  en: {
    contents: 'Contents',
    comments: 'Comments',
    unfinished: 'Not final: the statements do not tie yet.',
    transfers: 'Moved between lines, without changing what they come to together',
    page: (number, of) => `Page ${number} of ${of}`,
  },
  de: {
    contents: 'Inhalt',
    comments: 'Erläuterungen',
    unfinished: 'Nicht endgültig: Die Abschlussbestandteile stimmen noch nicht überein.',
    transfers: 'Zwischen Posten verschoben, ohne ihre Summe zu ändern',
    page: (number, of) => `Seite ${number} von ${of}`,
  },
  fr: {
    contents: 'Sommaire',
    comments: 'Commentaires',
    unfinished: 'Non définitif : les états ne concordent pas encore.',
    transfers: 'Déplacé entre postes, sans changer leur total',
    page: (number, of) => `Page ${number} sur ${of}`,
  },
  nl: {
    contents: 'Inhoud',
    comments: 'Toelichting',
    unfinished: 'Niet definitief: de overzichten sluiten nog niet op elkaar aan.',
    transfers: 'Verschoven tussen posten, zonder hun som te veranderen',
    page: (number, of) => `Pagina ${number} van ${of}`,
  },
  es: {
    contents: 'Contenido',
    comments: 'Comentarios',
    unfinished: 'No definitivo: los estados aún no cuadran.',
    transfers: 'Trasladado entre partidas, sin cambiar su suma',
    page: (number, of) => `Página ${number} de ${of}`,
  },
  nb: {
    contents: 'Innhold',
    comments: 'Kommentarer',
    unfinished: 'Ikke endelig: oppstillingene stemmer ikke overens ennå.',
    transfers: 'Flyttet mellom linjer, uten å endre summen av dem',
    page: (number, of) => `Side ${number} av ${of}`,
  },
};
