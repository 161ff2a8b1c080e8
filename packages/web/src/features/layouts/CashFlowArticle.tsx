import type { CashFlowOptions } from '@ivory-ladder/core';
import { Link, useLocation } from 'react-router';
import { Select } from '../../shared/components/Select.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import styles from './LayoutsScreen.module.css';

interface CashFlowArticleProps {
  readonly options: CashFlowOptions;
  readonly disabled: boolean;
  readonly onChange: (options: CashFlowOptions) => void;
}

type Choice = {
  [Name in keyof CashFlowOptions]: { readonly name: Name; readonly label: string; readonly values: Readonly<Record<CashFlowOptions[Name], string>> };
}[keyof CashFlowOptions];

const activities = { operating: 'operating activities', investing: 'investing activities', financing: 'financing activities' } as const;
const { operating, investing, financing } = activities;

const choices: readonly Choice[] = [
  {
    name: 'start',
    label: 'Begins with',
    values: { profit: 'profit for the period', profit_before_tax: 'profit before tax', operating_profit: 'operating profit' },
  },
  { name: 'interestPaid', label: 'Interest paid', values: { operating, financing } },
  { name: 'interestReceived', label: 'Interest received', values: { operating, investing } },
  { name: 'dividendsPaid', label: 'Dividends paid', values: { operating, financing } },
  { name: 'dividendsReceived', label: 'Dividends received', values: { operating, investing } },
  { name: 'overdrafts', label: 'Bank overdrafts', values: { cash: 'part of cash', financing: 'financing activities' } },
];

/** What can be set for the generated cash flow. */
export function CashFlowArticle({ options, disabled, onChange }: CashFlowArticleProps) {
  const company = useCompany();
  const { search } = useLocation();
  return (
    <article>
      <h2>
        <Link to={{ pathname: `/companies/${company.id}/statements/cash-flow`, search }}>Cash flow</Link>
      </h2>
      <p className={styles.quiet}>Indirect: profit, freed of what moves no cash, and what every other account moved, by the nature of its category.</p>
      {choices.map(({ name, label, values }) => (
        <label key={name} className={styles.setting}>
          <span>{label}</span>
          <Select value={options[name]} disabled={disabled} onChange={({ target: { value } }) => onChange({ ...options, [name]: value })}>
            {Object.entries(values).map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </Select>
        </label>
      ))}
      <p className={styles.quiet}>
        IFRS from 2027: operating profit; paid in financing, received in investing activities. What a category’s flows are is said in its settings under
        Placement.
      </p>
    </article>
  );
}
