import type { ColumnPlanBody, ColumnPlanInput } from '@ivory-ladder/contract';
import { type PlanColumn, type PlanDefinition, type Scale, usualPlansOf } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { useState } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { useListBudgetsQuery } from '../../shared/api/budgetApi.ts';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useAddColumnPlanMutation, useChangeColumnPlanMutation, useDeleteColumnPlanMutation, useListColumnPlansQuery } from '../../shared/api/columnPlanApi.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { OrderActs } from '../../shared/components/OrderActs.tsx';
import { UndoButtons } from '../../shared/components/UndoButtons.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { beginSteps, stepped, steppedBack, steppedForth, type UndoSteps } from '../../shared/state/undoSteps.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useUndoKeys } from '../../shared/state/useUndoKeys.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { ColumnFields } from './ColumnFields.tsx';
import styles from './ColumnPlansScreen.module.css';
import { PlanSample, usePlanSample } from './PlanSample.tsx';
import { droppedBefore, namedBy, shifted, withColumn } from './planDraft.ts';
import { columnKinds, columnText, headingText } from './planWords.ts';
import { type PlanWork, type PlanWorksState, planWorkEnded, planWorkedAt } from './planWorksSlice.ts';

const none: Readonly<Record<string, PlanWork>> = {};

/** What stands across the page, composed once for any layout. */
export function ColumnPlansScreen() {
  const company = useCompany();
  const { data } = useListColumnPlansQuery({ companyId: company.id });
  const { data: budgetsHeld } = useListBudgetsQuery({ companyId: company.id });
  const { data: listsHeld } = useListCodeListsQuery({ companyId: company.id });
  const [address, change] = useAddress();
  const dispatch = useDispatch<ThunkDispatch<PlanWorksState, undefined, UnknownAction>>();
  const works = useSelector(({ planWorks }: PlanWorksState) => planWorks[company.id]) ?? none;
  if (!data) return <p className="unseen">Loading</p>;
  const asked = address.get('columns');
  const kept = data.plans.find(({ id }) => String(id) === asked);
  const usualPlans = usualPlansOf(budgetsHeld?.budgets ?? [], listsHeld?.lists.filter(({ kind }) => kind === 'facet') ?? []);
  const usual = usualPlans[Number(/^usual-(\d+)$/.exec(asked ?? '')?.[1] ?? (kept ? -1 : 0))] ?? usualPlans[0];
  const begun = kept ?? { id: null, name: usual?.name ?? '', definition: usual?.definition ?? { columns: [] }, version: 0 };
  const workKey = kept ? `${kept.id} ${kept.version}` : begun.name;
  const work = works[workKey] ?? { draft: beginSteps<PlanDefinition>(begun.definition), name: begun.name };
  const isBegun = (key: string): boolean => works[key] !== undefined;
  return (
    <div className={styles.screen}>
      <nav className={styles.list} aria-label="Column plans">
        <h1>Column plans</h1>
        {data.plans.length > 0 && <h2>Kept</h2>}
        {data.plans.map(({ id, name, version }) => (
          <button key={id} type="button" className={styles.listed} aria-current={kept?.id === id || undefined} onClick={() => change({ columns: String(id) })}>
            {name}
            {isBegun(`${id} ${version}`) && <small> not kept yet</small>}
          </button>
        ))}
        <h2>To begin with</h2>
        {usualPlans.map(({ name }, at) => (
          <button
            key={name}
            type="button"
            className={styles.listed}
            aria-current={(!kept && usual?.name === name) || undefined}
            onClick={() => change({ columns: `usual-${at}` })}
          >
            {name}
            {isBegun(name) && <small> not kept yet</small>}
          </button>
        ))}
      </nav>
      <PlanEditor
        key={workKey}
        begun={begun}
        work={work}
        onWork={(next) =>
          dispatch((_, getState) => {
            const latest = getState().planWorks[company.id]?.[workKey] ?? work;
            dispatch(planWorkedAt({ companyId: company.id, key: workKey, work: next(latest) }));
          })
        }
        onKept={(id) => {
          dispatch(planWorkEnded({ companyId: company.id, key: workKey }));
          change({ columns: id === null ? null : String(id) });
        }}
      />
    </div>
  );
}

