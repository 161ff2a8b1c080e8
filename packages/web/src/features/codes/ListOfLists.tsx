import type { CodeListBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useMay } from '../../shared/state/useCompany.ts';
import styles from './CodeListsScreen.module.css';
import type { CodeListActions } from './useCodeListActions.ts';

interface ListOfListsProps {
  readonly lists: readonly CodeListBody[];
  readonly chosenId: number | null;
  readonly actions: CodeListActions;
  readonly onChoose: (listId: number) => void;
}

const kinds = [
  { kind: 'report', title: 'Report codes', explained: 'Group reporting, a tax return, statistics: an account has one code of each list.', add: 'New list' },
  {
    kind: 'facet',
    title: 'Facets',
    explained: 'Other ways to cut amounts: route, vessel, department. An account may name the value its lines get.',
    add: 'New facet',
  },
] as const;

/** Lists of report codes and facets, and a field for one more of each. */
export function ListOfLists({ lists, chosenId, actions, onChoose }: ListOfListsProps) {
  const mayKeep = useMay('keep_chart');
  return (
    <aside className={styles.panel} aria-label="Lists">
      {kinds.map(({ kind, title, explained, add }) => (
        <section key={kind} aria-label={title}>
          <h2>{title}</h2>
          <p className={styles.quiet}>{explained}</p>
          <ul className={styles.lists}>
            {lists
              .filter((list) => list.kind === kind)
              .map((list) => (
                <li key={list.id}>
                  <button type="button" className={styles.list} aria-current={list.id === chosenId || undefined} onClick={() => onChoose(list.id)}>
                    {list.name}
                    <small>{list.codes.length}</small>
                  </button>
                </li>
              ))}
          </ul>
          {mayKeep && (
            <NewList
              label={add}
              isBusy={actions.isBusy}
              onAdd={async (name) => {
                const added = await actions.add({ kind, name });
                if (added !== null) onChoose(added);
                return added !== null;
              }}
            />
          )}
        </section>
      ))}
    </aside>
  );
}

function NewList({ label, isBusy, onAdd }: { label: string; isBusy: boolean; onAdd: (name: string) => Promise<boolean> }) {
  const [name, setName] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (await onAdd(name.trim())) setName('');
  };
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)}>
      <TextField label={label} value={name} onChange={(event) => setName(event.target.value)} slotProps={{ htmlInput: { maxLength: 100 } }} />
      {name.trim() !== '' && (
        <Button type="submit" disabled={isBusy}>
          Add {name.trim()}
        </Button>
      )}
    </form>
  );
}
