import type { CodeListBody, CodeLists } from '@ivory-ladder/contract';
import type { ListKey } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import styles from './CodeListsScreen.module.css';
import { FacetFileForm } from './FacetFileForm.tsx';
import { FacetFillForm } from './FacetFillForm.tsx';
import type { CodeListActions } from './useCodeListActions.ts';

interface FacetRulesFormProps {
  readonly list: CodeListBody;
  readonly all: CodeLists;
  readonly actions: CodeListActions;
}

/** On which accounts a facet is needed or not allowed, and which of its values do not go with those of others. */
export function FacetRulesForm({ list, all, actions }: FacetRulesFormProps) {
  const mayKeep = useMay('keep_chart');
  const { numbered } = useCompany();
  const [ranges, setRanges] = useState({ neededOn: list.neededOn, notAllowedOn: list.notAllowedOn });
  const [refused, setRefused] = useState<string | null>(null);
  const isSame = ranges.neededOn === list.neededOn && ranges.notAllowedOn === list.notAllowedOn;
  const apply = async (event: FormEvent) => {
    event.preventDefault();
    setRefused(await actions.change(list, ranges));
  };
  return (
    <>
      {numbered && (
        <form className={styles.form} onSubmit={(event) => void apply(event)} aria-label="Rules for accounts">
          <h3>On lines of accounts</h3>
          <TextField
            label="Needed on"
            placeholder="4000 to 4999, 52*"
            value={ranges.neededOn}
            onChange={(event) => setRanges({ ...ranges, neededOn: event.target.value })}
            slotProps={{ htmlInput: { maxLength: 1000, readOnly: !mayKeep } }}
          />
          <TextField
            label="Not allowed on"
            placeholder="1*, 2*"
            value={ranges.notAllowedOn}
            onChange={(event) => setRanges({ ...ranges, notAllowedOn: event.target.value })}
            error={refused !== null}
            helperText={refused ?? undefined}
            slotProps={{ htmlInput: { maxLength: 1000, readOnly: !mayKeep } }}
          />
          {mayKeep && !isSame && (
            <div className={styles.buttons}>
              <Button type="submit" variant="contained" disabled={actions.isBusy}>
                Apply
              </Button>
              <Button onClick={() => setRanges({ neededOn: list.neededOn, notAllowedOn: list.notAllowedOn })}>Discard</Button>
            </div>
          )}
        </form>
      )}
      <Pairings list={list} all={all} actions={actions} />
      {mayKeep && <FacetFillForm list={list} />}
      {mayKeep && <FacetFileForm list={list} />}
    </>
  );
}

function Pairings({ list, all, actions }: FacetRulesFormProps) {
  const mayKeep = useMay('keep_chart');
  const own = all.pairings.filter(({ first, second }) => first === list.key || second === list.key);
  const others = all.lists.filter(({ kind, key, codes }) => kind === 'facet' && key !== list.key && codes.length > 0);
  const [isAdding, setAdding] = useState(false);
  const nameOf = (key: ListKey) => all.lists.find((one) => one.key === key)?.name ?? '';
  if (own.length === 0 && (!mayKeep || others.length === 0 || list.codes.length === 0)) return null;
  return (
    <section className={styles.form} aria-label="Pairing rules">
      <h3>Not together on one line</h3>
      {own.length > 0 && (
        <ul className={styles.rules}>
          {own.map(({ id, first, firstValue, second, secondValue, reason }) => (
            <li key={id}>
              <span>
                {nameOf(first)} {firstValue} with {nameOf(second)} {secondValue}
                {reason && <small>{reason}</small>}
              </span>
              {mayKeep && (
                <Button size="small" disabled={actions.isBusy} onClick={() => void actions.unpair(id)}>
                  Take away
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {mayKeep && others.length > 0 && !isAdding && (
        <Button sx={{ justifySelf: 'start' }} onClick={() => setAdding(true)}>
          Add a rule…
        </Button>
      )}
      {isAdding && <NewPairing list={list} others={others} actions={actions} onDone={() => setAdding(false)} />}
    </section>
  );
}

interface NewPairingProps {
  readonly list: CodeListBody;
  readonly others: readonly CodeListBody[];
  readonly actions: CodeListActions;
  readonly onDone: () => void;
}

function NewPairing({ list, others, actions, onDone }: NewPairingProps) {
  const [chosen, setChosen] = useState({ firstValue: list.codes[0]?.code ?? '', second: '', secondValue: '', reason: '' });
  const other = others.find(({ key }) => key === chosen.second) ?? others[0];
  const second = other?.codes.find(({ code }) => code === chosen.secondValue) ?? other?.codes[0];
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!other || !second) return;
    const { firstValue, reason } = chosen;
    if (await actions.pair({ first: list.key, firstValue, second: other.key, secondValue: second.code, reason: reason.trim() })) onDone();
  };
  const choice = (label: string, value: string, options: readonly (readonly [value: string, text: string])[], onChange: (value: string) => void) => (
    <SelectTextField label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {options.map(([key, text]) => (
        <option key={key} value={key}>
          {text}
        </option>
      ))}
    </SelectTextField>
  );
  const valuesOf = ({ codes }: CodeListBody) => codes.map(({ code, caption }) => [code, caption ? `${code} ${caption}` : code] as const);
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)} aria-label="New pairing rule">
      {choice(list.name, chosen.firstValue, valuesOf(list), (firstValue) => setChosen({ ...chosen, firstValue }))}
      {choice(
        'Not with',
        other?.key ?? '',
        others.map(({ key, name }) => [key, name]),
        (key) => setChosen({ ...chosen, second: key, secondValue: '' }),
      )}
      {other && choice(other.name, second?.code ?? '', valuesOf(other), (secondValue) => setChosen({ ...chosen, secondValue }))}
      <TextField
        label="Why"
        value={chosen.reason}
        onChange={(event) => setChosen({ ...chosen, reason: event.target.value })}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={actions.isBusy}>
          Add the rule
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}
