import styles from './Field.module.css';
import { Select } from './Select.tsx';

interface SelectFieldProps<Value extends string | number> {
  readonly label: string;
  readonly value: Value;
  readonly choices: readonly { readonly value: Value; readonly label: string }[];
  readonly disabled: boolean;
  readonly onChange: (value: Value) => void;
}

/** One of several, chosen from a list; `value` is among the choices. */
export function SelectField<Value extends string | number>({ label, value, choices, disabled, onChange }: SelectFieldProps<Value>) {
  return (
    <label className={styles.field}>
      <span className={styles.label}>{label}</span>
      <Select
        wide
        value={value}
        disabled={disabled}
        onChange={({ target }) => {
          const chosen = choices[target.selectedIndex];
          if (chosen) onChange(chosen.value);
        }}
      >
        {choices.map((choice) => (
          <option key={choice.value} value={choice.value}>
            {choice.label}
          </option>
        ))}
      </Select>
    </label>
  );
}
