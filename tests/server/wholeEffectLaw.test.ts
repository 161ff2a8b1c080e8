import type { CategoryBody, ChartView, Company, StoredLayoutOptions } from '@ivory-ladder/contract';
import { natures } from '@ivory-ladder/core';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { differences, mergeOf, openReported, type Rehearsed, type ReportedBooks, rehearsed, span, told } from '../support/reportedBooks.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** Chooses one of what is there then by a number that is known before. */
const chosen = <One>(from: readonly One[], at: number): One => from[at % from.length] as One;
const any = fc.nat(10_000);

const accountChange = fc.oneof(
  fc.record({ codes: fc.constantFrom('A', 'B', '') }),
  fc.record({ role: fc.constantFrom('cash', null) }),
  fc.record({ role: fc.constant('cash'), cashFrom: fc.constantFrom(null, '2026-02-01', '2026-10-01'), cashUntil: fc.constantFrom(null, '2026-11-30') }),
  fc.record({ number: fc.integer({ min: 4900, max: 6300 }).map(String) }),
  fc.record({ normalSide: fc.constantFrom('debit', 'credit') }),
);
const step = fc.oneof(
  { weight: 4, arbitrary: fc.record({ kind: fc.constant('account' as const), which: any, change: accountChange }) },
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('move' as const), which: any, to: any, isMain: fc.boolean(), side: fc.constantFrom('any', 'debit') }) },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('nature' as const), which: any, nature: fc.constantFrom(...natures), isMain: fc.boolean() }) },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('range' as const),
      which: any,
      text: fc.constantFrom('', '5050 to 5060', '2000 to 2999', '10*'),
      isMain: fc.boolean(),
    }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('merge' as const), which: any, into: any }) },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('renumber' as const), which: any, by: fc.integer({ min: -60, max: 1200 }) }) },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('order' as const), digitOrder: fc.constantFrom('by_value', 'digit_by_digit') }) },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('options' as const),
      result: fc.constantFrom('own_line', 'within_retained_earnings'),
      order: fc.constantFrom('by_term', 'most_liquid_first'),
      start: fc.constantFrom('profit', 'profit_before_tax', 'operating_profit'),
      dividendsPaid: fc.constantFrom('operating', 'financing'),
    }),
  },
);
type Step = typeof step extends fc.Arbitrary<infer One> ? One : never;

/** What is said of a step, or `null` where there is nothing that it could be done to, or it is refused. */
async function lookAt(books: ReportedBooks, one: Step): Promise<Rehearsed | null> {
  const { path, placement, list, draft } = books;
  const { accounts } = await server.ok<ChartView>('GET', `${path}/chart?${new URLSearchParams(span)}`);
  const active = accounts.filter((account) => account.active);
  const tried = async (look: () => Promise<Rehearsed>): Promise<Rehearsed | null> => {
    try {
      return await look();
    } catch (error) {
      // Only a refusal in the contract's words is a step that cannot be taken.
      if (/ 4(09|22) /.test(String(error))) return null;
      throw error;
    }
  };
  switch (one.kind) {
    case 'account': {
      const { id, version } = chosen(active, one.which);
      const { codes, ...fields } = one.change as { codes?: string };
      const change = { version, ...fields, ...(codes === undefined ? {} : { codes: { [list.key]: codes } }) };
      const own = `${path}/accounts/${id}`;
      return tried(() => rehearsed(server, [`${own}/change-rehearsal`, { change }], ['PATCH', own, change]));
    }
    case 'move': {
      const of = one.isMain ? undefined : books.other;
      const view = await placement(of);
      const account = chosen(view.accounts, one.which);
      const category = chosen(
        view.categories.filter(({ element }) => element === account.element),
        one.to,
      );
      const after = [{ side: one.side as 'any' | 'debit', categoryId: category.id }];
      return tried(() => draft({ places: [{ accountId: account.id, before: account.places, after }], categories: [] }, of));
    }
    case 'nature':
    case 'range': {
      const of = one.isMain ? undefined : books.other;
      const { version: _, ...before } = chosen((await placement(of)).categories, one.which);
      const ranges = one.kind === 'range' && one.text !== '' ? [{ side: 'any' as const, text: one.text }] : [];
      const after: Omit<CategoryBody, 'version'> = one.kind === 'nature' ? { ...before, nature: one.nature } : { ...before, ranges };
      return tried(() => draft({ places: [], categories: [{ id: before.id, before, after }] }, of));
    }
    case 'merge': {
      const from = chosen(active, one.which);
      const into = chosen(
        active.filter(({ element }) => element === from.element),
        one.into,
      );
      return tried(() => mergeOf(server, books, from.number, into.number, '2026-10-10'));
    }
    case 'renumber': {
      const { id: accountId, version, number } = chosen(active, one.which);
      const body = { changes: [{ accountId, version, number: String(Number(number) + one.by) }] };
      return tried(() => rehearsed(server, [`${path}/renumbering-rehearsal`, body], ['POST', `${path}/renumbering`, body]));
    }
    case 'order': {
      const { settingsVersion: version } = await server.ok<Company>('GET', path);
      const { digitOrder } = one;
      const { effect } = await server.ok<{ effect: Rehearsed['effect'] }>('POST', `${path}/settings-rehearsal`, { digitOrder, ...span });
      return { effect, apply: () => server.ok('PATCH', path, { version, digitOrder }) };
    }
    case 'options': {
      const { version, ...own } = await server.ok<StoredLayoutOptions>('GET', `${path}/layout-options`);
      const { result, order, start, dividendsPaid } = one;
      const options = { ...own, result, order, cashFlow: { ...own.cashFlow, start, dividendsPaid } };
      return rehearsed(server, [`${path}/layout-options/rehearsal`, { options }], ['PUT', `${path}/layout-options`, { ...options, version }]);
    }
  }
}

it('what is said of any change is the difference of all that is reported before it and after it', async () => {
  let changes = 0;
  let figures = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 14, maxLength: 14 }), async (steps) => {
      const books = await openReported(server);
      let before = await books.reported();
      for (const one of steps) {
        const seen = await lookAt(books, one);
        if (!seen) continue;
        try {
          await seen.apply();
        } catch (error) {
          // What changes nothing is refused where it is applied; then nothing may have been said.
          expect([String(error), told(seen.effect)]).toEqual([expect.stringMatching(/placement_unchanged| 422 /), []]);
          continue;
        }
        const after = await books.reported();
        expect([one, told(seen.effect)]).toEqual([one, differences(before, after)]);
        changes += 1;
        figures += seen.effect.rows.length;
        before = after;
      }
    }),
    { numRuns: 3, seed: 20_260_930, endOnFailure: true },
  );
  // The law was tried on changes that do something.
  expect(changes).toBeGreaterThan(20);
  expect(figures).toBeGreaterThan(40);
});
