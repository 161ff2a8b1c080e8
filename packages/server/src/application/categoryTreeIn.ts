import { buildCategoryTree, type CaptionLanguage, type CategoryTree, captionsIn } from '@ivory-ladder/core';
import { mainLanguage } from './mainLanguage.ts';
import type { Books } from './ports/index.ts';

const known = new WeakMap<Books['categories'], Map<CaptionLanguage, CategoryTree>>();

/** The categories that the books show, with their captions in a language. Once for each structure. */
export function categoryTreeIn({ company, categories, categoryTree }: Books, language: CaptionLanguage): CategoryTree {
  if (language === mainLanguage(company)) return categoryTree;
  const before = known.get(categories) ?? new Map<CaptionLanguage, CategoryTree>();
  known.set(categories, before);
  const tree = before.get(language) ?? buildCategoryTree(captionsIn(categories, language));
  before.set(language, tree);
  return tree;
}
