import Close from '@mui/icons-material/Close';
import IconButton from '@mui/material/IconButton';
import { EffectList } from '../../shared/components/EffectList.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { ChangedLines } from './ChangedLines.tsx';
import { categoryText, draftList, moveText } from './draftWords.ts';
import styles from './RehearsalPanel.module.css';
import { useDraftNames } from './useDraftNames.ts';
import { useEffectOfDraft } from './useFigures.ts';
import { usePlacement } from './usePlacement.ts';
import { useWholeEffect } from './useWholeEffect.ts';

/** What is proposed, each change to be taken out again; what is in its way; and the lines of the statements that it changes. */
export function RehearsalPanel() {
  const currency = currencyOfCompany(useCompany());
  const [, change] = useAddress();
  const { draft, conflicts, faults, takeOut, insist, working } = usePlacement();
  const effect = useEffectOfDraft();
  const whole = useWholeEffect();
  const names = useDraftNames();
  const mayChange = working.kept?.isOwn !== false;
  return (
    <aside className={styles.panel} aria-label="Rehearsal in full">
      <header>
        <h2>Proposed</h2>
        <IconButton size="small" aria-label="Close the rehearsal" onClick={() => change({ rehearsal: null })}>
          <Close fontSize="inherit" />
        </IconButton>
      </header>
      {conflicts.map((conflict) => {
        const name = conflict.thing === 'account' ? names.account(conflict.drafted.accountId) : names.category(conflict.drafted.id);
        const theirs =
          conflict.thing === 'account'
            ? moveText({ accountId: 0, before: [], after: conflict.theirs }, names) || 'in no category by hand'
            : conflict.theirs === null
              ? 'deleted'
              : categoryText({ id: 0, before: conflict.drafted.before, after: conflict.theirs });
        const [accounts, categories] = conflict.thing === 'account' ? [[conflict.drafted.accountId], []] : [[], [conflict.drafted.id]];
        return (
          <div key={`${conflict.thing} ${name}`} className={styles.conflict}>
            <b>{name}</b> was changed by somebody else meanwhile: {theirs}.
            <div>
              <button type="button" onClick={() => insist(conflict)}>
                Keep my change
              </button>
              <button type="button" onClick={() => takeOut(accounts as number[], categories as number[])}>
                Leave it as it is now
              </button>
            </div>
          </div>
        );
      })}
      {faults.map((fault) => {
        const { code, ...facts } = fault;
        const [accounts, categories] = 'accountId' in fault ? [[fault.accountId], []] : [[], [fault.categoryId]];
        return (
          <div key={JSON.stringify(fault)} className={styles.conflict}>
            {'accountId' in fault ? names.account(fault.accountId) : names.category(fault.categoryId)}: {describeFailure({ code, facts })}
            <div>
              <button type="button" onClick={() => takeOut(accounts as number[], categories as number[])}>
                Take it out
              </button>
            </div>
          </div>
        );
      })}
      <ul className={styles.changes} aria-label="Changes">
        {draftList(draft, names).map(({ key, name, text, accountIds, categoryIds }) => (
          <li key={key}>
            <span>
              <b>{name}</b> {text}
            </span>
            {mayChange && (
              <IconButton size="small" aria-label={`Take out: ${name}`} title="Take it out" onClick={() => takeOut(accountIds, categoryIds)}>
                <Close fontSize="inherit" />
              </IconButton>
            )}
          </li>
        ))}
      </ul>
      <ChangedLines lines={effect?.lines ?? []} currency={currency} />
      {effect?.lines.length === 0 && <p className={styles.quiet}>No line of balance sheet and income statement changes.</p>}
      {whole.effect && <EffectList effect={whole.effect} currency={currency} without={whole.isLive} />}
      {whole.failure !== undefined && <p className={styles.quiet}>{describeFailure(whole.failure)}</p>}
    </aside>
  );
}
