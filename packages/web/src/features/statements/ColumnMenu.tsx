import type { StatementBody } from '@ivory-ladder/contract';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useListBudgetsQuery } from '../../shared/api/budgetApi.ts';
import { useListColumnPlansQuery } from '../../shared/api/columnPlanApi.ts';
import type { PlanParams } from '../../shared/api/statementParams.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import type { ComparisonKind } from '../../shared/state/spanInAddress.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';

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
  readonly planned: PlanParams;
  /** What the statement was run with. */
  readonly ran: StatementBody['plan'] | undefined;
  readonly change: (changes: Record<string, string | null>) => void;
}

/** What stands beside the chosen span: a comparative, a budget of its year, or its parts. */
export function ColumnMenu({ isBalance, planned, ran, change }: ColumnMenuProps) {
  const plan = planned.plan ?? ran?.plan ?? 'comparison';
  const planId = planned.planId ?? ran?.planId ?? undefined;
  const { budget: budgetId } = planned;
  const navigate = useNavigate();
  const { search } = useLocation();
  const company = useCompany();
  const { span } = useSpan();
  const [isLookedAt, setLookedAt] = useState(false);
  // Most statements are read without; the first figures do not wait for it.
  const { data } = useListBudgetsQuery({ companyId: company.id }, { skip: !(isLookedAt || plan === 'budget') });
  const { data: composed } = useListColumnPlansQuery({ companyId: company.id }, { skip: !(isLookedAt || plan === 'composed') });
  const plans = composed?.plans ?? [];
  const year = company.years.find(({ firstDay, lastDay }) => firstDay <= span.from && span.to <= lastDay)?.year;
  const budgets = (data?.budgets ?? []).filter((budget) => budget.year === year);
  const chosenBudget = data?.budgets.find(({ id }) => id === budgetId);
  const label = {
    comparison: `Compare: ${comparisonNames[span.compare]}`,
    periods: 'Columns: periods',
    quarters: 'Columns: quarters',
    budget: `Compare: ${chosenBudget?.name ?? 'a budget'}`,
    composed: `Columns: ${plans.find(({ id }) => id === planId)?.name ?? 'composed'}`,
  }[plan];
  const choose = (value: string) => {
    if (value === 'compose') return void navigate({ pathname: `/companies/${company.id}/layouts/columns`, search });
    const isBudget = value.startsWith('budget ');
    const isComposed = value.startsWith('plan ');
    const isPlan = isBudget || isComposed || value === 'periods' || value === 'quarters';
    change({
      // The column of a cell is another one then.
      cell: null,
      plan: isBudget ? 'budget' : isComposed ? 'composed' : isPlan ? value : 'comparison',
      planId: isComposed ? value.slice(5) : null,
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
        ...(['periods', 'quarters'] as const).map((value) => ({
          value: value as string,
          label: partNames[value][isBalance ? 'balances' : 'movements'],
          divided: value === 'quarters',
        })),
        ...plans.map(({ id, name }) => ({ value: `plan ${id}`, label: name })),
        { value: 'compose', label: 'Compose columns…' },
      ]}
      chosen={chosenOf({ plan, budget: budgetId, planId }, span.compare)}
      onChoose={choose}
      onOpen={() => setLookedAt(true)}
    />
  );
}

function chosenOf({ plan, budget, planId }: PlanParams, compare: ComparisonKind): string[] {
  if (plan === 'budget') return [`budget ${budget}`];
  if (plan === 'composed') return [`plan ${planId}`];
  if (plan !== undefined && plan !== 'comparison') return [plan];
  return compare === 'fixed' ? [] : [compare];
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
