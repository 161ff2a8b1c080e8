import type { CaptionLanguage } from '../layout/captionWords.ts';

/** Beside the dates of a statement that does not tie. By itself: a page shows it before any note is made. */
export const draftWords: Readonly<Record<CaptionLanguage, string>> = {
  en: 'Draft',
  de: 'Entwurf',
  fr: 'Projet',
  nl: 'Concept',
  es: 'Borrador',
  nb: 'Utkast',
};
