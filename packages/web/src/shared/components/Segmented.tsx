import styles from './Segmented.module.css';

interface SegmentedProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly choices: readonly { readonly value: Value; readonly label: string; readonly says?: string }[];
  readonly disabled?: boolean;
  readonly onChange: (value: Value) => void;
}

/** A few choices side by side, one of which holds. */
export function Segmented<Value extends string>({ label, value, choices, disabled = false, onChange }: SegmentedProps<Value>) {
  return (
    <div className={styles.field}>
      <span className={styles.label}>{label}</span>
      <div className={styles.segments} role="group" aria-label={label}>
        {choices.map((choice) => (
          <button
            key={choice.value}
            type="button"
            title={choice.says}
            disabled={disabled}
            aria-pressed={choice.value === value}
            onClick={() => choice.value !== value && onChange(choice.value)}
          >
            {choice.label}
          </button>
        ))}
      </div>
    </div>
  );
}
