import { beginLayout, editLayout, expandLayout, factsOn, type LayoutEdit, newLine, type OwnLayout, type OwnLine, type Source } from '@ivory-ladder/core';
import { ownAccess } from '../application/access.ts';
import { addLayout, putLayoutInUse, saveLayoutDraft } from '../application/layouts/index.ts';
import type { Books, Ports } from '../application/ports/index.ts';
import { groundOf } from '../application/statements/index.ts';
import { demoActor } from './demoActor.ts';
import { must } from './must.ts';

/** Three layouts that somebody composed: for the bank, for the tax return, and a page of indicators; made once. */
export async function composeFerry(ports: Ports, books: Books): Promise<void> {
  const access = ownAccess(books.company.id, demoActor);
  if ((await ports.layouts.list(books.company.id)).length > 0) return;
  const compose = async (name: string, from: 'balance_sheet' | 'nothing', made: (begun: OwnLayout) => OwnLayout, reason: string): Promise<void> => {
    const { id, version, draft } = must(await addLayout(ports, access, { name, from }));
    const saved = must(await saveLayoutDraft(ports, access, id, { version, definition: made(draft as OwnLayout) }));
    must(await putLayoutInUse(ports, access, id, saved.version, reason));
  };
  await compose('Balance sheet for the bank', 'balance_sheet', () => bankSheet(books), 'As agreed with Nordskerry Bank');
  await compose('Tax return', 'nothing', (begun) => ({ ...begun, ...taxReturn }), 'Lines of the return for 2026');
  await compose('Indicators', 'nothing', (begun) => ({ ...begun, ...indicators(books) }), 'For the board');
}

const numbers = (text: string): readonly Source[] => [{ kind: 'numbers', text }];

/** The generated balance sheet with an overdraft of its own, other captions, and a ratio under it. */
function bankSheet(books: Books): OwnLayout {
  const idOf = (name: string): number => books.categories.find((category) => category.name === name)?.id ?? 0;
  let layout = beginLayout('balance_sheet', { tree: books.categoryTree, options: books.options, language: 'en' });
  const edit = (change: LayoutEdit): void => {
    const edited = editLayout(layout, change, expandLayout(layout, factsOn(groundOf(books), layout, 'en')));
    if (!edited.ok) throw new Error(`the demo's layout: ${JSON.stringify(edited.failure)}`);
    layout = edited.value;
  };
  edit({ kind: 'set', settings: { title: 'Balance sheet' } });
  edit({ kind: 'adjust', key: `category.${idOf('Depreciation of vessels')}`, changes: { caption: 'Less depreciation' } });
  edit({ kind: 'adjust', key: `category.${idOf('Trade and other receivables')}`, changes: { caption: 'Trade receivables' } });
  edit({ kind: 'move', keys: [`category.${idOf('Fuel and stores')}`], spot: { within: 'current_asset', after: `category.${idOf('Prepayments')}` } });
  edit({ kind: 'remove', keys: [`category.${idOf('Cash at bank and on board')}`] });
  const cash: OwnLine = { ...newLine('accounts', 'cash', 'Cash at bank and on board'), sources: numbers('1000 to 1099'), takes: 'debit', note: '7' };
  edit({ kind: 'insert', lines: [cash], spot: { within: 'current_asset', after: null } });
  const overdraft: OwnLine = { ...newLine('accounts', 'overdraft', 'Bank overdraft'), sources: numbers('1000 to 1099'), takes: 'credit' };
  edit({ kind: 'insert', lines: [overdraft], spot: { within: 'liability', after: null } });
  const ratio: OwnLine = { ...newLine('calculation', 'equity_ratio', 'Equity ratio'), formula: 'equity / asset', result: 'percent' };
  edit({ kind: 'insert', lines: [newLine('space', 'space', ''), ratio], spot: { within: null, after: 'liability_and_equity' } });
  return layout;
}

