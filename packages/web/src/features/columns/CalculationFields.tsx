import { betweenKeys, checkFormula, columnResults, type PlanColumn, readFormula } from '@ivory-ladder/core';
import field from '../../shared/components/Field.module.css';
import { SelectField } from '../../shared/components/SelectField.tsx';
import { formulaFaultText } from '../../shared/words/formulaFaultText.ts';
import styles from './ColumnPlansScreen.module.css';

interface CalculationFieldsProps {
  readonly column: Extract<PlanColumn, { kind: 'calculation' }>;
  /** What its formula can name. */
  readonly amounts: readonly PlanColumn[];
  readonly disabled: boolean;
  readonly onChange: (column: PlanColumn, what: string, merge?: string) => void;
}

const resultNames = { amount: 'an amount', ratio: 'a ratio', percent: 'a percent' } as const;

/** A formula over columns, and what it comes to. */
export function CalculationFields({ column, amounts, disabled, onChange }: CalculationFieldsProps) {
  const read = readFormula(column.formula);
  const keys = amounts.map(({ key }) => key);
  const fault = read.ok ? checkFormula(read.value, { has: (key) => keys.includes(key), between: betweenKeys(keys) })[0] : read.failure;
  return (
    <>
      <label className={field.field}>
        <span className={field.label}>Formula over columns</span>
        <input
          className={field.input}
          value={column.formula}
          maxLength={500}
          spellCheck={false}
          disabled={disabled}
          aria-invalid={fault !== undefined}
          onChange={({ target: { value } }) => onChange({ ...column, formula: value }, 'Formula', `formula ${column.key}`)}
        />
      </label>
      {fault && (
        <p className={styles.wrong} role="alert">
          {formulaFaultText(fault).replaceAll('line', 'column')}
        </p>
      )}
      <p className={styles.note}>Columns of amounts by key: {keys.join(', ') || 'none yet'}. As in lines: + − × ÷, min, max, abs, sum, if.</p>
      <SelectField
        label="It comes to"
        value={column.result}
        choices={columnResults.map((value) => ({ value, label: resultNames[value] }))}
        disabled={disabled}
        onChange={(result) => onChange({ ...column, result }, 'Result')}
      />
    </>
  );
}
