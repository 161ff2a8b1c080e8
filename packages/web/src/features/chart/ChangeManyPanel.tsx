import type { ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import { accountLabel, accountLabels, accountRoles, chartColumns, isListKey } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { accountRoleNames } from '../../shared/words/accountRoleWords.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './ChangeManyPanel.module.css';
import { CodeField } from './CodeField.tsx';
import { type ManyChange, type ManyField, manyChanges, manyChangesFile, manyFields } from './manyChanges.ts';
import { useAccountScope } from './useAccountScope.tsx';

interface ChangeManyPanelProps {
  /** Accounts that are shown in the table, in its order. */
  readonly shown: readonly ChartAccountBody[];
  /** The chosen account and all below it; empty where none is chosen. */
  readonly branch: readonly ChartAccountBody[];
  /** Rows selected in the table. */
  readonly block: readonly ChartAccountBody[];
  readonly accounts: readonly ChartAccountBody[];
  readonly categoryPaths: readonly string[];
  readonly lists: readonly CodeListBody[];
  readonly onLook: (file: File) => void;
  readonly onCancel: () => void;
}

const few = createFilterOptions<string>({ limit: 60 });
const mostListed = 100;

/** One field set alike, or a text in names replaced, on the accounts that are shown or on a branch; looked at before it is applied. */
export function ChangeManyPanel({ shown, branch, block, accounts, categoryPaths, lists, onLook, onCancel }: ChangeManyPanelProps) {
  const scope = useAccountScope(shown, branch, block);
  const [what, setWhat] = useState<ManyField | 'replace'>('category');
  const [value, setValue] = useState('');
  const [find, setFind] = useState('');
  const [by, setBy] = useState('');
  const change: ManyChange = what === 'replace' ? { kind: 'replace', find, by } : { kind: 'set', field: what, value };
  const touched = manyChanges(scope.accounts, change);
  const choose = (next: ManyField | 'replace') => {
    setWhat(next);
    setValue(next === 'active' ? 'no' : next === 'side' ? 'debit' : '');
  };
  return (
    <div className={styles.form}>
      {scope.field}
      <SelectTextField label="Change" value={what} onChange={(event) => choose(event.target.value as ManyField | 'replace')}>
        {manyFields.map((field) => (
          <option key={field} value={field}>
            set {chartColumns[field].heading.toLowerCase()}
          </option>
        ))}
        {lists.map(({ key, name }) => (
          <option key={key} value={key}>
            set {name}
          </option>
        ))}
        <option value="replace">find and replace in names</option>
      </SelectTextField>
      {what === 'replace' ? (
        <>
          <TextField
            label="Find in names"
            value={find}
            onChange={(event) => setFind(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 200 } }}
            autoFocus
          />
          <TextField label="Replace by" value={by} onChange={(event) => setBy(event.target.value)} slotProps={{ htmlInput: { maxLength: 200 } }} />
        </>
      ) : (
        <ValueField field={what} value={value} accounts={accounts} categoryPaths={categoryPaths} lists={lists} onChange={setValue} />
      )}
      {touched.length > 0 && (
        <ul className={styles.list} aria-label="Accounts that it changes">
          {touched.slice(0, mostListed).map(({ account, value: after }) => (
            <li key={account.id}>
              <span>{accountLabel(account)}</span>
              {what === 'replace' && <span>→ {after}</span>}
            </li>
          ))}
          {touched.length > mostListed && <li>and {touched.length - mostListed} more</li>}
        </ul>
      )}
      <div className={styles.buttons}>
        <Button
          variant="contained"
          disabled={touched.length === 0 || (what === 'replace' && find === '')}
          onClick={() => onLook(new File([manyChangesFile(scope.accounts, change, lists)], 'changes.csv', { type: 'text/csv' }))}
        >
          Look at {counted(touched.length, 'change')}…
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
      <p className={styles.quiet}>Nothing is changed before you have seen each row and the effect on the statements.</p>
    </div>
  );
}

/** What a chart file knows the account by that has this label: its number, or the label itself where there are no numbers. */
function referenceOf(accounts: readonly ChartAccountBody[], label: string | null): string {
  const [id] = [...accountLabels(accounts)].find(([, text]) => text === label) ?? [];
  return accounts.find((account) => account.id === id)?.number || (label ?? '');
}

interface ValueFieldProps {
  readonly field: ManyField;
  readonly value: string;
  readonly accounts: readonly ChartAccountBody[];
  readonly categoryPaths: readonly string[];
  readonly lists: readonly CodeListBody[];
  readonly onChange: (value: string) => void;
}

function ValueField({ field, value, accounts, categoryPaths, lists, onChange }: ValueFieldProps) {
  if (isListKey(field)) {
    const list = lists.find(({ key }) => key === field);
    return list ? <CodeField key={field} list={list} value={value} onChange={onChange} /> : null;
  }
  const label = chartColumns[field].heading;
  switch (field) {
    case 'category':
      return (
        <Autocomplete
          freeSolo
          options={[...categoryPaths]}
          filterOptions={few}
          inputValue={value}
          onInputChange={(_, text) => onChange(text)}
          renderInput={(params) => <TextField {...params} label={label} placeholder="empty: unplaced" helperText="Names parted by >; a new path is made" />}
        />
      );
    case 'parent':
      return (
        <Autocomplete
          options={[...accountLabels(accounts).values()]}
          filterOptions={few}
          onChange={(_, text) => onChange(referenceOf(accounts, text))}
          renderInput={(params) => <TextField {...params} label={label} placeholder="empty: at the top level" />}
        />
      );
    case 'side':
    case 'active':
    case 'role': {
      const choices =
        field === 'side' ? ['debit', 'credit'] : field === 'active' ? ['yes', 'no'] : ['', ...accountRoles.map((role) => role.replaceAll('_', ' '))];
      return (
        <SelectTextField label={label} value={value} onChange={(event) => onChange(event.target.value)}>
          {choices.map((choice) => (
            <option key={choice} value={choice}>
              {field === 'role'
                ? accountRoles.find((role) => role.replaceAll('_', ' ') === choice)
                  ? accountRoleNames[choice.replaceAll(' ', '_') as keyof typeof accountRoleNames]
                  : 'none'
                : choice}
            </option>
          ))}
        </SelectTextField>
      );
    }
    case 'purpose':
    case 'externalNumber':
      return (
        <TextField
          label={label}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          multiline={field === 'purpose'}
          maxRows={6}
          slotProps={{ htmlInput: { maxLength: field === 'purpose' ? 2000 : 50 } }}
        />
      );
  }
}
