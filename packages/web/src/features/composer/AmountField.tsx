import { type Currency, formatAmount } from '@ivory-ladder/core';
import { useState } from 'react';
import { typedAmount } from '../../shared/components/typedAmount.ts';
import styles from './LinePanel.module.css';

interface AmountFieldProps {
  readonly label: string;
  /** Minor units in decimal. */
  readonly value: string;
  readonly currency: Currency;
  readonly disabled: boolean;
  readonly onChange: (value: string) => void;
}

/** An amount as somebody types it; what cannot be read changes nothing and is marked. */
export function AmountField({ label, value, currency, disabled, onChange }: AmountFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && typedAmount(typed, currency) === null;
  return (
    <label className={styles.field}>
      <span className={styles.label}>{label}</span>
      <input
        className={styles.input}
        inputMode="decimal"
        value={typed ?? formatAmount(BigInt(value), currency)}
        disabled={disabled}
        aria-invalid={isWrong}
        onChange={({ target }) => {
          setTyped(target.value);
          const amount = typedAmount(target.value, currency);
          if (amount !== null) onChange(amount.toString());
        }}
        onBlur={() => !isWrong && setTyped(null)}
      />
    </label>
  );
}
