import type { BudgetList, CodeListBody, StatementBody } from '@ivory-ladder/contract';
import type { PlanColumn, PlanDefinition } from '@ivory-ladder/core';
import field from '../../shared/components/Field.module.css';
import { SelectField } from '../../shared/components/SelectField.tsx';
import { AmountsFields } from './AmountsFields.tsx';
import { CalculationFields } from './CalculationFields.tsx';
import styles from './ColumnPlansScreen.module.css';
import { FormatFields } from './FormatFields.tsx';
import { headingText } from './planWords.ts';

interface ColumnFieldsProps {
  readonly column: PlanColumn;
  readonly plan: PlanDefinition;
  readonly lists: readonly CodeListBody[];
  readonly budgets: BudgetList['budgets'];
  /** Of the sample, whose lines a share can be of. */
  readonly rows: StatementBody['rows'];
  readonly disabled: boolean;
  readonly onChange: (column: PlanColumn, what: string, merge?: string) => void;
}

/** What one column is: its heading, and what stands in it. */
export function ColumnFields({ column, plan, lists, budgets, rows, disabled, onChange }: ColumnFieldsProps) {
  const amounts = plan.columns.filter((one) => one.kind === 'amounts');
  const typed = (name: 'heading' | 'group', label: string, placeholder: string) => (
    <label className={field.field}>
      <span className={field.label}>{label}</span>
      <input
        className={field.input}
        value={column[name]}
        placeholder={placeholder}
        maxLength={100}
        disabled={disabled}
        onChange={({ target: { value } }) => onChange({ ...column, [name]: value }, label, `${name} ${column.key}`)}
      />
    </label>
  );
  const other = (label: string, value: string, change: (key: string) => PlanColumn) => (
    <SelectField
      label={label}
      value={value}
      choices={[
        ...(amounts.some(({ key }) => key === value) ? [] : [{ value, label: 'choose a column' }]),
        ...amounts.map((one) => ({ value: one.key, label: `${headingText(one)} (${one.key})` })),
      ]}
      disabled={disabled}
      onChange={(key) => onChange(change(key), label)}
    />
  );
  return (
    <>
      {typed('heading', 'Heading', '{from}, {to} and {year} stand for its dates')}
      {typed('group', 'Above it, over columns beside each other', 'none')}
      {column.kind === 'amounts' && <AmountsFields column={column} lists={lists} budgets={budgets} disabled={disabled} onChange={onChange} />}
      {(column.kind === 'change' || column.kind === 'percent') && (
        <>
          {other('Of', column.of, (of) => ({ ...column, of }))}
          {other('Less', column.against, (against) => ({ ...column, against }))}
          {column.kind === 'percent' && <p className={styles.note}>By the size of what is taken off; a dash where that is nil.</p>}
        </>
      )}
      {column.kind === 'calculation' && <CalculationFields column={column} amounts={amounts} disabled={disabled} onChange={onChange} />}
      <SelectField
        label="Width"
        value={column.width ?? 'usual'}
        choices={(['usual', 'narrow', 'wide'] as const).map((value) => ({ value, label: value }))}
        disabled={disabled}
        onChange={(value) => {
          const { width: _, ...others } = column;
          onChange(value === 'usual' ? others : { ...others, width: value }, 'Width');
        }}
      />
      {column.kind !== 'text' && <FormatFields column={column} disabled={disabled} onChange={onChange} />}
      {column.kind === 'share' && (
        <>
          {other('In', column.of, (of) => ({ ...column, of }))}
          <SelectField
            label="Share of the line"
            value={column.line}
            choices={linesToShare(rows, column.line)}
            disabled={disabled}
            onChange={(line) => onChange({ ...column, line }, 'Line')}
          />
          <p className={styles.note}>A layout without this line shows a dash.</p>
        </>
      )}
    </>
  );
}

/** The chosen one first, whether or not the sample has it. */
function linesToShare(rows: StatementBody['rows'], chosen: string): { readonly value: string; readonly label: string }[] {
  const caption = rows.find(({ key, role }) => key === chosen && role !== 'heading')?.caption ?? (chosen || 'choose a line');
  const others = rows.filter(({ role, accountId, key }) => accountId === null && key !== chosen && (role === 'line' || role === 'total' || role === 'final'));
  return [{ value: chosen, label: caption }, ...others.map(({ key, caption: label }) => ({ value: key, label }))];
}
