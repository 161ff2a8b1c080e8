import Button from '@mui/material/Button';
import { useState } from 'react';
import { useGetBudgetGridQuery, useListBudgetsQuery } from '../../shared/api/budgetApi.ts';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { LedgerTabs } from '../ledger/index.ts';
import { BudgetLock } from './BudgetLock.tsx';
import { BudgetSheet } from './BudgetSheet.tsx';
import styles from './BudgetsScreen.module.css';
import { NewBudgetForm } from './NewBudgetForm.tsx';

/** What stands beside it: what was posted, the year before, or another version by its id. */
function againstOf(text: string | null): 'actual' | 'year_before' | number | undefined {
  return text === 'actual' || text === 'year_before' ? text : Number(text) || undefined;
}

/** A budget of a fiscal year, one version at a time: written in a grid, beside what was posted or another version. */
export function BudgetsScreen() {
  const company = useCompany();
  const [params, change] = useAddress();
  const mayKeep = useMay('keep_budgets_and_rates');
  const [isBeginning, setBeginning] = useState(false);
  const { data: list, error } = useListBudgetsQuery({ companyId: company.id });
  const { data: codeLists } = useListCodeListsQuery({ companyId: company.id });
  const budgets = list?.budgets ?? [];
  const chosen = budgets.find(({ id }) => id === Number(params.get('budget'))) ?? budgets[0];
  const facet = codeLists?.lists.find(({ key }) => key === chosen?.facet);
  const part = facet ? (params.get('part') ?? undefined) : undefined;
  // The empty part is told from all parts together.
  const partAsked = part === 'none' ? '' : part;
  const against = againstOf(params.get('against'));
  const { data: grid, error: gridError } = useGetBudgetGridQuery(
    { companyId: company.id, budgetId: chosen?.id ?? 0, part: partAsked, against },
    { skip: !chosen },
  );
  const yearNameOf = (year: number) => company.years.find((made) => made.year === year)?.name ?? String(year);
  return (
    <section className={styles.sheet} aria-labelledby="budgets-title">
      <header className={styles.head}>
        <div>
          <LedgerTabs />
          <h1 id="budgets-title" className="unseen">
            Budgets
          </h1>
        </div>
        {chosen && (
          <p className={styles.hint}>
            In {company.currency}, income and expenses positive.
            {facet && part === undefined && ` Choose a part by ${facet.name} to write in it.`}
          </p>
        )}
        {mayKeep && !isBeginning && (
          <Button variant={budgets.length === 0 ? 'contained' : 'text'} disabled={company.years.length === 0} onClick={() => setBeginning(true)}>
            New budget…
          </Button>
        )}
      </header>
      {isBeginning && (
        <NewBudgetForm
          budgets={budgets}
          facets={(codeLists?.lists ?? []).filter(({ kind }) => kind === 'facet')}
          onBegun={(id) => {
            setBeginning(false);
            change({ budget: String(id), part: null, against: null });
          }}
          onCancel={() => setBeginning(false)}
        />
      )}
      {chosen && (
        <div className={styles.tools}>
          <Select aria-label="Budget" value={chosen.id} onChange={(event) => change({ budget: event.target.value, part: null, against: null })}>
            {budgets.map(({ id, year, name, lock }) => (
              <option key={id} value={id}>
                {yearNameOf(year)} · {name}
                {lock ? ' (locked)' : ''}
              </option>
            ))}
          </Select>
          {facet && (
            <Select aria-label="Part" value={part ?? ''} onChange={(event) => change({ part: event.target.value })}>
              <option value="">all of {facet.name} together</option>
              <option value="none">without {facet.name}</option>
              {facet.codes.map(({ code, caption }) => (
                <option key={code} value={code}>
                  {caption || code}
                </option>
              ))}
            </Select>
          )}
          <Select aria-label="Compare with" value={against ?? ''} onChange={(event) => change({ against: event.target.value })}>
            <option value="">months, nothing beside them</option>
            <option value="actual">beside what was posted in {yearNameOf(chosen.year)}</option>
            <option value="year_before">beside what was posted a year before</option>
            {budgets
              .filter(({ id }) => id !== chosen.id)
              .map(({ id, year, name }) => (
                <option key={id} value={id}>
                  beside {name}
                  {year === chosen.year ? '' : ` ${yearNameOf(year)}`}
                </option>
              ))}
          </Select>
          <BudgetLock key={`${chosen.id} ${chosen.version}`} budget={chosen} onDeleted={() => change({ budget: null, part: null, against: null })} />
        </div>
      )}
      {(error ?? gridError) !== undefined && !grid && <EmptyState title="The budget cannot be shown">{describeFailure(error ?? gridError)}</EmptyState>}
      {list && budgets.length === 0 && !isBeginning && (
        <EmptyState title="No budget yet">
          <p>
            {company.years.length === 0
              ? 'A budget is of a fiscal year, and none was made yet: make one on the calendar.'
              : 'Begin one with New budget: it can be filled from what was posted a year before, by year’s amounts that are spread, or from a spreadsheet.'}
          </p>
        </EmptyState>
      )}
      {chosen && grid && grid.budget.id === chosen.id && (
        <BudgetSheet
          key={`${chosen.id} ${part ?? ''}`}
          grid={grid}
          part={partAsked}
          isWritten={mayKeep && chosen.lock === null && !against && (chosen.facet === null || part !== undefined)}
          yearName={yearNameOf(chosen.year)}
        />
      )}
    </section>
  );
}
