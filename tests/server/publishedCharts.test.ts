import type { ChartCheckBody, ChartView, Company } from '@ivory-ladder/contract';
import { naturalSide } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-12-31' };
/** Number, name, element, side where it is not the natural one, parent, place for any balance, in debit, in credit. */
type Published = readonly [number: string, name: string, element: string, side?: string, parent?: string, any?: string, inDebit?: string, inCredit?: string];

/** A company with the published accounts, brought in through a chart file whose rows stand in the opposite order. */
async function load(digitOrder: 'by_value' | 'digit_by_digit', accounts: readonly Published[]): Promise<ChartView> {
  const { id } = await server.ok<Company>('POST', '/companies', { name: 'Published', currency: 'EUR', fiscalYearFirstMonth: 1 });
  await server.ok('PATCH', `/companies/${id}`, { version: 0, digitOrder });
  const headings = ['Number', 'Name', 'Element', 'Normal side', 'Nested below', 'Category', 'Category while in debit', 'Category while in credit'];
  const rows = accounts.toReversed().map((account) => headings.map((_, at) => `"${account[at] ?? ''}"`).join(','));
  const { fileId } = await server.ok<{ fileId: number }>(
    'POST',
    `/companies/${id}/chart-files?name=published.csv`,
    new TextEncoder().encode([headings.join(','), ...rows].join('\n')),
  );
  const file = `/companies/${id}/chart-files/${fileId}`;
  const { structureVersion, revision, rows: judged } = await server.ok<ChartCheckBody>('POST', `${file}/rehearsal`, span);
  expect(judged.filter(({ state }) => state !== 'new')).toEqual([]);
  await server.ok('POST', `${file}/application`, { structureVersion, revision });
  return server.ok<ChartView>('GET', `/companies/${id}/chart?from=${span.from}&to=${span.to}`);
}

const treeOf = ({ accounts }: ChartView) => accounts.map(({ depth, number }) => '. '.repeat(depth) + number);
const published = (accounts: readonly Published[]) => {
  const parentOf = new Map(accounts.map(([number, , , , parent = '']) => [number, parent]));
  const depthOf = (number: string): number => (parentOf.get(number) ? 1 + depthOf(parentOf.get(number) as string) : 0);
  return accounts.map(([number]) => '. '.repeat(depthOf(number)) + number);
};
const placesOf = ({ accounts, paths }: ChartView, wanted: string) =>
  accounts.find(({ number }) => number === wanted)?.places.map(({ side, categoryId }) => [side, (paths[String(categoryId)] ?? []).at(-1)]);
const sideOf = ({ accounts }: ChartView, wanted: string) => accounts.find(({ number }) => number === wanted)?.normalSide;

// French plan comptable général: classes, contra accounts and two-sided accounts as stated in its nomenclature; from memory.
const national: readonly Published[] = [
  ['10', 'Capital et réserves', 'equity'],
  ['101', 'Capital', 'equity', '', '10', 'Equity > Share capital'],
  ['1013', 'Capital souscrit, appelé, versé', 'equity', '', '101', 'Equity > Share capital'],
  ['106', 'Réserves', 'equity', '', '10', 'Equity > Reserves'],
  ['109', 'Capital souscrit non appelé', 'equity', 'debit', '10', 'Equity > Share capital'],
  ['11', 'Report à nouveau', 'equity'],
  ['110', 'Report à nouveau, solde créditeur', 'equity', '', '11', 'Equity > Brought forward'],
  ['119', 'Report à nouveau, solde débiteur', 'equity', 'debit', '11', 'Equity > Brought forward'],
  ['164', 'Emprunts auprès des établissements de crédit', 'liability', '', '', 'Loans'],
  ['213', 'Constructions', 'asset', '', '', 'Tangible assets'],
  ['281', 'Amortissements des immobilisations corporelles', 'asset', 'credit', '', 'Tangible assets'],
  ['31', 'Matières premières', 'asset', '', '', 'Inventories'],
  ['401', 'Fournisseurs', 'liability', '', '', '', 'Advances to suppliers', 'Suppliers'],
  ['411', 'Clients', 'asset', '', '', '', 'Customers', 'Advances from customers'],
  ['4455', 'Taxes sur le chiffre d’affaires à décaisser', 'liability', '', '', '', 'Tax to recover', 'Tax to pay'],
  ['486', 'Charges constatées d’avance', 'asset', '', '', 'Prepayments'],
  ['487', 'Produits constatés d’avance', 'liability', '', '', 'Deferred income'],
  ['512', 'Banques', 'asset', '', '', '', 'Cash at bank', 'Overdrafts'],
  ['519', 'Concours bancaires courants', 'liability', '', '', 'Overdrafts'],
  ['53', 'Caisse', 'asset', '', '', 'Cash in hand'],
  ['601', 'Achats de matières premières', 'expense', '', '', 'Purchases'],
  ['641', 'Rémunérations du personnel', 'expense', '', '', 'Staff'],
  ['681', 'Dotations aux amortissements', 'expense', '', '', 'Depreciation'],
  ['701', 'Ventes de produits finis', 'income', '', '', 'Sales'],
  ['706', 'Prestations de services', 'income', '', '', 'Services'],
  ['76', 'Produits financiers', 'income', '', '', 'Finance income'],
];

