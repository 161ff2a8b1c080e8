import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { Category } from './category.ts';

/** What a category is called in a language other than the company's main one. */
export interface CaptionInLanguage {
  readonly language: CaptionLanguage;
  readonly caption: string;
}

/** Categories with their captions in a language; those without one keep the name of the main language. */
export function captionsIn<One extends Category & { readonly captions: readonly CaptionInLanguage[] }>(
  categories: readonly One[],
  language: CaptionLanguage,
): One[] {
  return categories.map((category) => {
    const own = category.captions.find((caption) => caption.language === language);
    return own ? { ...category, name: own.caption } : category;
  });
}
