import type { LayoutDetail } from '@ivory-ladder/contract';
import { elements, takeOutWithoutCash, type UsualColumns } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useNavigate } from 'react-router';
import { useListColumnPlansQuery } from '../../shared/api/columnPlanApi.ts';
import { useDeleteLayoutMutation, useRenameLayoutMutation } from '../../shared/api/layoutApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { CaptionsField } from './CaptionsField.tsx';
import styles from './LinePanel.module.css';
import { TransfersField } from './TransfersField.tsx';
import type { Composer } from './useComposer.ts';

interface LayoutSettingsProps {
  readonly composer: Composer;
  readonly detail: LayoutDetail;
  readonly mayCompose: boolean;
  readonly onRenamed: (detail: LayoutDetail) => void;
}

const kindWords = {
  balance_sheet: 'Balance sheet',
  income_statement: 'Income statement',
  cash_flow: 'Cash flow',
  changes_in_equity: 'Changes in equity',
  free: 'Free layout',
} as const;

function columnsOf(value: string): UsualColumns {
  if (value.startsWith('plan ')) return { plan: 'composed', planId: Number(value.slice(5)) };
  return { plan: value as Exclude<UsualColumns, { plan: 'composed' }>['plan'] };
}

/** What holds for the layout as a whole: its name, the title it is printed under, and what has to stand in it. */
export function LayoutSettings({ composer, detail, mayCompose, onRenamed }: LayoutSettingsProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const { search } = useLocation();
  const [name, setName] = useState(detail.name);
  const [isDeleting, setDeleting] = useState(false);
  const [rename] = useRenameLayoutMutation();
  const [remove] = useDeleteLayoutMutation();
  const { data: plans } = useListColumnPlansQuery({ companyId: company.id });
  const { layout, edit } = composer;
  const disabled = !mayCompose;
  const refuse = (failure: unknown) => void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(failure) }));
  const keepName = async () => {
    if (name.trim() === '' || name.trim() === detail.name) return setName(detail.name);
    const version = await composer.flush();
    if (version === null) return;
    const { data, error } = await rename({ companyId: company.id, layoutId: detail.id, body: { version, name: name.trim() } });
    if (!data) return refuse(error);
    composer.began(data.version, layout);
    onRenamed(data);
  };
  return (
    <>
      <header>
        <h2 className={styles.title}>{detail.name}</h2>
        <p className={styles.about}>
          {kindWords[layout.kind]} · {detail.inUse === null ? 'no version in use yet' : `version ${detail.inUse} runs`}
        </p>
      </header>
      <p className={styles.quiet}>Choose a line to see what it is. What stands here is of the layout as a whole.</p>
      <label className={styles.field}>
        <span className={styles.label}>Name in lists</span>
        <input
          className={styles.input}
          value={name}
          disabled={disabled}
          maxLength={200}
          onChange={({ target: { value } }) => setName(value)}
          onBlur={() => void keepName()}
        />
      </label>
      <label className={styles.field}>
        <span className={styles.label}>Title on the page</span>
        <input
          className={styles.input}
          value={layout.title}
          disabled={disabled}
          maxLength={200}
          onChange={({ target: { value } }) => value.trim() !== '' && edit([{ kind: 'set', settings: { title: value } }], 'Title', 'title')}
        />
      </label>
      <CaptionsField
        of="Title"
        captions={layout.titles}
        disabled={disabled}
        onChange={(titles) => edit([{ kind: 'set', settings: { titles } }], 'Title', 'titles')}
      />
      <label className={styles.field}>
        <span className={styles.label}>Columns it is run with</span>
        <Select
          wide
          value={layout.columns?.plan === 'composed' ? `plan ${layout.columns.planId}` : (layout.columns?.plan ?? 'comparison')}
          disabled={disabled}
          onChange={({ target: { value } }) => edit([{ kind: 'set', settings: { columns: columnsOf(value) } }], 'Columns')}
        >
          <option value="comparison">beside the usual comparative</option>
          <option value="periods">each period</option>
          <option value="quarters">each quarter</option>
          {plans?.plans.map((plan) => (
            <option key={plan.id} value={`plan ${plan.id}`}>
              {plan.name}
            </option>
          ))}
        </Select>
      </label>
      {layout.kind === 'cash_flow' && (
        <>
          <Segmented
            label="Bank overdrafts"
            value={layout.overdraftsApart ? 'apart' : 'cash'}
            disabled={disabled}
            choices={[
              { value: 'cash', label: 'Part of cash' },
              { value: 'apart', label: 'Lines of their own', says: 'Only cash in debit is cash; the credit side has to be placed, as in financing' },
            ]}
            onChange={(value) => edit([{ kind: 'set', settings: { overdraftsApart: value === 'apart' } }], 'Overdrafts')}
          />
          <Segmented
            label="What moved without cash"
            value={layout.withoutCash ?? 'counts'}
            disabled={disabled}
            choices={[
              {
                value: 'taken_out',
                label: 'In no line',
                says: 'Entries between activities that no cash moved in, and the part of others, are listed under the statement (IAS 7.43)',
              },
              { value: 'counts', label: 'Counts', says: 'What accounts moved counts whole, whether cash moved or not' },
            ]}
            onChange={(value) =>
              edit(
                value === 'taken_out'
                  ? takeOutWithoutCash(layout, composer.expanded, composer.facts.language)
                  : [{ kind: 'set', settings: { withoutCash: 'counts' } }],
                'What moved without cash',
              )
            }
          />
          <TransfersField composer={composer} disabled={disabled} />
        </>
      )}
      {layout.kind === 'free' && (
        <>
          <Segmented
            label="Columns hold"
            value={layout.measure}
            disabled={disabled}
            choices={[
              { value: 'movement', label: 'Movements' },
              { value: 'closing', label: 'Balances' },
            ]}
            onChange={(measure) => edit([{ kind: 'set', settings: { measure } }], 'What columns hold')}
          />
          <fieldset className={styles.checks} disabled={disabled}>
            <legend className={styles.label}>Accounts that have to stand in it; none: no coverage is claimed</legend>
            {elements.map((element) => (
              <label key={element}>
                <input
                  type="checkbox"
                  checked={layout.scope.includes(element)}
                  onChange={({ target: { checked } }) =>
                    edit([{ kind: 'set', settings: { scope: checked ? [...layout.scope, element] : layout.scope.filter((one) => one !== element) } }], 'Scope')
                  }
                />
                {element}
              </label>
            ))}
          </fieldset>
        </>
      )}
      {detail.inUse !== null && <Link to={{ pathname: `/companies/${company.id}/statements/layout-${detail.id}`, search }}>Run it</Link>}
      <a href={addressOf('getLayoutFile', { companyId: company.id, layoutId: detail.id })}>Take it along as a file</a>
      {mayCompose &&
        (isDeleting ? (
          <div className={styles.adjusted}>
            <p>
              {detail.inUse === null
                ? 'Nothing uses it.'
                : `It is listed under Statements; ${detail.versions.length === 1 ? 'its version goes' : `its ${detail.versions.length} versions go`} with it.`}{' '}
              No account or entry changes.
            </p>
            <div className={styles.pair}>
              <Button
                color="error"
                onClick={() =>
                  void composer.flush().then(async (version) => {
                    if (version === null) return;
                    const { error } = await remove({ companyId: company.id, layoutId: detail.id, version });
                    if (error !== undefined) return refuse(error);
                    dispatch(noticeGiven({ tone: 'done', text: `Deleted: ${detail.name}.` }));
                    void navigate({ pathname: `/companies/${company.id}/layouts`, search });
                  })
                }
              >
                Delete it
              </Button>
              <Button onClick={() => setDeleting(false)}>Keep it</Button>
            </div>
          </div>
        ) : (
          <button type="button" className={styles.link} onClick={() => setDeleting(true)}>
            Delete the layout…
          </button>
        ))}
    </>
  );
}