const group = (key: string, caption: string, side: 'debit' | 'credit', children: readonly OwnLine[]): OwnLine => ({ ...newLine('group', key, caption), side, children });
const taking = (key: string, caption: string, text: string): OwnLine => ({ ...newLine('accounts', key, caption), sources: numbers(text) });

/** By number, with a remainder on each side so that nothing is left out. */
const taxReturn: Partial<OwnLayout> = {
  title: 'Lines of the tax return',
  measure: 'movement',
  scope: ['income', 'expense'],
  lines: [
    newLine('text', 'words', 'Line numbers are those of the form.'),
    group('income', 'Income', 'credit', [
      taking('line_1', '1  Passengers, vehicles and freight', '4000 to 4299'),
      taking('line_2', '2  Café on board', '43*'),
      taking('line_3', '3  Interest received', '48*'),
      { ...newLine('remainder', 'line_4', '4  All other income'), elements: ['income'] },
    ]),
    group('costs', 'Costs', 'debit', [
      taking('line_5', '5  Wages and social security', '50*, 60*'),
      taking('line_6', '6  Fuel and lubricants', '52*'),
      taking('line_7', '7  Insurance', '62*'),
      taking('line_8', '8  Depreciation', '65*'),
      taking('line_9', '9  Interest and bank charges', '70*'),
      { ...newLine('remainder', 'line_10', '10  All other deductible costs'), elements: ['expense'] },
    ]),
    taking('line_11', '11  Income tax, not deductible', '79*'),
    {
      ...newLine('sum', 'line_12', '12  Taxable profit'),
      side: 'credit',
      look: { weight: 'final', indent: 0, spaceBefore: false, breakBefore: false },
      terms: [
        { key: 'income', sign: 1 },
        { key: 'costs', sign: -1 },
      ],
    },
    { ...newLine('memo', 'line_13', '13  of which mail subsidy, exempt'), sources: numbers('4700') },
  ],
};

/** Balances and movements beside each other, and what is reckoned of them. */
function indicators({ categories }: Books): Partial<OwnLayout> {
  const from = (name: string): readonly Source[] => categories.filter((category) => category.name === name && category.parentId === null).map(({ id }) => ({ kind: 'category', categoryId: id }));
  const held = (key: string, caption: string, sources: readonly Source[]): OwnLine => ({ ...newLine('memo', key, caption), sources, measure: 'closing', side: null });
  const reckoned = (key: string, caption: string, formula: string, result: 'ratio' | 'percent' | 'days' | 'amount'): OwnLine => ({ ...newLine('calculation', key, caption), formula, result });
  return {
    title: 'Indicators',
    measure: 'movement',
    scope: [],
    lines: [
      {
        ...newLine('heading', 'amounts', 'What they are reckoned from'),
        children: [
          { ...newLine('memo', 'revenue', 'Revenue'), sources: from('Revenue') },
          { ...newLine('memo', 'fuel', 'Fuel and lubricants'), sources: numbers('52*') },
          { ...newLine('memo', 'crew', 'Crew wages'), sources: numbers('50*') },
          held('receivables', 'Trade receivables', from('Trade and other receivables')),
          held('cash', 'Cash at bank and on board', from('Cash at bank and on board')),
          held('payables', 'Trade payables', from('Trade and other payables')),
        ],
      },
      {
        ...newLine('heading', 'reckoned', 'Indicators'),
        look: { weight: 'usual', indent: 0, spaceBefore: true, breakBefore: false },
        children: [
          reckoned('fuel_share', 'Fuel of revenue', 'fuel / revenue', 'percent'),
          reckoned('crew_share', 'Crew wages of revenue', 'crew / revenue', 'percent'),
          reckoned('days_out', 'Days that customers take to pay', 'receivables / revenue * days', 'days'),
          reckoned('cover', 'Cash and receivables to payables', '(cash + receivables) / payables', 'ratio'),
          reckoned('a_day', 'Revenue of a day', 'revenue / days', 'amount'),
        ],
      },
    ],
  };
}
