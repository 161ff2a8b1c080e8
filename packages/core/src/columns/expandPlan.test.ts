import { describe, expect, it } from 'vitest';
import { addDays } from '../calendar/day.ts';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import type { CodeList } from '../chart/codeList.ts';
import { expandPlan, type PlanFacts } from './expandPlan.ts';
import { fillHeading } from './fillHeading.ts';
import { type AmountsPlanColumn, newPlanColumn, ownPeriod, type PeriodChoice, type PlanColumn } from './planDefinition.ts';
import { usualPlansOf } from './usualPlans.ts';

const vessels: CodeList = {
  key: 'facet:1',
  name: 'Vessel',
  codes: [
    { code: 'TERN', caption: 'MV Tern', element: null, side: null, parent: null },
    { code: 'TENDER', caption: 'Her tender', element: null, side: null, parent: 'TERN' },
    { code: 'GULL', caption: 'MV Gull', element: null, side: null, parent: null },
  ],
};
const facts: PlanFacts = {
  // Fiscal years from July.
  calendar: makeCalendar([2023, 2024, 2025].flatMap((year) => makeMonthlyYear(year, 7).periods)),
  span: { firstDay: '2026-01-01', lastDay: '2026-02-28' },
  measure: 'movement',
  isOfMovements: false,
  lists: [vessels],
};
const amounts = (key: string, more: Partial<AmountsPlanColumn> = {}): PlanColumn => ({ ...(newPlanColumn('amounts', key) as AmountsPlanColumn), ...more });
const over = (period: Partial<PeriodChoice>) => amounts('one', { period: { ...ownPeriod, ...period } });
const spansOf = (columns: readonly PlanColumn[], more: Partial<PlanFacts> = {}) =>
  expandPlan({ columns }, { ...facts, ...more }).columns.map((column) =>
    column.kind === 'amount' ? `${column.span.firstDay} ${column.span.lastDay}` : column.kind,
  );

describe('the span of a column', () => {
  it.each([
    ['the run', {}, '2026-01-01 2026-02-28'],
    ['fiscal year to date', { base: 'year_to_date' }, '2025-07-01 2026-02-28'],
    ['quarter of the fiscal year to date', { base: 'quarter_to_date' }, '2026-01-01 2026-02-28'],
    ['trailing periods', { base: 'trailing', periods: 12 }, '2025-03-01 2026-02-28'],
    // A full month stays a full month when it is moved.
    ['a year earlier', { moved: { by: -1, unit: 'years' } }, '2025-01-01 2025-02-28'],
    ['two years earlier, with a leap day', { moved: { by: -2, unit: 'years' } }, '2024-01-01 2024-02-29'],
    ['a period later', { moved: { by: 1, unit: 'periods' } }, '2026-02-01 2026-03-31'],
    ['to date a year earlier', { base: 'year_to_date', moved: { by: -1, unit: 'years' } }, '2024-07-01 2025-02-28'],
    ['fixed days', { base: 'fixed', firstDay: '2025-12-24', lastDay: '2025-12-31' }, '2025-12-24 2025-12-31'],
  ] as const)('is %s', (_, period, span) => {
    expect(spansOf([over(period as Partial<PeriodChoice>)])).toEqual([span]);
  });

  it('moved by years is of the periods of the same numbers where periods are no months', () => {
    const weeks = makeCalendar(
      [2025, 2026].flatMap((year, place) =>
        Array.from({ length: 13 }, (_, at) => {
          const first = addDays('2024-12-30', place * 364 + at * 28);
          return { year, number: at + 1, firstDay: first, lastDay: addDays(first, 27) };
        }),
      ),
    );
    const span = { firstDay: '2025-12-29', lastDay: '2026-02-22' };
    expect(spansOf([over({ moved: { by: -1, unit: 'years' } })], { calendar: weeks, span })).toEqual(['2024-12-30 2025-02-23']);
  });

  it('of the usual comparative is a year earlier for movements, the last fiscal year end for balances', () => {
    expect(spansOf([over({ base: 'comparative' })])).toEqual(['2025-01-01 2025-02-28']);
    expect(spansOf([over({ base: 'comparative' })], { measure: 'closing' })).toEqual(['2024-07-01 2025-06-30']);
  });
});

