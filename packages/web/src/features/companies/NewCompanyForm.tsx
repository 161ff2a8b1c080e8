import { currencyCodes, findCurrency } from '@ivory-ladder/core';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useCreateCompanyMutation } from '../../api/ivoryApi.ts';
import { monthNames } from '../../components/dates.ts';
import styles from './NewCompanyForm.module.css';

const codes = currencyCodes();

export function NewCompanyForm({ isAsked }: { isAsked: boolean }) {
  const navigate = useNavigate();
  const [create, { isLoading, error }] = useCreateCompanyMutation();
  const [name, setName] = useState('');
  const [currency, setCurrency] = useState('EUR');
  const [month, setMonth] = useState(1);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const created = await create({ name: name.trim(), currency, fiscalYearFirstMonth: month });
    if (created.data) void navigate(`/companies/${created.data.id}/ledger`);
  };
  const places = findCurrency(currency)?.exponent ?? 2;
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)}>
      <TextField
        label="Name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        required
        autoFocus={isAsked}
        slotProps={{ htmlInput: { maxLength: 200 } }}
      />
      <Autocomplete
        options={codes}
        value={currency}
        onChange={(_event, code) => setCurrency(code)}
        disableClearable
        size="small"
        renderInput={(params) => <TextField {...params} label="Currency" helperText={places === 0 ? 'no decimal places' : `${places} decimal places`} />}
      />
      <TextField select label="Fiscal year begins in" value={month} onChange={(event) => setMonth(Number(event.target.value))}>
        {monthNames.map((monthName, index) => (
          <MenuItem key={monthName} value={index + 1}>
            {monthName}
          </MenuItem>
        ))}
      </TextField>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      <Button type="submit" variant="contained" disabled={isLoading || name.trim() === ''}>
        Create the company
      </Button>
    </form>
  );
}
