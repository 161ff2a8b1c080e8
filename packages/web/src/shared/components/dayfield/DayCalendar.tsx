import type { Day } from '@ivory-ladder/core';
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DateCalendar } from '@mui/x-date-pickers/DateCalendar';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs from 'dayjs';
import 'dayjs/locale/en-gb';

interface DayCalendarProps {
  readonly value: Day | '';
  readonly min: Day | undefined;
  readonly onChoose: (day: Day) => void;
}

/** The months with their days; by far the heaviest part of a field, and fetched when one is opened. */
export default function DayCalendar({ value, min, onChoose }: DayCalendarProps) {
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DateCalendar
        value={value === '' ? null : dayjs(value)}
        {...(min ? { minDate: dayjs(min) } : {})}
        onChange={(day, state) => state === 'finish' && day && onChoose(day.format('YYYY-MM-DD'))}
        autoFocus
      />
    </LocalizationProvider>
  );
}
