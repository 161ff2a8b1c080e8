import type { ColumnPlan } from '@ivory-ladder/core';
import { useState } from 'react';
import { useListBudgetsQuery } from '../../api/budgetApi.ts';
import { useCompany } from '../../app/useCompany.ts';
import { type ComparisonKind, useSpan } from '../../app/useSpan.ts';
import { ChoiceMenu } from '../../components/ChoiceMenu.tsx';

const comparisonNames: Readonly<Record<ComparisonKind, string>> = {
  usual: 'usual',
  year_earlier: 'a year earlier',
  span_before: 'the span before',
  fixed: 'chosen days',
  none: 'none',
};
const partNames = {
  periods: { balances: 'At the end of each period', movements: 'Each period, and the total' },
  quarters: { balances: 'At the end of each quarter', movements: 'Each quarter, and the total' },
} as const;

interface ColumnMenuProps {
  /** Whether columns are balances at days rather than movements over spans. */
  readonly isBalance: boolean;
  readonly plan: ColumnPlan;
  /** Of the plan `budget`. */
  readonly budgetId: number | undefined;
  readonly change: (changes: Record<string, string | null>) => void;
}

/** What stands beside the chosen span: a comparative, a budget of its year, or its parts. */
export function ColumnMenu({ isBalance, plan, budgetId, change }: ColumnMenuProps) {
  const company = useCompany();
  const { span } = useSpan();
  const [isLookedAt, setLookedAt] = useState(false);
  // Most statements are read without; the first figures do not wait for it.
  const { data } = useListBudgetsQuery(company.id, { skip: isBalance || !(isLookedAt || plan === 'budget') });
  const year = company.years.find(({ firstDay, lastDay }) => firstDay <= span.from && span.to <= lastDay)?.year;
  const budgets = (data?.budgets ?? []).filter((budget) => budget.year === year);
  const chosenBudget = data?.budgets.find(({ id }) => id === budgetId);
  const label = {
    comparison: `Compare: ${comparisonNames[span.compare]}`,
    periods: 'Columns: periods',
    quarters: 'Columns: quarters',
    budget: `Compare: ${chosenBudget?.name ?? 'a budget'}`,
  }[plan];
  const choose = (value: string) => {
    const isBudget = value.startsWith('budget ');
    const isPlan = isBudget || value === 'periods' || value === 'quarters';
    change({
      // The column of a cell is another one then.
      cell: null,
      plan: isBudget ? 'budget' : isPlan ? value : null,
      budget: isBudget ? value.slice(7) : null,
      ...(isPlan ? {} : { compare: value, compareFrom: null, compareTo: null }),
    });
  };
  return (
    <ChoiceMenu
      label={label}
      choices={[
        ...(['usual', 'year_earlier', 'span_before', 'none'] as const).map((value) => ({
          value: value as string,
          label: comparisonLabel(value, isBalance),
          divided: value === 'none',
        })),
        ...budgets.map(({ id, name }, at) => ({ value: `budget ${id}`, label: `Budget: ${name}`, divided: at === budgets.length - 1 })),
        ...(['periods', 'quarters'] as const).map((value) => ({ value: value as string, label: partNames[value][isBalance ? 'balances' : 'movements'] })),
      ]}
      chosen={plan === 'budget' ? [`budget ${budgetId}`] : plan !== 'comparison' ? [plan] : span.compare === 'fixed' ? [] : [span.compare]}
      onChoose={choose}
      onOpen={() => setLookedAt(true)}
    />
  );
}

function comparisonLabel(kind: Exclude<ComparisonKind, 'fixed'>, isBalance: boolean): string {
  switch (kind) {
    case 'usual':
      return isBalance ? 'Usual comparative: last fiscal year end' : 'Usual comparative: the same span a year earlier';
    case 'year_earlier':
      return 'The same dates a year earlier';
    case 'span_before':
      return 'The span before';
    case 'none':
      return 'No comparison';
  }
}