// FERC Uniform System of Accounts, 18 CFR part 101; from memory. 400 to 402 are controlling totals: parents.
const regulator: readonly Published[] = [
  ['101', 'Electric plant in service', 'asset', '', '', 'Utility plant'],
  ['101.1', 'Property under capital leases', 'asset', '', '101', 'Utility plant'],
  ['301', 'Organization', 'asset', '', '101', 'Utility plant'],
  ['399', 'Other tangible property', 'asset', '', '101', 'Utility plant'],
  ['102', 'Electric plant purchased or sold', 'asset', '', '', 'Utility plant'],
  ['108', 'Accumulated provision for depreciation', 'asset', 'credit', '', 'Utility plant'],
  ['111', 'Accumulated provision for amortization', 'asset', 'credit', '', 'Utility plant'],
  ['131', 'Cash', 'asset', '', '', 'Current and accrued assets'],
  ['213', 'Discount on capital stock', 'equity', 'debit', '', 'Proprietary capital'],
  ['214', 'Capital stock expense', 'equity', 'debit', '', 'Proprietary capital'],
  ['217', 'Reacquired capital stock', 'equity', 'debit', '', 'Proprietary capital'],
  ['222', 'Reacquired bonds', 'liability', 'debit', '', 'Long-term debt'],
  ['226', 'Unamortized discount on long-term debt', 'liability', 'debit', '', 'Long-term debt'],
  ['400', 'Operating revenues', 'income'],
  ['440', 'Residential sales', 'income', '', '400', 'Operating revenues'],
  ['411.8', 'Gains from disposition of allowances', 'income', '', '', 'Other income'],
  ['411.9', 'Losses from disposition of allowances', 'expense', '', '', 'Other deductions'],
  ['411.10', 'Accretion expense', 'expense', '', '', 'Other deductions'],
  ['426.5', 'Other deductions', 'expense', '', '', 'Other deductions'],
  ['500', 'Operation supervision and engineering', 'expense', '', '', 'Steam power'],
  ['517', 'Operation supervision and engineering', 'expense', '', '', 'Nuclear power'],
  ['535', 'Operation supervision and engineering', 'expense', '', '', 'Hydraulic power'],
  ['546', 'Operation supervision and engineering', 'expense', '', '', 'Other power'],
  ['560', 'Operation supervision and engineering', 'expense', '', '', 'Transmission'],
  ['580', 'Operation supervision and engineering', 'expense', '', '', 'Distribution'],
];

describe('published charts through the chart file, rows in the opposite order', () => {
  it('a national chart by class: order and tree as published, contra accounts on their side, two-sided accounts in both places', async () => {
    const chart = await load('digit_by_digit', national);
    expect(treeOf(chart)).toEqual(published(national));
    expect(['109', '119', '281'].map((number) => sideOf(chart, number))).toEqual(['debit', 'debit', 'credit']);
    expect(placesOf(chart, '411')).toEqual([
      ['debit', 'Customers'],
      ['credit', 'Advances from customers'],
    ]);
    expect(placesOf(chart, '512')).toEqual([
      ['debit', 'Cash at bank'],
      ['credit', 'Overdrafts'],
    ]);
    expect(placesOf(chart, '519')).toEqual([['any', 'Overdrafts']]);
  });

  it('a regulator’s ranges with decimal sub-accounts: 411.9 before 411.10, detail of 101 below it, repeated names told apart by number', async () => {
    const chart = await load('by_value', regulator);
    expect(treeOf(chart)).toEqual(published(regulator));
    expect(['108', '111', '213', '214', '217', '222', '226'].map((number) => sideOf(chart, number))).toEqual([
      'credit',
      'credit',
      ...Array.from({ length: 5 }, () => 'debit'),
    ]);
    expect(chart.accounts.filter(({ name }) => name === 'Operation supervision and engineering')).toHaveLength(6);
    expect(chart.accounts.find(({ number }) => number === '400')).toMatchObject({ isParent: true, places: [] });
  });

  it('an account without a side of its own has the natural one: debit for assets and expenses, credit for the rest (common practice)', async () => {
    const chart = await load('by_value', regulator);
    const plain = regulator.filter(([, , , side = '']) => side === '');
    for (const [number, , element] of plain) expect([number, sideOf(chart, number)]).toEqual([number, naturalSide(element as 'asset')]);
    expect(naturalSide('asset') + naturalSide('expense') + naturalSide('liability') + naturalSide('equity') + naturalSide('income')).toBe(
      'debitdebitcreditcreditcredit',
    );
  });
});
