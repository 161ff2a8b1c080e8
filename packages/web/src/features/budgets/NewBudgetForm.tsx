import type { BudgetBody, CodeListBody } from '@ivory-ladder/contract';
import { isListKey } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useAddBudgetMutation } from '../../shared/api/budgetApi.ts';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './BudgetsScreen.module.css';

interface NewBudgetFormProps {
  readonly budgets: readonly BudgetBody[];
  readonly facets: readonly CodeListBody[];
  readonly onBegun: (id: number) => void;
  readonly onCancel: () => void;
}

/** A year, a name, and what it begins with. */
export function NewBudgetForm({ budgets, facets, onBegun, onCancel }: NewBudgetFormProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [add, { isLoading }] = useAddBudgetMutation();
  const [year, setYear] = useState(String(company.years.at(-1)?.year ?? ''));
  const [name, setName] = useState(budgets.some((budget) => String(budget.year) === year) ? 'Revised' : 'Original');
  const [copyOf, setCopyOf] = useState('');
  const [facet, setFacet] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const body = { year: Number(year), name: name.trim(), copyOf: copyOf === '' ? null : Number(copyOf), facet: isListKey(facet) ? facet : null };
    const { data, error } = await add({ companyId: company.id, body });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    dispatch(noticeGiven({ tone: 'done', text: `Begun: the budget ${data.name}.` }));
    onBegun(data.id);
  };
  return (
    <form className={styles.begin} aria-label="New budget" onSubmit={(event) => void submit(event)} onKeyDown={(event) => event.key === 'Escape' && onCancel()}>
      <label>
        Year
        <Select autoFocus value={year} onChange={(event) => setYear(event.target.value)}>
          {[...company.years].reverse().map((made) => (
            <option key={made.year} value={made.year}>
              {made.name}
            </option>
          ))}
        </Select>
      </label>
      <label>
        Name
        <input className={styles.field} value={name} maxLength={200} required onChange={(event) => setName(event.target.value)} />
      </label>
      <label>
        Begins
        <Select value={copyOf} onChange={(event) => setCopyOf(event.target.value)}>
          <option value="">empty</option>
          {budgets.map((budget) => (
            <option key={budget.id} value={budget.id}>
              as {budget.name} {company.years.find((made) => made.year === budget.year)?.name}
            </option>
          ))}
        </Select>
      </label>
      {facets.length > 0 && copyOf === '' && (
        <label>
          Parts
          <Select value={facet} onChange={(event) => setFacet(event.target.value)}>
            <option value="">none</option>
            {facets.map(({ key, name: facetName }) => (
              <option key={key} value={key}>
                by {facetName}
              </option>
            ))}
          </Select>
        </label>
      )}
      <Button type="submit" variant="contained" disabled={isLoading || name.trim() === ''}>
        Begin
      </Button>
      <Button onClick={onCancel}>Cancel</Button>
    </form>
  );
}