describe('a plan for a run', () => {
  it('repeats a column for each part with the total behind, of balances without one', () => {
    const repeated = amounts('months', { repeat: 'periods' });
    expect(spansOf([repeated])).toEqual(['2026-01-01 2026-01-31', '2026-02-01 2026-02-28', '2026-01-01 2026-02-28']);
    expect(spansOf([repeated], { measure: 'closing' })).toEqual(['2026-01-01 2026-01-31', '2026-02-01 2026-02-28']);
  });

  it('repeats a column for each topmost value of a facet and for lines without one, so that they add up to the total', () => {
    const { columns } = expandPlan({ columns: [amounts('by_vessel', { repeat: 'facet:1' })] }, facts);
    expect(columns.map((column) => (column.kind === 'amount' ? [column.heading, column.facets] : null))).toEqual([
      ['MV Tern', { 'facet:1': ['TERN'] }],
      ['MV Gull', { 'facet:1': ['GULL'] }],
      ['Without vessel', { 'facet:1': [''] }],
      [undefined, undefined],
    ]);
  });

  it('keeps the order of the plan, and what names a repeated column means its total', () => {
    const columns: PlanColumn[] = [
      newPlanColumn('change', 'difference', 'months', 'before'),
      amounts('months', { repeat: 'periods' }),
      newPlanColumn('text', 'remarks'),
      amounts('before', { period: { ...ownPeriod, moved: { by: -1, unit: 'years' } } }),
      { ...newPlanColumn('share', 'part', 'before'), line: 'revenue' } as PlanColumn,
    ];
    const expanded = expandPlan({ columns }, facts);
    expect(expanded.faults).toEqual([]);
    expect(
      expanded.columns.map((column) =>
        column.kind === 'change' ? [column.of, column.against] : column.kind === 'share' ? [column.of, column.line] : column.kind,
      ),
    ).toEqual([[3, 5], 'amount', 'amount', 'amount', 'text', 'amount', [5, 'revenue']]);
  });

  it('says what makes no sense, by the key of the column, and keeps the rest', () => {
    const columns: PlanColumn[] = [
      amounts('now'),
      amounts('now'),
      newPlanColumn('percent', 'change', 'now', 'gone'),
      over({ base: 'fixed', firstDay: '2026-02-01', lastDay: '2026-01-01' }),
      amounts('by_route', { repeat: 'facet:9' }),
    ];
    const { faults, columns: made } = expandPlan({ columns }, facts);
    expect(faults).toEqual([
      { code: 'column_key_twice', column: 'now' },
      { code: 'column_span_reversed', column: 'one' },
      { code: 'column_list_unknown', column: 'by_route' },
      { code: 'column_unknown', column: 'change', named: 'gone' },
    ]);
    expect(made.map(({ kind }) => kind)).toEqual(['amount', 'amount', 'text']);
    expect(expandPlan({ columns: [amounts('balance', { measure: 'closing' })] }, { ...facts, isOfMovements: true }).faults).toEqual([
      { code: 'column_needs_movement', column: 'balance' },
    ]);
  });

  it('of the plans to begin with fits an income statement and a balance sheet', () => {
    const plans = usualPlansOf([{ id: 7, year: 2025 }], [{ key: 'facet:1', name: 'Vessel' }]);
    expect(plans.map(({ name }) => name)).toContain('By vessel, with the total');
    for (const { name, definition } of plans)
      for (const measure of ['movement', 'closing'] as const) expect(expandPlan(definition, { ...facts, measure }).faults, name).toEqual([]);
  });

  it('writes the dates of a column into its heading', () => {
    const [column] = expandPlan({ columns: [amounts('now', { heading: 'From {from} to {to}, {year}' })] }, facts).columns;
    expect(column?.kind === 'amount' && fillHeading(column.heading ?? '', column.span, (day) => day)).toBe('From 2026-01-01 to 2026-02-28, 2026');
  });
});
