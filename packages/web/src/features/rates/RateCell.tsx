import { useEffect, useRef, useState } from 'react';
import styles from './RatesScreen.module.css';

interface RateCellProps {
  readonly label: string;
  readonly value: string;
  /** Gives why it was not taken, or `null`. */
  readonly onSave: (text: string) => Promise<string | null>;
}

/** A rate in its field: Enter takes it and goes down, Escape leaves it as it was; what is refused stays, with the reason. */
export function RateCell({ label, value, onSave }: RateCellProps) {
  const [text, setText] = useState(value);
  const [refusal, setRefusal] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => setText(value), [value]);
  const save = async () => {
    if (text.trim() === value) return setRefusal(null);
    setRefusal(await onSave(text));
  };
  return (
    <>
      <input
        ref={field}
        className={styles.cell}
        inputMode="decimal"
        aria-label={label}
        aria-invalid={refusal !== null}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => void save()}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setText(value);
          const step = event.key === 'ArrowUp' ? -1 : event.key === 'Enter' || event.key === 'ArrowDown' ? 1 : 0;
          if (step === 0) return;
          event.preventDefault();
          const column = event.currentTarget.closest('td')?.cellIndex ?? 0;
          const row = event.currentTarget.closest('tr');
          const next = (step > 0 ? row?.nextElementSibling : row?.previousElementSibling) as HTMLTableRowElement | null | undefined;
          const input = next?.cells[column]?.querySelector('input');
          if (input) input.select();
          else void save();
          input?.focus();
        }}
      />
      {refusal !== null && (
        <span role="alert" className={styles.refusal}>
          {refusal}
        </span>
      )}
    </>
  );
}