interface Begun extends Pick<ColumnPlanBody, 'name' | 'version'> {
  /** `null` where it is not kept yet. */
  readonly id: number | null;
  readonly definition: PlanDefinition;
}

interface PlanEditorProps {
  readonly begun: Begun;
  readonly work: PlanWork;
  readonly onWork: (next: (work: PlanWork) => PlanWork) => void;
  readonly onKept: (id: number | null) => void;
}

function PlanEditor({ begun, work, onWork, onKept }: PlanEditorProps) {
  const company = useCompany();
  const mayCompose = useMay('keep_layouts');
  const dispatch = useDispatch();
  const { draft, name } = work;
  const [chosen, setChosen] = useState<string | null>(begun.definition.columns[0]?.key ?? null);
  const [kind, setKind] = useState<StatementKind>('income-statement');
  const [scale, setScale] = useState<Scale>({ unit: 'thousands', rounding: 'footed' });
  const [dragged, setDragged] = useState<string | null>(null);
  const { data: lists } = useListCodeListsQuery({ companyId: company.id });
  const { data: budgets } = useListBudgetsQuery({ companyId: company.id });
  const [add] = useAddColumnPlanMutation();
  const [save] = useChangeColumnPlanMutation();
  const [remove] = useDeleteColumnPlanMutation();
  const step = (to: (draft: UndoSteps<PlanDefinition>) => UndoSteps<PlanDefinition>) => onWork((before) => ({ ...before, draft: to(before.draft) }));
  const undo = () => step(steppedBack);
  const redo = () => step(steppedForth);
  useUndoKeys(undo, redo);
  const { now: plan } = draft;
  const { currentData: statement, error } = usePlanSample(plan, kind, scale);
  const facets = lists?.lists ?? [];
  const column = plan.columns.find(({ key }) => key === chosen);
  const edit = (next: PlanDefinition, what: string, merge?: string) => step((before) => stepped(before, next, what, merge));
  const headingOf = (key: string): string => {
    const found = plan.columns.find((one) => one.key === key);
    return found ? headingText(found) : 'a column that has gone';
  };
  const isChanged = plan !== begun.definition || name.trim() !== begun.name;
  const keep = async (asNew: boolean) => {
    // Lists of the core are not to be written to; those of a request are nobody's any more.
    const body = { name: name.trim(), definition: plan as ColumnPlanInput['definition'] };
    const { data, error: refused } =
      asNew || begun.id === null
        ? await add({ companyId: company.id, body })
        : await save({ companyId: company.id, planId: begun.id, body: { ...body, version: begun.version } });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(refused) }));
    dispatch(noticeGiven({ tone: 'done', text: `Kept: ${data.name}. Every layout can be run with it.` }));
    onKept(data.id);
  };
  const drop = (key: string) => {
    const by = namedBy(plan, key);
    if (by.length > 0)
      return void dispatch(
        noticeGiven({ tone: 'refused', text: `${headingOf(key)} is needed by ${by.map(headingOf).join(', ')}. Change or remove these first.` }),
      );
    edit({ columns: plan.columns.filter((one) => one.key !== key) }, `Remove ${headingOf(key)}`);
    setChosen(plan.columns.find((one) => one.key !== key)?.key ?? null);
  };
  return (
    <>
      <div className={styles.main}>
        <header className={styles.head}>
          <input
            className={styles.name}
            aria-label="Name of the plan"
            value={name}
            maxLength={200}
            disabled={!mayCompose}
            onChange={({ target: { value } }) => onWork((before) => ({ ...before, name: value }))}
          />
          {mayCompose && (
            <div className={styles.headActs}>
              <UndoButtons undoName={draft.past.at(-1)?.name ?? null} redoName={draft.future.at(-1)?.name ?? null} onUndo={undo} onRedo={redo} />
              <ChoiceMenu
                label="Add column"
                choices={Object.entries(columnKinds).map(([value, label]) => ({ value: value as PlanColumn['kind'], label }))}
                chosen={[]}
                onChoose={(wanted) => {
                  const added = withColumn(plan, wanted, chosen);
                  edit(added.plan, `Add ${columnKinds[wanted].toLowerCase()}`);
                  setChosen(added.key);
                }}
              />
              {begun.id !== null && (
                <Button onClick={() => void keep(true)} disabled={name.trim() === '' || name.trim() === begun.name}>
                  Keep as new
                </Button>
              )}
              <Button
                variant="contained"
                disabled={name.trim() === '' || plan.columns.length === 0 || (begun.id !== null && !isChanged)}
                onClick={() => void keep(false)}
              >
                Keep
              </Button>
            </div>
          )}
        </header>
        <ol className={styles.cards} aria-label="Columns">
          {plan.columns.map((one, at) => (
            <li
              key={one.key}
              data-chosen={one.key === chosen || undefined}
              draggable={mayCompose}
              onDragStart={() => setDragged(one.key)}
              onDragEnd={() => setDragged(null)}
              onDragOver={(event) => dragged !== null && event.preventDefault()}
              onDrop={() => dragged !== null && edit(droppedBefore(plan, dragged, one.key), `Move ${headingOf(dragged)}`)}
            >
              <button
                type="button"
                className={styles.card}
                aria-pressed={one.key === chosen}
                onClick={() => setChosen(one.key)}
                onKeyDown={(event) => {
                  if (!event.altKey || !mayCompose || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
                  event.preventDefault();
                  edit(shifted(plan, one.key, event.key === 'ArrowLeft' ? -1 : 1), `Move ${headingOf(one.key)}`);
                }}
              >
                {one.group !== '' && <em>{one.group}</em>}
                <strong>{headingText(one)}</strong>
                <small>{columnText(one, headingOf, facets)}</small>
              </button>
              {mayCompose && one.key === chosen && (
                <span className={styles.acts}>
                  <OrderActs
                    runs="across"
                    at={at}
                    count={plan.columns.length}
                    removeLabel="Remove the column"
                    onShift={(by) => edit(shifted(plan, one.key, by), `Move ${headingOf(one.key)}`)}
                    onRemove={() => drop(one.key)}
                  />
                </span>
              )}
            </li>
          ))}
          {plan.columns.length === 0 && <p className={styles.note}>No column yet: add one.</p>}
        </ol>
        <PlanSample kind={kind} statement={statement} error={error} onKind={setKind} scale={scale} onScale={setScale} />
      </div>
      <aside className={styles.properties} aria-label="Properties">
        {column ? (
          <>
            <h2>{headingText(column)}</h2>
            <p className={styles.note}>
              {columnKinds[column.kind]} · key {column.key}
            </p>
            <ColumnFields
              column={column}
              plan={plan}
              lists={facets}
              budgets={budgets?.budgets ?? []}
              rows={statement?.rows ?? []}
              disabled={!mayCompose}
              onChange={(changed, what, merge) =>
                edit({ columns: plan.columns.map((one) => (one.key === changed.key ? changed : one)) }, `${what} of ${headingText(column)}`, merge)
              }
            />
          </>
        ) : (
          <p className={styles.note}>Choose a column to see what it is.</p>
        )}
        {mayCompose && begun.id !== null && (
          <button
            type="button"
            className={styles.link}
            onClick={() =>
              void remove({ companyId: company.id, planId: begun.id as number, version: begun.version }).then(({ error: refused }) => {
                if (refused !== undefined) return dispatch(noticeGiven({ tone: 'refused', text: describeFailure(refused) }));
                dispatch(noticeGiven({ tone: 'done', text: `Deleted: ${begun.name}.` }));
                onKept(null);
              })
            }
          >
            Delete the plan
          </button>
        )}
      </aside>
    </>
  );
}
