import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { CalendarButton } from './CalendarButton.tsx';
import { type TypedDayProps, useTypedDay } from './useTypedDay.ts';

type DayTextFieldProps = TypedDayProps & Pick<TextFieldProps, 'label' | 'error' | 'helperText' | 'required' | 'autoFocus'>;

/** The day's field of forms that MUI's fields make up; else as `DayInput`. */
export function DayTextField({ value, onChange, min, error = false, helperText, ...rest }: DayTextFieldProps) {
  const { input, text, fault, type, settle, choose, onKeyDown, isOpen, setOpen } = useTypedDay({ value, onChange, ...(min === undefined ? {} : { min }) });
  return (
    <TextField
      {...rest}
      value={text}
      placeholder="day"
      autoComplete="off"
      error={error || fault !== null}
      helperText={fault ?? helperText}
      onChange={(event) => type(event.target.value)}
      onFocus={(event) => (event.target as HTMLInputElement).select()}
      onBlur={settle}
      onKeyDown={onKeyDown}
      slotProps={{
        inputLabel: { shrink: true },
        htmlInput: { ref: input, 'aria-haspopup': 'dialog' },
        input: {
          endAdornment: <CalendarButton field={input} value={value} min={min} disabled={false} isOpen={isOpen} onOpen={setOpen} onChoose={choose} />,
        },
      }}
    />
  );
}
