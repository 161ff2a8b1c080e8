import type { CompanyList } from '@ivory-ladder/contract';
import { currencyCodes, findCurrency, monthNames, type StarterKey, starterCharts } from '@ivory-ladder/core';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { useCreateCompanyMutation } from '../../shared/api/companyApi.ts';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import type { Beginning } from './beginning.ts';
import styles from './NewCompanyForm.module.css';

const codes = currencyCodes();

interface NewCompanyFormProps {
  readonly beginning: Beginning;
  readonly onBegin: (beginning: Beginning) => void;
  /** Whether accounts have numbers. */
  readonly numbered: boolean;
  readonly onNumbered: (numbered: boolean) => void;
  readonly companies: CompanyList['companies'];
}

export function NewCompanyForm({ beginning, onBegin, numbered, onNumbered, companies }: NewCompanyFormProps) {
  const navigate = useNavigate();
  const [create, { isLoading, error }] = useCreateCompanyMutation();
  const [name, setName] = useState('');
  const [currency, setCurrency] = useState('EUR');
  const [month, setMonth] = useState(1);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const created = await create({ body: { name: name.trim(), currency, fiscalYearFirstMonth: month, numbered, beginWith: beginning } });
    if (created.data) void navigate(`/companies/${created.data.id}/ledger${beginning.kind === 'categories' ? '' : '/chart'}`);
  };
  const [first] = companies;
  const places = findCurrency(currency)?.exponent ?? 2;
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)}>
      <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} required autoFocus slotProps={{ htmlInput: { maxLength: 200 } }} />
      <div className={styles.pair}>
        <Autocomplete
          options={codes}
          value={currency}
          onChange={(_event, code) => setCurrency(code)}
          disableClearable
          size="small"
          renderInput={(params) => <TextField {...params} label="Currency" helperText={places === 0 ? 'no decimal places' : `${places} decimal places`} />}
        />
        <SelectTextField label="Fiscal year begins in" value={month} onChange={(event) => setMonth(Number(event.target.value))}>
          {monthNames.map((monthName, index) => (
            <option key={monthName} value={index + 1}>
              {monthName}
            </option>
          ))}
        </SelectTextField>
      </div>
      <fieldset className={styles.choices}>
        <legend>Begin with</legend>
        <Choice
          title="Categories alone"
          about="The accounts come with a trial balance from your ledger, or are added by hand."
          isChosen={beginning.kind === 'categories'}
          onChoose={() => onBegin({ kind: 'categories' })}
        />
        {starterCharts.map((starter) => (
          <Choice
            key={starter.key}
            title={starter.name}
            about={starter.about}
            isChosen={isStarter(beginning, starter.key)}
            onChoose={() => onBegin({ kind: 'starter', key: starter.key })}
          />
        ))}
        {first && (
          <Choice
            title="A copy of another company"
            about="Its chart with placement and layouts, without any figure."
            isChosen={beginning.kind === 'copy'}
            onChoose={() => onBegin({ kind: 'copy', companyId: first.id })}
          />
        )}
        {beginning.kind === 'copy' && (
          <SelectTextField
            label="Copied from"
            value={beginning.companyId}
            onChange={(event) => onBegin({ kind: 'copy', companyId: Number(event.target.value) })}
          >
            {companies.map(({ id, name: other }) => (
              <option key={id} value={id}>
                {other}
              </option>
            ))}
          </SelectTextField>
        )}
      </fieldset>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      <div className={styles.end}>
        {beginning.kind !== 'copy' && (
          <fieldset className={styles.numbering} aria-label="Accounts have">
            <label>
              <input type="radio" name="numbered" checked={numbered} onChange={() => onNumbered(true)} /> Accounts with numbers
            </label>
            <label>
              <input type="radio" name="numbered" checked={!numbered} onChange={() => onNumbered(false)} /> with names only
            </label>
          </fieldset>
        )}
        <Button type="submit" variant="contained" disabled={isLoading || name.trim() === ''}>
          Create the company
        </Button>
      </div>
    </form>
  );
}

const isStarter = (beginning: Beginning, key: StarterKey) => beginning.kind === 'starter' && beginning.key === key;

function Choice({ title, about, isChosen, onChoose }: { title: string; about: string; isChosen: boolean; onChoose: () => void }) {
  return (
    <label className={styles.choice} data-chosen={isChosen || undefined}>
      <input type="radio" name="beginning" checked={isChosen} onChange={onChoose} />
      <span>
        {title}
        <small>{about}</small>
      </span>
    </label>
  );
}
