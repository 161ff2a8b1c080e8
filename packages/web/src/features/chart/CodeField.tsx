import type { CodeListBody } from '@ivory-ladder/contract';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';

interface CodeFieldProps {
  readonly list: CodeListBody;
  /** Empty: none. */
  readonly value: string;
  readonly onChange: (code: string) => void;
}

type Listed = CodeListBody['codes'][number];

const labelOf = ({ code, caption }: Listed): string => [code, caption].filter(Boolean).join(' ');
const few = createFilterOptions<Listed>({ limit: 60 });

/** The code of one list, found by any part of it or of its caption. */
export function CodeField({ list, value, onChange }: CodeFieldProps) {
  return (
    <Autocomplete
      options={list.codes}
      filterOptions={few}
      getOptionLabel={labelOf}
      value={list.codes.find(({ code }) => code === value) ?? null}
      onChange={(_, listed) => onChange(listed?.code ?? '')}
      isOptionEqualToValue={(a, b) => a.code === b.code}
      renderInput={(params) => <TextField {...params} label={list.kind === 'facet' ? `${list.name} of new lines` : list.name} placeholder="none" />}
    />
  );
}
