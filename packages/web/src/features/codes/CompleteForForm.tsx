import type { CodeListBody } from '@ivory-ladder/contract';
import { type Element, elements } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { elementName } from '../rehearsal/index.ts';
import styles from './CompleteForForm.module.css';
import { useCodeListActions } from './useCodeListActions.ts';

/** For which accounts a list is declared complete: what lacks a code there is a finding. */
export function CompleteForForm({ list }: { list: CodeListBody }) {
  const { numbered } = useCompany();
  const mayKeep = useMay('keep_chart');
  const actions = useCodeListActions();
  const [chosen, setChosen] = useState<ReadonlySet<Element>>(new Set(list.neededFor));
  const [numbers, setNumbers] = useState(list.neededOn);
  const [refused, setRefused] = useState<string | null>(null);
  const isSame = numbers === list.neededOn && chosen.size === list.neededFor.length && list.neededFor.every((element) => chosen.has(element));
  const apply = async (event: FormEvent) => {
    event.preventDefault();
    setRefused(await actions.change(list, { neededFor: elements.filter((element) => chosen.has(element)), neededOn: numbers.trim() }));
  };
  return (
    <form className={styles.form} onSubmit={(event) => void apply(event)} aria-label="Complete for">
      <h3>Complete for</h3>
      <p className={styles.quiet}>Each of these accounts needs a code of {list.name}; what lacks one is a finding.</p>
      <div className={styles.elements}>
        {elements.map((element) => (
          <label key={element}>
            <input
              type="checkbox"
              disabled={!mayKeep}
              checked={chosen.has(element)}
              onChange={({ target: { checked } }) =>
                setChosen((before) => new Set(checked ? [...before, element] : [...before].filter((one) => one !== element)))
              }
            />{' '}
            {elementName(element)}
          </label>
        ))}
      </div>
      {numbered && (
        <TextField
          label="And by number"
          placeholder="4000 to 4999, 52*"
          value={numbers}
          onChange={(event) => setNumbers(event.target.value)}
          error={refused !== null}
          helperText={refused ?? undefined}
          slotProps={{ htmlInput: { maxLength: 1000, readOnly: !mayKeep } }}
        />
      )}
      {mayKeep && !isSame && (
        <div>
          <Button type="submit" variant="contained" disabled={actions.isBusy}>
            Apply
          </Button>
        </div>
      )}
    </form>
  );
}
