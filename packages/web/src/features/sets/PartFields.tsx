import type { ColumnPlanBody, SetPartBody } from '@ivory-ladder/contract';
import { useState } from 'react';
import { Select } from '../../shared/components/Select.tsx';
import styles from './SetsScreen.module.css';

interface PartFieldsProps {
  readonly part: SetPartBody;
  readonly plans: readonly ColumnPlanBody[];
  readonly onChange: (part: SetPartBody, what: string) => void;
}

const details = { '1': 'Categories', '2': 'Subcategories', '3': 'Three rungs', '4': 'Four rungs', accounts: 'Accounts' } as const;

/** How one statement of a set is run: its columns, how deep it opens, what it is called. */
export function PartFields({ part, plans, onChange }: PartFieldsProps) {
  const { columns, detail, zeroLines, title } = part;
  const [typed, setTyped] = useState<string | null>(null);
  const leave = () => {
    const next = typed?.trim() ?? title;
    setTyped(null);
    if (next !== title) onChange({ ...part, title: next }, 'Title');
  };
  const chosen = columns === null ? 'own' : columns.plan === 'composed' ? String(columns.planId) : columns.plan;
  return (
    <>
      <label className={styles.field}>
        Columns
        <Select wide value={chosen} onChange={({ target: { value } }) => onChange({ ...part, columns: columnsOf(value) }, 'Columns')}>
          <option value="own">As the layout has them</option>
          <option value="comparison">Beside the comparative</option>
          <option value="periods">Each period</option>
          <option value="quarters">Each quarter</option>
          {plans.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      </label>
      <label className={styles.field}>
        Detail
        <Select
          wide
          value={String(detail)}
          onChange={({ target: { value } }) => onChange({ ...part, detail: value === 'accounts' ? value : Number(value) }, 'Detail')}
        >
          {Object.entries(details).map(([value, label]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </Select>
      </label>
      <label className={styles.field}>
        Title
        <input
          className={styles.input}
          value={typed ?? title}
          maxLength={200}
          placeholder="That of the layout"
          onChange={({ target: { value } }) => setTyped(value)}
          onBlur={leave}
          onKeyDown={(event) => event.key === 'Enter' && leave()}
        />
      </label>
      <label className={styles.check}>
        <input type="checkbox" checked={zeroLines} onChange={({ target: { checked } }) => onChange({ ...part, zeroLines: checked }, 'Lines without amounts')} />
        Lines without amounts too
      </label>
    </>
  );
}

function columnsOf(value: string): SetPartBody['columns'] {
  switch (value) {
    case 'own':
      return null;
    case 'comparison':
    case 'periods':
    case 'quarters':
      return { plan: value };
    default:
      return { plan: 'composed', planId: Number(value) };
  }
}
