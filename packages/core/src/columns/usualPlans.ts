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

/** Plans to begin with, by what they are for. */
export const usualPlans: readonly { readonly name: string; readonly definition: PlanDefinition }[] = [
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
