import {
  type DescribedCategory,
  type DigitOrder,
  defaultLayoutOptions,
  type Element,
  figuresOver,
  groundOfView,
  isIncomeOrExpense,
  naturalSide,
  type PlaceSide,
  placementOf,
  type RehearsedLedger,
  rehearsalNeeds,
  standingFollower,
  Vectors,
} from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';

type Range = readonly [category: string, element: Element, text: string, side?: PlaceSide];
type Placed = readonly [number: string, element: Element, category: string, inCredit?: string];

/** Accounts placed by the published ranges alone; nothing stands by hand. */
function placed(ranges: readonly Range[], accounts: readonly Placed[], order: DigitOrder) {
  const categories = [...new Set(ranges.map(([name]) => name))].map((name, at): DescribedCategory => {
    const own = ranges.filter(([category]) => category === name);
    const element = own[0]?.[1] ?? 'asset';
    return {
      id: at + 1,
      parentId: null,
      element,
      name,
      position: at,
      term: element === 'asset' || element === 'liability' ? 'current' : null,
      step: isIncomeOrExpense(element) ? 'other_operating' : null,
      contraOf: null,
      nature: null,
      note: '',
      description: '',
      ranges: own.map(([, , text, side = 'any']) => ({ side, text })),
      captions: [],
    };
  });
  const chart = accounts.map(([number, element], at) => ({ id: at + 1, number, element }));
  const standing = standingFollower(chart, order)(placementOf(categories, []));
  const nameOf = (id: number | null | undefined) => categories.find((category) => category.id === id)?.name ?? '';
  return {
    standing,
    chart,
    stands: chart.map(({ id, number }) => [number, nameOf(standing.portions.get(id)?.debit), nameOf(standing.portions.get(id)?.credit)]),
    doubled: [...standing.byRange.values()].filter(({ doubledIn }) => doubledIn.length > 0).length,
    atOdds: [...standing.byRange.values()].filter(({ oddIn }) => oddIn.length > 0).length,
  };
}

const expected = (accounts: readonly Placed[]) => accounts.map(([number, , category, inCredit = category]) => [number, category, inCredit]);

// FERC Uniform System of Accounts for electric utilities, 18 CFR part 101: its headings with their account ranges; from memory. Of the income
// accounts 403 to 435 those that are gains are income, the rest charges; 400 to 402 are controlling totals and left out.
const gains = '411.6, 411.8, 412, 415, 418 to 419.1, 421 to 421.1';
const regulator: readonly Range[] = [
  ['Utility plant', 'asset', '101 to 120, 301 to 399'],
  ['Other property and investments', 'asset', '121 to 129'],
  ['Current and accrued assets', 'asset', '130 to 176'],
  ['Deferred debits', 'asset', '181 to 190'],
  ['Proprietary capital', 'equity', '201 to 219'],
  ['Retained earnings', 'equity', '433, 436 to 439'],
  ['Long-term debt', 'liability', '221 to 226'],
  ['Other noncurrent liabilities', 'liability', '227 to 230'],
  ['Current and accrued liabilities', 'liability', '231 to 245'],
  ['Deferred credits', 'liability', '251 to 283'],
  ['Operating revenues', 'income', '440 to 459'],
  ['Gains', 'income', gains],
  ['Charges', 'expense', `403 to 432, 434 to 435 except ${gains}`],
  ['Operation and maintenance', 'expense', '500 to 598, 901 to 935'],
];
const regulated: readonly Placed[] = [
  ['101', 'asset', 'Utility plant'],
  ['101.1', 'asset', 'Utility plant'],
  ['108', 'asset', 'Utility plant'],
  ['111', 'asset', 'Utility plant'],
  ['120.6', 'asset', 'Utility plant'],
  ['301', 'asset', 'Utility plant'],
  ['399.1', 'asset', 'Utility plant'],
  ['121', 'asset', 'Other property and investments'],
  ['129', 'asset', 'Other property and investments'],
  ['131', 'asset', 'Current and accrued assets'],
  ['144', 'asset', 'Current and accrued assets'],
  ['176', 'asset', 'Current and accrued assets'],
  ['181', 'asset', 'Deferred debits'],
  ['190', 'asset', 'Deferred debits'],
  ['201', 'equity', 'Proprietary capital'],
  ['213', 'equity', 'Proprietary capital'],
  ['217', 'equity', 'Proprietary capital'],
  ['219', 'equity', 'Proprietary capital'],
  ['433', 'equity', 'Retained earnings'],
  ['439', 'equity', 'Retained earnings'],
  ['221', 'liability', 'Long-term debt'],
  ['226', 'liability', 'Long-term debt'],
  ['228.1', 'liability', 'Other noncurrent liabilities'],
  ['230', 'liability', 'Other noncurrent liabilities'],
  ['232', 'liability', 'Current and accrued liabilities'],
  ['245', 'liability', 'Current and accrued liabilities'],
  ['253', 'liability', 'Deferred credits'],
  ['283', 'liability', 'Deferred credits'],
  ['440', 'income', 'Operating revenues'],
  ['456.1', 'income', 'Operating revenues'],
  ['403', 'expense', 'Charges'],
  ['411.8', 'income', 'Gains'],
  ['411.9', 'expense', 'Charges'],
  ['411.10', 'expense', 'Charges'],
  ['419.1', 'income', 'Gains'],
  ['426.5', 'expense', 'Charges'],
  ['432', 'expense', 'Charges'],
  ['435', 'expense', 'Charges'],
  ['500', 'expense', 'Operation and maintenance'],
  ['580', 'expense', 'Operation and maintenance'],
  ['598', 'expense', 'Operation and maintenance'],
  ['901', 'expense', 'Operation and maintenance'],
  ['935', 'expense', 'Operation and maintenance'],
];

