import type { Element } from '../chart/element.ts';

/** Titles of parts of a trial balance, with or without what kind of them is meant; common practice. The first that fits counts. */
const titles: readonly (readonly [readonly Element[], RegExp])[] = [
  [['liability', 'equity'], /^(total )?(equity|capital) and liabilities$|^liabilities and (equity|capital)$/i],
  [['income', 'expense'], /^(profit and loss|income statement|profit or loss|income and expen(ses|diture)|finance income and (costs?|expenses?)|other income and expenses)( accounts?| items)?$/i],
  [['asset', 'liability', 'equity'], /^balance sheet( accounts?)?$/i],
  [['asset'], /^((fixed|current|non-?current|intangible|tangible|financial|other|long[- ]term|liquid|total) )*assets$/i],
  [['liability'], /^((current|non-?current|long[- ]term|short[- ]term|other|financial|total) )*liabilities$|^(trade )?creditors$|^amounts falling due .*/i],
  [['equity'], /^((share|stock)holders[’']? |owners?[’']? |members[’']? |partners[’']? |total )*(equity|funds)$|^capital( and reserves| accounts?)?$|^accumulated fund$|^net assets$/i],
  [['income'], /^((operating|other|total|trading|finance|non-operating) )*(income|revenues?|turnover|sales)$/i],
  [
    ['expense'],
    /^((operating|other|total|administrative|administration|selling|general|overhead|finance|direct|indirect) )*(expenses?|costs?|expenditure|overheads)$|^cost of (sales|goods sold|sailing)$|^(income )?tax(es)?$/i,
  ],
];

/** Elements that a title of a part names; `null` for a text that is no such title. */
export function elementsOfTitle(text: string): readonly Element[] | null {
  const plain = text
    .trim()
    .replace(/^\d+[.)]?\s+/, '')
    .replace(/\s*:$/, '');
  return titles.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
}
