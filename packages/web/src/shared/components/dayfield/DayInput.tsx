import type { InputHTMLAttributes } from 'react';
import { CalendarButton } from './CalendarButton.tsx';
import styles from './DayInput.module.css';
import { type TypedDayProps, useTypedDay } from './useTypedDay.ts';

interface DayInputProps extends TypedDayProps, Pick<InputHTMLAttributes<HTMLInputElement>, 'aria-label' | 'className' | 'disabled' | 'required' | 'title'> {
  /** As wide as what it stands in, and not as a day is. */
  readonly wide?: boolean;
}

/**
 * A day in the language of the application, `30 Sep 2026`; a native field would show it in the order of the browser's country.
 * Takes it as people write it, or from a calendar; arrows up and down go by days, Page Up and Page Down by months.
 */
export function DayInput({ value, onChange, min, className = '', disabled = false, wide = false, title, ...rest }: DayInputProps) {
  const { input, text, fault, type, settle, choose, onKeyDown, isOpen, setOpen } = useTypedDay({ value, onChange, ...(min === undefined ? {} : { min }) });
  return (
    <span className={wide ? `${styles.frame} ${styles.wide}` : styles.frame}>
      <input
        {...rest}
        ref={input}
        type="text"
        className={`${className} ${styles.text}`}
        value={text}
        disabled={disabled}
        title={fault ?? title}
        placeholder="day"
        autoComplete="off"
        aria-haspopup="dialog"
        aria-invalid={fault !== null || undefined}
        onChange={(event) => type(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={settle}
        onKeyDown={onKeyDown}
      />
      <CalendarButton field={input} value={value} min={min} disabled={disabled} isOpen={isOpen} onOpen={setOpen} onChoose={choose} />
    </span>
  );
}
