import { fail, type Outcome, ordinaryPeriods, periodIndexOf, type Span, succeed, toPresentation, yearName } from '@ivory-ladder/core';
import { findBudget } from '../budgets/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';

/** Amounts by dense number of the account, debit positive. */
export interface BudgetedColumn {
  readonly name: string;
  readonly net: BigInt64Array;
}

/** What a budget has over a span of whole periods of its year, all parts together. */
export async function budgetOver(ports: Pick<Ports, 'budgets'>, books: Books, budgetId: number, span: Span): Promise<Outcome<BudgetedColumn, Failure>> {
  const { company, calendar, cube, translation } = books;
  const found = await findBudget(ports, company.id, budgetId);
  if (!found.ok) return found;
  const budget = found.value;
  const year = calendar.years.find((made) => made.year === budget.year);
  if (!year || span.firstDay < year.firstDay || span.lastDay > year.lastDay)
    return fail({ code: 'budget_of_other_year', name: budget.name, year: year ? yearName(year) : String(budget.year) });
  const periods = ordinaryPeriods(year.periods).filter(({ firstDay, lastDay }) => firstDay >= span.firstDay && lastDay <= span.lastDay);
  if (periods[0]?.firstDay !== span.firstDay || periods.at(-1)?.lastDay !== span.lastDay)
    return fail({ code: 'budget_needs_whole_periods', name: budget.name });
  const byPeriod = new Map(periods.map(({ number }) => [number, new BigInt64Array(cube.accountIds.length)]));
  for (const { accountId, period, net: amount } of await ports.budgets.amounts(company.id, budget, null)) {
    const at = cube.indexOf.get(accountId);
    const sums = byPeriod.get(period);
    if (at !== undefined && sums) sums[at] = (sums[at] as bigint) + amount;
  }
  const net = new BigInt64Array(cube.accountIds.length);
  for (const { number, firstDay } of periods) {
    const sums = byPeriod.get(number) as BigInt64Array;
    const rate = translation?.given.rates.averageOf(periodIndexOf(calendar, firstDay));
    if (translation && !rate && sums.some((amount) => amount !== 0n))
      return fail({ code: 'rates_missing', currency: company.currency.code, rates: [{ kind: 'average', day: firstDay }], more: 0 });
    for (const [at, amount] of sums.entries())
      net[at] = (net[at] as bigint) + (translation && rate ? toPresentation(amount, translation.given.from, company.currency, rate) : amount);
  }
  return succeed({ name: budget.name, net });
}
