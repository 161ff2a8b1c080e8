import TextField, { type TextFieldProps } from '@mui/material/TextField';

type SelectTextFieldProps = Pick<TextFieldProps, 'label' | 'value' | 'onChange' | 'disabled' | 'autoFocus' | 'helperText' | 'fullWidth' | 'children'>;

/** The list of `<option>`s in forms that MUI's fields make up; else as `Select`. */
export function SelectTextField(props: SelectTextFieldProps) {
  return <TextField {...props} select slotProps={{ select: { native: true }, inputLabel: { shrink: true } }} />;
}
