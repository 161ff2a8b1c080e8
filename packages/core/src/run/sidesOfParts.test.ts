import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newPlanColumn, type PlanColumn } from '../columns/planDefinition.ts';
import { account, category, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { groundOfTest, provideFromLines, type TestLine, testFacet } from './lines.fixture.ts';
import { planStatement } from './planStatement.ts';
import { Definitions, type StatementRequest } from './request.ts';
import { ranAmounts, runColumns, vectorsNeeded } from './runColumns.ts';

/** A bank that is an overdraft while in credit, a customer who is a creditor then, and equity. */
const company: TestCompany = {
  categories: [
    category(1, 'asset', { term: 'current', name: 'Cash' }),
    category(2, 'asset', { term: 'current', name: 'Receivables' }),
    category(3, 'liability', { term: 'current', name: 'Overdraft' }),
    category(4, 'liability', { term: 'current', name: 'Other payables' }),
    category(5, 'equity', { name: 'Capital' }),
  ],
  accounts: [account(1, 'asset'), account(2, 'asset'), account(3, 'equity')],
  places: [
    { accountId: 1, side: 'debit', categoryId: 1 },
    { accountId: 1, side: 'credit', categoryId: 3 },
    { accountId: 2, side: 'debit', categoryId: 2 },
    { accountId: 2, side: 'credit', categoryId: 4 },
    { accountId: 3, side: 'any', categoryId: 5 },
  ],
  retainedEarningsId: 3,
};
const ground = groundOfTest(company);
const [bank, customer, capital] = [0, 1, 2];

function run(lines: readonly TestLine[], columns: readonly PlanColumn[], more: Partial<StatementRequest> = {}) {
  const planned = planStatement(
    { grounds: () => ground, definitions: new Definitions() },
    {
      statement: 'balance_sheet',
      classificationId: 1,
      span: { firstDay: '2026-01-01', lastDay: '2026-09-30' },
      comparison: { kind: 'none' },
      facets: {},
      columns: { plan: 'composed', definition: { columns } },
      ...more,
    },
  );
  if (!planned.ok) throw new Error(JSON.stringify(planned.failure));
  const plan = planned.value;
  const runs = runColumns(plan, provideFromLines(ground, lines, vectorsNeeded([plan])));
  const onLine = (id: number): bigint[] =>
    ranAmounts(plan, runs).map(({ run: { amounts } }) => amounts[plan.compiled.indexOf.get(`category.${id}`) as number] as bigint);
  return { plan, runs, onLine };
}

const amounts = (key: string, fields: Partial<PlanColumn> = {}): PlanColumn => ({ ...newPlanColumn('amounts', key), ...fields }) as PlanColumn;

describe('the side of an account', () => {
  it('is that of all its lines, in a column of some facet values too (domain rules, side rule)', () => {
    const lines: TestLine[] = [
      { day: '2026-03-01', account: bank, net: 100n, facets: { [testFacet]: 'NORTH' } },
      { day: '2026-03-02', account: bank, net: -130n, facets: { [testFacet]: 'SOUTH' } },
      { day: '2026-03-03', account: capital, net: 30n },
    ];
    const { onLine } = run(lines, [
      amounts('all'),
      amounts('north', { facets: { [testFacet]: ['NORTH'] } }),
      amounts('south', { facets: { [testFacet]: ['SOUTH'] } }),
    ]);
    // As a whole it is an overdraft of 30, so what the north has of it makes that smaller.
    expect(onLine(1)).toEqual([0n, 0n, 0n]);
    expect(onLine(3)).toEqual([-30n, 100n, -130n]);
  });

  it('is its normal side where all its lines come to nothing', () => {
    const lines: TestLine[] = [
      { day: '2026-03-01', account: bank, net: 100n, facets: { [testFacet]: 'NORTH' } },
      { day: '2026-03-02', account: bank, net: -100n, facets: { [testFacet]: 'SOUTH' } },
    ];
    const { onLine } = run(lines, [
      amounts('all'),
      amounts('north', { facets: { [testFacet]: ['NORTH'] } }),
      amounts('south', { facets: { [testFacet]: ['SOUTH'] } }),
    ]);
    expect([onLine(1), onLine(3)]).toEqual([
      [0n, 100n, -100n],
      [0n, 0n, 0n],
    ]);
  });

  it('of a movement is that of either end, so that a part moves between lines when the whole does', () => {
    const lines: TestLine[] = [
      { day: '2025-12-31', account: bank, net: 50n, facets: { [testFacet]: 'SOUTH' } },
      { day: '2026-05-01', account: bank, net: -80n, facets: { [testFacet]: 'NORTH' } },
    ];
    const moved = { measure: 'movement' as const };
    const { onLine } = run(lines, [
      amounts('all', moved),
      amounts('north', { ...moved, facets: { [testFacet]: ['NORTH'] } }),
      amounts('south', { ...moved, facets: { [testFacet]: ['SOUTH'] } }),
    ]);
    // From 50 in the bank to an overdraft of 30: the 50 of the south, which did not move, moved from one line to the other.
    expect([onLine(1), onLine(3)]).toEqual([
      [-50n, 0n, -50n],
      [-30n, -80n, 50n],
    ]);
  });

  it('is settled for a statement of some facet values as for a column of them', () => {
    const lines: TestLine[] = [
      { day: '2026-03-01', account: customer, net: 40n, facets: { [testFacet]: 'NORTH' } },
      { day: '2026-03-02', account: customer, net: -90n },
    ];
    const north = { [testFacet]: ['NORTH'] };
    expect(run(lines, [amounts('a')], { facets: north }).onLine(4)).toEqual(run(lines, [amounts('a', { facets: north })]).onLine(4));
    expect(run(lines, [amounts('a')], { facets: north }).onLine(4)).toEqual([40n]);
  });

  it('makes the values of a facet add up to the whole on every line, whatever is posted', () => {
    const line = fc.record({
      day: fc.constantFrom('2025-06-30', '2025-12-31', '2026-01-01', '2026-02-17', '2026-09-30'),
      account: fc.integer({ min: 0, max: 2 }),
      net: fc.bigInt(-60n, 60n),
      facets: fc.constantFrom({}, { [testFacet]: 'NORTH' }, { [testFacet]: 'COAST' }, { [testFacet]: 'SOUTH' }),
    });
    fc.assert(
      fc.property(fc.array(line, { maxLength: 14 }), fc.constantFrom('opening' as const, 'movement' as const, 'closing' as const), (lines, measure) => {
        const { onLine } = run(lines, [amounts('all', { measure }), amounts('parts', { measure, repeat: testFacet })]);
        for (const id of [1, 2, 3, 4, 5]) {
          const [all, ...parts] = onLine(id);
          // North with the coast below it, south, and lines of neither; behind movements stands their total.
          expect(parts.slice(0, 3).reduce((sum, part) => sum + part, 0n)).toBe(all);
        }
      }),
      { numRuns: 300 },
    );
  });
});