// French plan comptable général, its classes and what stands on either side of the balance sheet; from memory.
const national: readonly Range[] = [
  ['Actif immobilisé', 'asset', '2*'],
  ['Stocks', 'asset', '3*'],
  ['Créances', 'asset', '40 to 47', 'debit'],
  ['Créances', 'asset', '486, 49*'],
  ['Disponibilités', 'asset', '51* except 519', 'debit'],
  ['Disponibilités', 'asset', '50*, 53*, 59*'],
  ['Capitaux propres', 'equity', '10 to 14'],
  ['Emprunts et provisions', 'liability', '15 to 18'],
  ['Dettes', 'liability', '40 to 47', 'credit'],
  ['Dettes', 'liability', '487'],
  ['Concours bancaires', 'liability', '51*', 'credit'],
  ['Concours bancaires', 'liability', '519'],
  ['Charges', 'expense', '6*'],
  ['Produits', 'income', '7*'],
];
const nationals: readonly Placed[] = [
  ['101', 'equity', 'Capitaux propres'],
  ['109', 'equity', 'Capitaux propres'],
  ['119', 'equity', 'Capitaux propres'],
  ['129', 'equity', 'Capitaux propres'],
  ['164', 'liability', 'Emprunts et provisions'],
  ['213', 'asset', 'Actif immobilisé'],
  ['281', 'asset', 'Actif immobilisé'],
  ['29', 'asset', 'Actif immobilisé'],
  ['31', 'asset', 'Stocks'],
  ['39', 'asset', 'Stocks'],
  ['401', 'liability', 'Créances', 'Dettes'],
  ['411', 'asset', 'Créances', 'Dettes'],
  ['4455', 'liability', 'Créances', 'Dettes'],
  ['467', 'asset', 'Créances', 'Dettes'],
  ['486', 'asset', 'Créances'],
  ['487', 'liability', 'Dettes'],
  ['49', 'asset', 'Créances'],
  ['512', 'asset', 'Disponibilités', 'Concours bancaires'],
  ['519', 'liability', 'Concours bancaires'],
  ['53', 'asset', 'Disponibilités'],
  ['59', 'asset', 'Disponibilités'],
  ['601', 'expense', 'Charges'],
  ['641', 'expense', 'Charges'],
  ['681', 'expense', 'Charges'],
  ['701', 'income', 'Produits'],
  ['76', 'income', 'Produits'],
];

describe('published charts placed by their ranges', () => {
  it('a regulator’s: every account lands under the heading whose range it is in, none twice, none at odds', () => {
    const { stands, doubled, atOdds } = placed(regulator, regulated, 'by_value');
    expect(stands).toEqual(expected(regulated));
    expect([doubled, atOdds]).toEqual([0, 0]);
  });

  it('a national one by class: third parties and banks stand on the side that their balance is on, contra accounts stay with the assets', () => {
    const { stands, doubled } = placed(national, nationals, 'digit_by_digit');
    expect(stands).toEqual(expected(nationals));
    expect(doubled).toBe(0);
  });

  it('the balance sheet of the national one: a bank in debit is an asset, overdrawn it is a liability, and the sides tie (common practice)', () => {
    const { standing, chart } = placed(national, nationals, 'digit_by_digit');
    const ledgerOf = (amounts: Readonly<Record<string, bigint>>): RehearsedLedger => {
      const accounts = chart.map(({ id, number, element }) => ({
        ...{ id, number, name: number, label: number, element, normalSide: naturalSide(element) },
        ...{ parentId: null, active: true, role: null, codes: {}, cashFrom: null, cashUntil: null, places: [] },
      }));
      const year = { firstDay: '2026-01-01', lastDay: '2026-12-31' };
      const view = {
        ...{ accounts, categories: [], exclusions: [], options: defaultLayoutOptions, revision: 1, structureVersion: 1 },
        ledger: { firstBalances: [], openings: [], adjusted: [] },
      };
      const company = {
        ...{ languages: ['en' as const], digitOrder: 'digit_by_digit' as const, currency: 'EUR', exponent: 2 },
        years: [{ year: 2026, periods: [{ number: 1, ...year, isAdjusting: false }] }],
      };
      const ground = groundOfView(view, company, [], 1);
      const spans = [{ moved: year, day: year.lastDay }];
      const vectors = new Vectors();
      const net = BigInt64Array.from(chart, ({ number }) => amounts[number] ?? 0n);
      for (const need of rehearsalNeeds(ground, spans)) vectors.give(need, { net, notAllotted: 0n, carried: 0n });
      return { ground, spans, vectors, leftOut: new Set() };
    };
    const lines = (amounts: Readonly<Record<string, bigint>>) => {
      const { rows, outOfBalance, atFault } = figuresOver(ledgerOf(amounts))(standing);
      const line = (caption: string) => rows.balance_sheet.find((row) => row.caption === caption)?.values[0] ?? 0n;
      return { bank: line('Disponibilités'), overdraft: line('Concours bancaires'), owed: line('Créances'), owing: line('Dettes'), outOfBalance, atFault };
    };
    expect(lines({ 101: -1000n, 512: 700n, 411: 500n, 401: -200n })).toEqual({
      bank: 700n,
      overdraft: 0n,
      owed: 500n,
      owing: 200n,
      outOfBalance: 0n,
      atFault: 0,
    });
    expect(lines({ 101: -1000n, 512: -300n, 411: -50n, 401: 80n, 213: 1270n })).toEqual({
      bank: 0n,
      overdraft: 300n,
      owed: 80n,
      owing: 50n,
      outOfBalance: 0n,
      atFault: 0,
    });
  });
});
