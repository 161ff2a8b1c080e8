import type { Day } from '@ivory-ladder/core';
import CalendarIcon from '@mui/icons-material/CalendarTodayOutlined';
import Popover from '@mui/material/Popover';
import { lazy, type RefObject, Suspense } from 'react';
import styles from './DayInput.module.css';

const DayCalendar = lazy(() => import('./DayCalendar.tsx'));

interface CalendarButtonProps {
  readonly field: RefObject<HTMLInputElement | null>;
  readonly value: Day | '';
  readonly min: Day | undefined;
  readonly disabled: boolean;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly onChoose: (day: Day) => void;
}

/** For the pointer alone, and so told to nobody else: from the keyboard the calendar opens in the field, by Alt and the arrow down. */
export function CalendarButton({ field, value, min, disabled, isOpen, onOpen, onChoose }: CalendarButtonProps) {
  return (
    <>
      <button
        type="button"
        className={styles.calendar}
        tabIndex={-1}
        aria-hidden
        disabled={disabled}
        title="Calendar (Alt+↓)"
        onClick={(event) => {
          // A label around the field would send the focus there.
          event.preventDefault();
          onOpen(true);
        }}
      >
        <CalendarIcon fontSize="inherit" />
      </button>
      {isOpen && (
        <Popover
          open
          anchorEl={field.current}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
          onClose={() => onOpen(false)}
          slotProps={{ paper: { role: 'dialog', 'aria-label': 'Choose a day' } }}
        >
          <Suspense fallback={<div className={styles.waiting} />}>
            <DayCalendar
              value={value}
              min={min}
              onChoose={(day) => {
                onChoose(day);
                onOpen(false);
              }}
            />
          </Suspense>
        </Popover>
      )}
    </>
  );
}
