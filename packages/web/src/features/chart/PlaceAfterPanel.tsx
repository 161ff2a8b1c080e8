import type { ChartAccountBody } from '@ivory-ladder/contract';
import { accountLabel, accountLabels } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useMemo, useState } from 'react';
import styles from './ChartScreen.module.css';
import type { Move } from './chartModel.ts';
import { nestingRefusal } from './nestingRefusal.ts';

interface PlaceAfterPanelProps {
  readonly account: ChartAccountBody;
  readonly accounts: readonly ChartAccountBody[];
  readonly isBusy: boolean;
  readonly onMove: (move: Move) => void;
  readonly onCancel: () => void;
}

const few = createFilterOptions<{ id: number; label: string }>({ limit: 60 });

/** Another account to stand behind, found by any part of its number or name; its parent becomes that of this one too. */
export function PlaceAfterPanel({ account, accounts, isBusy, onMove, onCancel }: PlaceAfterPanelProps) {
  const [afterId, setAfterId] = useState<number | null>(null);
  const options = useMemo(() => [...accountLabels(accounts)].filter(([id]) => id !== account.id).map(([id, label]) => ({ id, label })), [accounts, account]);
  const after = accounts.find(({ id }) => id === afterId);
  const parent = accounts.find(({ id }) => id === after?.parentId);
  const refused = after ? nestingRefusal(accounts, account, after.parentId) : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (after && !refused) onMove({ parentId: after.parentId, after: after.id });
  };
  return (
    <form className={styles.form} onSubmit={submit} aria-label={`Place ${account.number || account.name} after`}>
      <Autocomplete
        options={options}
        filterOptions={few}
        autoHighlight
        value={options.find(({ id }) => id === afterId) ?? null}
        onChange={(_, option) => setAfterId(option?.id ?? null)}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        renderInput={(params) => <TextField {...params} label="Behind" placeholder="Number or name" autoFocus />}
      />
      {refused ? (
        <p className={styles.fault}>{refused}</p>
      ) : (
        after && (
          <p className={styles.quiet}>
            It will stand directly behind {accountLabel(after)}
            {after.isParent && ' and all below it'}
            {parent ? `, below ${accountLabel(parent)}` : ', at the top level'}. Its branch moves with it.
          </p>
        )
      )}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isBusy || !after || refused !== null}>
          Place it there
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}
