import type { CodeListBody, CodeLists } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './CodeListsScreen.module.css';
import { CompleteForForm } from './CompleteForForm.tsx';
import type { ListedCodeRow } from './codeColumns.tsx';
import { FacetRulesForm } from './FacetRulesForm.tsx';
import { GiveCodeDialog } from './GiveCodeDialog.tsx';
import { TakeCodesDialog } from './TakeCodesDialog.tsx';
import type { CodeListActions } from './useCodeListActions.ts';

interface ListPanelProps {
  readonly list: CodeListBody;
  /** All of the company, for rules between two facets. */
  readonly all: CodeLists;
  readonly chosen: ListedCodeRow | null;
  readonly actions: CodeListActions;
  readonly onDeleted: () => void;
}

/** The chosen list: how far it reaches, its name, a code more, and what becomes of the chosen code. */
export function ListPanel({ list, all, chosen, actions, onDeleted }: ListPanelProps) {
  const company = useCompany();
  const mayKeep = useMay('keep_chart');
  const [name, setName] = useState(list.name);
  const [taking, setTaking] = useState(false);
  const [giving, setGiving] = useState(false);
  const [draft, setDraft] = useState({ code: '', caption: '' });
  const first = useRef<HTMLInputElement>(null);
  const having = list.codes.reduce((sum, listed) => sum + listed.accounts, 0);
  const word = list.kind === 'report' ? 'code' : 'value';
  const rename = async (event: FormEvent) => {
    event.preventDefault();
    await actions.change(list, { name: name.trim() }, `Renamed: ${list.name} to ${name.trim()}.`);
  };
  const retire = async ({ code, caption, element, side, parent, retired }: ListedCodeRow) => {
    await actions.change(
      list,
      { set: [{ was: code, code, caption, element, side, parent, retired: !retired }] },
      `${retired ? 'Reopened' : 'Retired'}: ${code}.`,
    );
  };
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const code = draft.code.trim();
    const refused = await actions.change(
      list,
      { set: [{ was: null, code, caption: draft.caption.trim(), parent: chosen?.parent ?? null }] },
      `Added: ${code}.`,
    );
    if (refused !== null) return;
    setDraft({ code: '', caption: '' });
    first.current?.focus();
  };
  return (
    <aside className={styles.panel} aria-label="Chosen list">
      <h2>{list.name}</h2>
      <p>
        {`${having === 0 ? 'No account has' : counted(having, 'account has', 'accounts have')} a ${word} of it. `}
        {list.kind === 'report' && (
          <Link to={{ pathname: `/companies/${company.id}/ledger/chart`, search: `show=without:${list.key}` }}>Show those without</Link>
        )}
      </p>
      <p className={styles.quiet}>
        Accounts get theirs in the chart: choose the column {list.name} there, type in its cells, fill down, paste, change many at once, or load a file.
      </p>
      {mayKeep && (
        <>
          <form className={styles.form} onSubmit={(event) => void add(event)} aria-label={`New ${word}`}>
            <h3>New {word}</h3>
            <TextField
              label={list.kind === 'report' ? 'Code' : 'Code of the value'}
              inputRef={first}
              value={draft.code}
              onChange={(event) => setDraft({ ...draft, code: event.target.value })}
              slotProps={{ htmlInput: { maxLength: 50 } }}
              required
            />
            <TextField
              label="Caption"
              value={draft.caption}
              onChange={(event) => setDraft({ ...draft, caption: event.target.value })}
              slotProps={{ htmlInput: { maxLength: 200 } }}
            />
            <div className={styles.buttons}>
              <Button type="submit" variant="contained" disabled={actions.isBusy || draft.code.trim() === ''}>
                Add
              </Button>
              {chosen && (
                <Button
                  disabled={actions.isBusy || chosen.accounts > 0}
                  title={chosen.accounts > 0 ? `${counted(chosen.accounts, 'account has', 'accounts have')} it` : undefined}
                  onClick={() => void actions.change(list, { remove: [chosen.code] }, `Taken away: ${chosen.code}.`)}
                >
                  Take {chosen.code} away
                </Button>
              )}
              {chosen && list.kind === 'facet' && (
                <Button disabled={actions.isBusy} onClick={() => void retire(chosen)}>
                  {chosen.retired ? 'Reopen' : 'Retire'} {chosen.code}
                </Button>
              )}
            </div>
            <p className={styles.quiet}>
              Rows of a spreadsheet can be pasted: code, caption, code of the one above{list.kind === 'report' && ', element, side'}.
            </p>
          </form>
          {list.kind === 'report' && (
            <>
              <div className={styles.buttons}>
                <Button onClick={() => setTaking(true)}>Take codes from…</Button>
                {list.codes.length > 0 && <Button onClick={() => setGiving(true)}>Give one to many…</Button>}
              </div>
              <CompleteForForm key={`${list.id} ${list.version}`} list={list} />
            </>
          )}
          {giving && <GiveCodeDialog list={list} code={chosen?.code ?? null} onClose={() => setGiving(false)} />}
          {taking && <TakeCodesDialog list={list} onClose={() => setTaking(false)} />}
          {list.kind === 'facet' && <FacetRulesForm list={list} all={all} actions={actions} />}
          <form className={styles.form} onSubmit={(event) => void rename(event)} aria-label="The list itself">
            <h3>The list itself</h3>
            <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} slotProps={{ htmlInput: { maxLength: 100 } }} required />
            <div className={styles.buttons}>
              <Button type="submit" disabled={actions.isBusy || name.trim() === '' || name.trim() === list.name}>
                Rename
              </Button>
              {having === 0 && (
                <Button disabled={actions.isBusy} onClick={() => void actions.remove(list).then((done) => done && onDeleted())}>
                  Delete
                </Button>
              )}
            </div>
          </form>
        </>
      )}
    </aside>
  );
}
