import type { CaptionLanguage } from '@ivory-ladder/core';

export const languageNames: Readonly<Record<CaptionLanguage, string>> = {
  en: 'English',
  de: 'German',
  fr: 'French',
  nl: 'Dutch',
  es: 'Spanish',
  nb: 'Norwegian (bokmål)',
};
