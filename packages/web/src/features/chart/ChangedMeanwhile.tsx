import type { ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import { accountLabel, isListKey, type ListKey } from '@ivory-ladder/core';
import { accountRoleNames } from '../../shared/words/accountRoleWords.ts';
import { type AccountDraft, changedMeanwhile, type DraftField, draftValue } from './accountDraft.ts';
import styles from './ChartScreen.module.css';

interface ChangedMeanwhileProps {
  readonly base: AccountDraft;
  readonly theirs: AccountDraft;
  readonly own: AccountDraft;
  readonly accounts: readonly ChartAccountBody[];
  readonly lists: readonly CodeListBody[];
  readonly onTake: (field: DraftField) => void;
}

const names: Readonly<Record<Exclude<DraftField, ListKey>, string>> = {
  number: 'Number',
  name: 'Name',
  element: 'Element',
  normalSide: 'Normal side',
  parentId: 'Nested below',
  role: 'Role',
  cashFrom: 'Cash from',
  cashUntil: 'Cash until',
  purpose: 'Purpose',
  externalNumber: 'External number',
};

/** Their version beside one's own, field by field, where somebody else has saved the account while it was open here. */
export function ChangedMeanwhile({ base, theirs, own, accounts, lists, onTake }: ChangedMeanwhileProps) {
  const nameOf = (field: DraftField) => (isListKey(field) ? (lists.find(({ key }) => key === field)?.name ?? field) : names[field]);
  const shown = (draft: AccountDraft, field: DraftField): string => {
    if (field === 'role') return draft.role === null ? 'none' : accountRoleNames[draft.role];
    if (field !== 'parentId') return String(draftValue(draft, field)) || 'nothing';
    const parent = accounts.find(({ id }) => id === draft.parentId);
    return parent ? accountLabel(parent) : 'nothing';
  };
  return (
    <section className={styles.meanwhile} role="alert" aria-label="Changed meanwhile">
      <strong>Somebody else has changed this account meanwhile.</strong>
      <ul>
        {changedMeanwhile(base, theirs, own).map(({ field, isContested }) => (
          <li key={field}>
            {nameOf(field)}: theirs «{shown(theirs, field)}»{isContested ? `, yours «${shown(own, field)}»` : ', which stays'}
            {isContested && (
              <button type="button" className={styles.take} onClick={() => onTake(field)}>
                Take theirs
              </button>
            )}
          </li>
        ))}
      </ul>
      <span className={styles.quiet}>Apply saves what you changed here; the rest stays as they made it.</span>
    </section>
  );
}
