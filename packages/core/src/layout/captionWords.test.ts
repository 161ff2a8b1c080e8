import { describe, expect, it } from 'vitest';
import { captionsIn } from '../placement/captionsIn.ts';
import type { Category } from '../placement/category.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { captionLanguages, captionWords } from './captionWords.ts';
import { generateBalanceSheet } from './generateBalanceSheet.ts';
import { generateIncomeStatement } from './generateIncomeStatement.ts';
import type { Line } from './line.ts';
import { defaultLayoutOptions } from './options.ts';

const category = (id: number, element: Category['element'], name: string, fields: Partial<Category> = {}) => ({
  id,
  parentId: null,
  element,
  name,
  position: id,
  term: null,
  step: null,
  contraOf: null,
  captions: [],
  ...fields,
});
const categories = [
  { ...category(1, 'asset', 'Vessels', { term: 'non_current' }), captions: [{ language: 'de' as const, caption: 'Schiffe' }] },
  { ...category(2, 'asset', 'Depreciation', { term: 'non_current', contraOf: 1 }), captions: [{ language: 'de' as const, caption: 'Abschreibungen' }] },
  category(3, 'income', 'Fares', { step: 'revenue' }),
  category(4, 'expense', 'Fuel', { step: 'cost_of_sales' }),
];
const portions = new Map(categories.map(({ id }) => [id * 10, { debit: id, credit: id }]));
const captionsOf = (lines: readonly Line[]): string[] =>
  lines.flatMap((line) => (line.kind === 'group' ? [line.caption, ...captionsOf(line.children), line.totalCaption] : [line.caption]));

describe('captions of generated lines', () => {
  it('are there in every language, each line with its own', () => {
    for (const language of captionLanguages) {
      const words = Object.entries(captionWords[language]).flatMap(([name, word]) => (typeof word === 'string' ? [[name, word] as const] : []));
      expect(words.filter(([, word]) => word.trim() === '' || word !== word.trim())).toEqual([]);
      const lines = words.filter(([name]) => !['to', 'and', 'change'].includes(name)).map(([, word]) => word);
      expect(new Set(lines).size, language).toBe(lines.length);
    }
  });

  it('follow the language asked for, categories without a caption in it keep their name', () => {
    const tree = buildCategoryTree(captionsIn(categories, 'de'));
    const facts = { tree, portions, options: defaultLayoutOptions, language: 'de' as const };
    const sheet = generateBalanceSheet({ ...facts, retainedEarningsId: null });
    expect([sheet.title, sheet.language, ...captionsOf(sheet.lines.slice(0, 1))]).toEqual([
      'Bilanz',
      'de',
      'Vermögenswerte',
      'Langfristige Vermögenswerte',
      'Schiffe',
      'Schiffe',
      'Abzüglich Abschreibungen',
      'Schiffe, netto',
      'Summe langfristige Vermögenswerte',
      'Summe Vermögenswerte',
    ]);
    expect(captionsOf(generateIncomeStatement(facts).lines)).toEqual(['Fares', 'Fuel', 'Ergebnis der Periode']);
  });

  it('put a caption behind another word with a small letter where the language does so', () => {
    expect(captionLanguages.map((language) => captionWords[language].total('Vessels'))).toEqual([
      'Total vessels',
      'Summe Vessels',
      'Total vessels',
      'Totaal vessels',
      'Total vessels',
      'Sum vessels',
    ]);
    expect(captionWords.en.less('VAT')).toBe('Less VAT');
    expect(['Vorräte', 'Sonstige Erträge', 'Erträge aus Fracht'].map((caption) => captionWords.de.total(caption))).toEqual([
      'Summe Vorräte',
      'Summe sonstige Erträge',
      'Summe Erträge aus Fracht',
    ]);
  });
});
