import { counterElement, longDay } from '@ivory-ladder/core';
import type { FailureWords } from './failureWords.ts';

/** Words about categories, and where accounts stand. */
export const placementWords = {
  category_unknown: () => 'That category is gone; somebody may have deleted it. The tree has been read anew.',
  places_overlap: () => 'Refused: the account would stand in two places with the same balance.',
  element_clash: ({ accountElement, categoryElement }) =>
    `Refused: the account is of element ${accountElement}, the category of element ${categoryElement}. An account stands under its own element${
      counterElement(accountElement) === categoryElement
        ? '; there it can stand only while its balance is on the other side, beside a place of its own element'
        : ''
    }.`,
  place_conflict: ({ accountIds, categoryIds }) => {
    const [accounts, categories] = [accountIds.length, categoryIds.length];
    if (accounts === 0)
      return `Somebody else has changed ${categories === 1 ? 'this category' : `${categories} of these categories`} meanwhile. Nothing was applied.`;
    return `Somebody else has moved ${accounts === 1 ? 'this account' : `${accounts} of these accounts`} meanwhile. Nothing was moved; the tree shows where they stand now.`;
  },
  placement_unchanged: () => 'Nothing is to be changed: the placement is like this already.',
  placement_undone_already: () => 'This change was taken back already.',
  placement_not_kept: ({ day }) => `No placement is kept of ${longDay(day)}: the categories were set up later. Choose a later day for the column.`,
  rehearsal_name_taken: ({ name }) => `You have a rehearsal «${name}» already.`,
  classification_name_taken: ({ name }) => `There is a classification named ${name} already.`,
  classification_is_main: ({ name }) => `The main classification, ${name}, cannot be deleted. Make another one the main one first.`,
  classification_held: ({ name, layouts }) => `The classification ${name} is followed by ${layouts.join(', ')}. Delete these layouts first.`,
  category_held: ({ by }) =>
    by === 'account'
      ? 'An account stands in the category that would go. Say where it goes.'
      : 'Another category hangs on the one that would go: it is below it, or deducted from it.',
  category_nesting_refused: ({ reason }) =>
    reason === 'own_descendant'
      ? 'A category cannot stand below itself.'
      : reason === 'too_deep'
        ? 'Categories nest eight deep at most.'
        : 'A category stays under its element.',
  category_name_taken: ({ name }) => `There is a category «${name}» beside it already.`,
  category_name_missing: () => 'A category needs a name.',
  category_field_refused: () => 'A category is deducted from one beside it that is not itself a deduction.',
  category_not_empty: ({ accounts, subcategories, contras }) =>
    `It cannot be deleted: it holds ${accounts} accounts and ${subcategories} subcategories${contras > 0 ? `, and ${contras} categories are deducted from it` : ''}. Move them first.`,
  range_text_malformed: () => 'The account numbers of the category cannot be read; where they are wrong is marked in their field.',
  exclusions_moved_on: ({ accounts }) => {
    const now = accounts[0]?.current ?? null;
    return now === null ? 'Somebody took it in again meanwhile. Nothing was changed.' : `Somebody left it out meanwhile, because: ${now}. Nothing was changed.`;
  },
} satisfies Partial<FailureWords>;
