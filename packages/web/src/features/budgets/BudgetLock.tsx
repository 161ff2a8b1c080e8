import type { BudgetBody } from '@ivory-ladder/contract';
import LockOutlined from '@mui/icons-material/LockOutlined';
import Button from '@mui/material/Button';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeBudgetMutation, useDeleteBudgetMutation, useLockBudgetMutation, useUnlockBudgetMutation } from '../../shared/api/budgetApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './BudgetsScreen.module.css';

type Asked = 'lock' | 'unlock' | 'rename' | 'delete';

const asks: Readonly<Record<Asked, { readonly label: string; readonly act: string }>> = {
  lock: { label: 'Why, if there is something to say', act: 'Lock' },
  unlock: { label: 'Why it is opened again', act: 'Open' },
  rename: { label: 'Name', act: 'Rename' },
  delete: { label: '', act: 'Delete with all its amounts' },
};

/** Whether a budget still takes changes, who locked it and why; its name, and its end. */
export function BudgetLock({ budget, onDeleted }: { readonly budget: BudgetBody; readonly onDeleted: () => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [mayKeep, mayUnlock] = [useMay('keep_budgets_and_rates'), useMay('keep_people_and_settings')];
  const [asked, setAsked] = useState<Asked | null>(null);
  const [text, setText] = useState('');
  const [setLocked, locking] = useLockBudgetMutation();
  const [open, opening] = useUnlockBudgetMutation();
  const [rename, renaming] = useChangeBudgetMutation();
  const [remove, removing] = useDeleteBudgetMutation();
  const { id: budgetId, name, version, lock } = budget;
  const one = { companyId: company.id, budgetId };
  const act = async (what: Asked): Promise<{ error?: unknown }> => {
    if (what === 'rename') return rename({ ...one, body: { version, name: text.trim() } });
    if (what === 'delete') return remove(one);
    return (what === 'unlock' ? open : setLocked)({ ...one, body: { version, reason: text.trim() } });
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!asked) return;
    const { error } = await act(asked);
    const done = { lock: `Locked: ${name}.`, unlock: `Opened again: ${name}.`, rename: `Renamed: ${text.trim()}.`, delete: `Deleted: ${name}.` }[asked];
    dispatch(noticeGiven(error === undefined ? { tone: 'done', text: done } : { tone: 'refused', text: describeFailure(error) }));
    if (error !== undefined) return;
    setAsked(null);
    if (asked === 'delete') onDeleted();
  };
  const ask = (what: Asked) => {
    setText(what === 'rename' ? name : '');
    setAsked(what);
  };
  if (asked)
    return (
      <form className={styles.ask} onSubmit={(event) => void submit(event)} onKeyDown={(event) => event.key === 'Escape' && setAsked(null)}>
        {asked !== 'delete' && (
          <input
            // biome-ignore lint/a11y/noAutofocus: the field comes where one has just asked for it
            autoFocus
            className={styles.field}
            aria-label={asks[asked].label}
            placeholder={asks[asked].label}
            value={text}
            maxLength={asked === 'rename' ? 200 : 500}
            required={asked !== 'lock'}
            onChange={(event) => setText(event.target.value)}
          />
        )}
        <Button type="submit" variant="contained" disabled={locking.isLoading || opening.isLoading || renaming.isLoading || removing.isLoading}>
          {asks[asked].act}
        </Button>
        <Button onClick={() => setAsked(null)}>Cancel</Button>
      </form>
    );
  return (
    <div className={styles.ask}>
      {lock && (
        <span className={styles.quiet}>
          <LockOutlined fontSize="inherit" aria-hidden /> locked by {lock.by}, {momentText(lock.at.replace('Z', ''))}
          {lock.reason !== '' && ` · ${lock.reason}`}
        </span>
      )}
      {lock && mayUnlock && <Button onClick={() => ask('unlock')}>Open again…</Button>}
      {!lock && mayKeep && (
        <>
          <Button onClick={() => ask('lock')}>Lock…</Button>
          <Button onClick={() => ask('rename')}>Rename…</Button>
          <Button onClick={() => ask('delete')}>Delete…</Button>
        </>
      )}
    </div>
  );
}
