import { amendDraft, applyDraft, emptyDraft } from '@ivory-ladder/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { landingOf } from '../placement/landing.ts';
import { modelPlacement, onNaturalSide, placementBase, visibleNodes } from './placementModel.ts';
import { account, category, view } from './placementView.fixture.ts';

const base = (...given: Parameters<typeof view>) => placementBase(view(...given), 'digit_by_digit');
const any = (categoryId: number): ReturnType<typeof account>['places'] => [{ side: 'any', categoryId }];

describe('the placement screen derives', () => {
  const cash = category(1, 'Cash', { term: 'current' });
  const bank = category(2, 'Bank', { parentId: 1 });
  const overdraft = category(3, 'Overdraft', { element: 'liability', term: 'current' });
  const swinging = [
    { side: 'debit', categoryId: 2 },
    { side: 'credit', categoryId: 3 },
  ] as const;

  it('totals of a category with all below it, on the side of its element', () => {
    const { totals } = modelPlacement(
      base([cash, bank, overdraft], [account(1, '500', any(1)), account(2, '70', any(2)), account(3, '-20', any(3), { element: 'liability' })]),
    );
    expect(totals.get(1)).toEqual({ accounts: 2, amount: 570n, comparative: 0n, own: { accounts: 1, amount: 500n, comparative: 0n } });
    expect(totals.get(3)).toMatchObject({ accounts: 1, amount: 20n, own: { accounts: 1, amount: 20n } });
  });

  it('the same whether it is worked out at once or from one draft after the other', () => {
    const categories = [cash, bank, category(4, 'Stores', { term: 'current', ranges: [{ side: 'any', text: '3 to 5' }] })];
    const accounts = [1, 2, 3, 4, 5, 6].map((id) => account(id, String(id * 10 - 30), id % 2 === 0 ? any(1) : [], { number: String(id) }));
    const shared = base(categories, accounts);
    const move = fc.record({ accountId: fc.integer({ min: 1, max: 6 }), categoryId: fc.constantFrom(0, 1, 2, 4) });
    const rename = fc.record({ accountId: fc.constant(0), categoryId: fc.constantFrom(1, 2, 4) });
    fc.assert(
      fc.property(fc.array(fc.oneof({ weight: 5, arbitrary: move }, rename), { maxLength: 12 }), (steps) => {
        let draft = emptyDraft;
        for (const [at, { accountId, categoryId }] of steps.entries()) {
          const named = shared.placement.categories.get(categoryId);
          const change =
            accountId === 0 && named
              ? { categories: new Map([[categoryId, { ...named, name: `${named.name} ${at}` }]]) }
              : { places: new Map([[accountId, categoryId === 0 ? [] : any(categoryId)]]) };
          draft = amendDraft(shared.placement, draft, change);
          const placement = applyDraft(shared.placement, draft);
          const copied = (model: ReturnType<typeof modelPlacement>) => ({ ...model, byId: new Map(model.byId), byRange: new Map(model.byRange) });
          expect(copied(modelPlacement(shared, placement))).toEqual(copied(modelPlacement(base(categories, accounts), placement)));
        }
      }),
      { numRuns: 60, seed: 505 },
    );
  });

  it('an account with a place for each side counts where its balance puts it', () => {
    const { totals } = modelPlacement(base([cash, bank, overdraft], [account(1, '-300', [...swinging], { comparative: '40' })]));
    expect([totals.get(2)?.amount, totals.get(3)?.amount]).toEqual([0n, 300n]);
    expect([totals.get(2)?.comparative, totals.get(3)?.comparative]).toEqual([40n, 0n]);
  });

  it('the unplaced: accounts without a place, and parents only while they bear an amount', () => {
    const accounts = [account(1, '0', []), account(2, '5', any(1)), account(3, '0', [], { isParent: true }), account(4, '412', [], { isParent: true })];
    expect(modelPlacement(base([cash], accounts)).unplaced.map(({ id }) => id)).toEqual([1, 4]);
  });

  it('which categories are seen below open ones', () => {
    const { tree } = modelPlacement(base([cash, bank, category(4, 'Abroad', { parentId: 2 })], []));
    const seen = (shut: number[]) => visibleNodes(tree, 'asset', new Set(shut)).map(({ category: { name } }) => name);
    expect([seen([]), seen([2]), seen([1])]).toEqual([['Cash', 'Bank', 'Abroad'], ['Cash', 'Bank'], ['Cash']]);
  });

  it('where the accounts of a category land on the statements', () => {
    const { tree } = modelPlacement(
      base([cash, bank, category(5, 'Fuel', { element: 'expense', step: 'cost_of_sales' }), category(6, 'Capital', { element: 'equity' })], []),
    );
    const landing = (id: number) => {
      const node = tree.nodes.get(id);
      return node ? landingOf(node) : [];
    };
    expect(landing(2)).toEqual(['Balance sheet › Current assets › Cash › Bank']);
    expect(landing(5)).toEqual(['Income statement › Fuel › Gross profit', 'Balance sheet › Equity › Result of the year']);
    expect(landing(6)).toEqual(['Balance sheet › Equity › Capital']);
  });

  it('assets and expenses positive in debit, the others in credit', () => {
    expect([onNaturalSide(5n, 'asset'), onNaturalSide(5n, 'expense'), onNaturalSide(-5n, 'income'), onNaturalSide(-5n, 'equity')]).toEqual([5n, 5n, 5n, 5n]);
  });
});
