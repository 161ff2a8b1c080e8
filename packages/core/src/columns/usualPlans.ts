import type { ListKey } from '../chart/codeList.ts';
import { type AmountsPlanColumn, newPlanColumn, ownPeriod, type PlanColumn, type PlanDefinition } from './planDefinition.ts';

const amounts = (key: string, more: Partial<AmountsPlanColumn> = {}): AmountsPlanColumn => ({
  ...(newPlanColumn('amounts', key) as AmountsPlanColumn),
  ...more,
});
const between = (of: string, against: string): PlanColumn[] => [
  newPlanColumn('change', `change_${of}`, of, against),
  newPlanColumn('percent', `percent_${of}`, of, against),
];
const yearsBack = (by: number) => ({ ...ownPeriod, moved: { by: -by, unit: 'years' as const } });

interface NamedPlan {
  readonly name: string;
  readonly definition: PlanDefinition;
}

/** Plans to begin with, by what they are for. */
export const usualPlans: readonly NamedPlan[] = [
  {
    name: 'This year and last, with change and percent',
    definition: { columns: [amounts('now'), amounts('before', { period: yearsBack(1) }), ...between('now', 'before')] },
  },
  { name: 'Months with their total', definition: { columns: [amounts('months', { repeat: 'periods' })] } },
  {
    name: 'Quarter and year to date, with the year before',
    definition: {
      columns: [
        amounts('quarter', { measure: 'movement', period: { ...ownPeriod, base: 'quarter_to_date' }, group: 'Quarter to date' }),
        amounts('quarter_before', { measure: 'movement', period: { ...yearsBack(1), base: 'quarter_to_date' }, group: 'Quarter to date' }),
        amounts('year', { measure: 'movement', period: { ...ownPeriod, base: 'year_to_date' }, group: 'Year to date' }),
        amounts('year_before', { measure: 'movement', period: { ...yearsBack(1), base: 'year_to_date' }, group: 'Year to date' }),
        ...between('year', 'year_before'),
      ],
    },
  },
  {
    name: 'Twelve months rolling',
    definition: { columns: [amounts('rolling', { measure: 'movement', period: { ...ownPeriod, base: 'trailing' }, repeat: 'periods' })] },
  },
  {
    name: 'Balances at three dates',
    definition: {
      columns: [amounts('now', { measure: 'closing' }), ...[1, 2].map((by) => amounts(`before_${by}`, { measure: 'closing', period: yearsBack(by) }))],
    },
  },
  {
    name: 'Opening, movement and closing',
    definition: {
      columns: [
        amounts('opening', { measure: 'opening', heading: 'Opening' }),
        amounts('movement', { measure: 'movement', heading: 'Movement' }),
        amounts('closing', { measure: 'closing', heading: 'Closing' }),
      ],
    },
  },
];

/** Of a company: those for all, those beside its latest budget where it has one, and one for each facet. */
export function usualPlansOf(
  budgets: readonly { readonly id: number; readonly year: number }[],
  facets: readonly { readonly key: ListKey; readonly name: string }[],
): readonly NamedPlan[] {
  const [latest] = budgets.toSorted((a, b) => b.year - a.year || b.id - a.id);
  return [
    ...usualPlans,
    ...(latest ? besideBudget(latest.id) : []),
    ...facets.map(({ key, name }) => ({
      name: `By ${name.toLowerCase()}, with the total`,
      definition: { columns: [amounts('parts', { measure: 'movement', repeat: key })] },
    })),
  ];
}

function besideBudget(budgetId: number): readonly NamedPlan[] {
  const over = (base: 'quarter_to_date' | 'year_to_date', key: string, group: string): PlanColumn[] => {
    const shared = { measure: 'movement' as const, period: { ...ownPeriod, base }, group };
    const pair = [amounts(key, shared), amounts(`${key}_planned`, { ...shared, budgetId })];
    return [...pair, ...between(key, `${key}_planned`).map((column) => ({ ...column, group }))];
  };
  return [
    {
      name: 'This year, last year and budget',
      definition: {
        columns: [
          amounts('now'),
          amounts('before', { period: yearsBack(1) }),
          ...between('now', 'before'),
          amounts('planned', { budgetId }),
          { ...newPlanColumn('change', 'against_budget', 'now', 'planned'), heading: 'Against budget' },
        ],
      },
    },
    {
      name: 'Quarter and year to date against budget',
      definition: { columns: [...over('quarter_to_date', 'quarter', 'Quarter to date'), ...over('year_to_date', 'year', 'Year to date')] },
    },
  ];
}
