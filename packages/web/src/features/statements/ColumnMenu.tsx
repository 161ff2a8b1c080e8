import type { ColumnPlan } from '@ivory-ladder/core';
import { useState } from 'react';
import { useListBudgetsQuery } from '../../api/budgetApi.ts';
import type { StatementKind } from '../../api/statementApi.ts';
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
  periods: { 'balance-sheet': 'At the end of each period', 'income-statement': 'Each period, and the total' },
  quarters: { 'balance-sheet': 'At the end of each quarter', 'income-statement': 'Each quarter, and the total' },
} as const;

interface ColumnMenuProps {
  readonly kind: StatementKind;
  readonly plan: ColumnPlan;
  /** Of the plan `budget`. */
  readonly budgetId: number | undefined;
  readonly change: (changes: Record<string, string | null>) => void;
}

/** What stands beside the chosen span: a comparative, a budget of its year, or its parts. */
export function ColumnMenu({ kind, plan, budgetId, change }: ColumnMenuProps) {
  const company = useCompany();
  const { span } = useSpan();
  const [isLookedAt, setLookedAt] = useState(false);
  // Most statements are read without; the first figures do not wait for it.
  const { data } = useListBudgetsQuery(company.id, { skip: kind === 'balance-sheet' || !(isLookedAt || plan === 'budget') });
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
          label: comparisonLabel(value, kind),
          divided: value === 'none',
        })),
        ...budgets.map(({ id, name }, at) => ({ value: `budget ${id}`, label: `Budget: ${name}`, divided: at === budgets.length - 1 })),
        ...(['periods', 'quarters'] as const).map((value) => ({ value: value as string, label: partNames[value][kind] })),
      ]}
      chosen={plan === 'budget' ? [`budget ${budgetId}`] : plan !== 'comparison' ? [plan] : span.compare === 'fixed' ? [] : [span.compare]}
      onChoose={choose}
      onOpen={() => setLookedAt(true)}
    />
  );
}

function comparisonLabel(kind: Exclude<ComparisonKind, 'fixed'>, statement: StatementKind): string {
  switch (kind) {
    case 'usual':
      return statement === 'balance-sheet' ? 'Usual comparative: last fiscal year end' : 'Usual comparative: the same span a year earlier';
    case 'year_earlier':
      return 'The same dates a year earlier';
    case 'span_before':
      return 'The span before';
    case 'none':
      return 'No comparison';
  }
}
