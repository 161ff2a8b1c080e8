import type { PlacementDraftBody, PlacementView } from '@ivory-ladder/contract';
import { amendDraft, type DraftConflict, draftWithIds, isEmptyDraft, type PlacementChange, type PlacementDraft, type PlacementFault } from '@ivory-ladder/core';
import { useCallback, useEffect, useLayoutEffect, useMemo, useState } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { useApplyPlacementMutation, useDeleteRehearsalMutation, useListPlacedElsewhereQuery } from '../../shared/api/placementApi.ts';
import type { AppState } from '../../shared/state/appState.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import {
  draftAmended,
  draftRedone,
  draftUndone,
  noRehearsal,
  rehearsalApplied,
  rehearsalCleared,
  rehearsalDiscarded,
  rehearsedKey,
  type WorkingRehearsal,
} from '../../shared/state/rehearsalSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useUndoKeys } from '../../shared/state/useUndoKeys.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { modelPlacement, type PlacementBase, type PlacementModel, placementBase, soundOf } from './placementModel.ts';
import { RehearsalFigures } from './rehearsalFigures.ts';

export interface PlacementRehearsing {
  readonly view: PlacementView;
  readonly base: PlacementBase;
  /** As it is kept, and with what is proposed. */
  readonly kept: PlacementModel;
  readonly model: PlacementModel;
  readonly working: WorkingRehearsal;
  /** What of the working draft can be applied. */
  readonly draft: PlacementDraft;
  readonly conflicts: readonly DraftConflict[];
  readonly faults: readonly PlacementFault[];
  /** What it does to the statements. */
  readonly figures: RehearsalFigures;
  readonly isApplying: boolean;
  /** Joins a change to the rehearsal; `false` where it was refused, which is said. */
  amend(change: PlacementChange, name: string): boolean;
  /** Takes single changes out again. */
  takeOut(accountIds: readonly number[], categoryIds: readonly number[]): void;
  /** Puts what the draft says in the place of what somebody else made of it meanwhile. */
  insist(conflict: DraftConflict): void;
  apply(reason: string): Promise<boolean>;
  discard(): void;
  undo(): void;
  redo(): void;
  readonly undoName: string | null;
  readonly redoName: string | null;
}

/** The placement with the changes that somebody proposes; every change of it joins them, and stands when they are applied. */
export function useRehearsal(view: PlacementView | undefined): PlacementRehearsing | null {
  const company = useCompany();
  const { id: companyId, digitOrder } = company;
  const { span } = useSpan();
  const dispatch = useDispatch();
  const { classification, asked } = useClassification();
  const rehearsed = rehearsedKey(companyId, classification.id);
  const working = useSelector((state: AppState) => state.rehearsal[rehearsed] ?? noRehearsal);
  const [applyNow, { isLoading: isApplying }] = useApplyPlacementMutation();
  const [deleteKept] = useDeleteRehearsalMutation();
  const base = useMemo(() => (view ? placementBase(view, digitOrder) : null), [view, digitOrder]);
  const sound = useMemo(() => (base ? soundOf(base, working.steps.now, digitOrder) : null), [base, working.steps.now, digitOrder]);
  const kept = useMemo(() => (base ? modelPlacement(base) : null), [base]);
  const model = useMemo(() => (base && sound && kept ? (isEmptyDraft(sound.draft) ? kept : modelPlacement(base, sound.placement)) : null), [base, sound, kept]);
  const [figures] = useState(() => new RehearsalFigures());
  const { data: elsewhere } = useListPlacedElsewhereQuery({ companyId });
  useLayoutEffect(() => {
    figures.open();
    return () => figures.close();
  }, [figures]);
  useLayoutEffect(() => {
    if (view) figures.hold(view, company);
  }, [figures, view, company]);
  useLayoutEffect(() => {
    if (elsewhere) figures.tellElsewhere(elsewhere.placed);
  }, [figures, elsewhere]);
  useLayoutEffect(() => {
    if (!view) return;
    figures.ask(working.steps.now);
    figures.hearEarly();
  }, [figures, view, working.steps.now]);
  // What was applied is shown as a draft until the placement comes with it.
  const hasArrived = working.appliedTo !== null && view !== undefined && view.structureVersion !== working.appliedTo;
  useEffect(() => {
    if (hasArrived) dispatch(rehearsalCleared({ rehearsed }));
  }, [hasArrived, dispatch, rehearsed]);

  const refuse = useCallback((failure: unknown) => void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(failure) })), [dispatch]);
  /** Parts that are in conflict stay beside it until somebody decides about them. */
  const write = useCallback(
    (draft: PlacementDraft, name: string) => {
      const [accounts, categories] = [new Set(draft.places.map(({ accountId }) => accountId)), new Set(draft.categories.map(({ id }) => id))];
      const left = sound?.conflicts ?? [];
      // What was judged already is not judged again.
      const whole =
        left.length === 0
          ? draft
          : {
              places: [...draft.places, ...left.flatMap((one) => (one.thing === 'account' && !accounts.has(one.drafted.accountId) ? [one.drafted] : []))],
              categories: [...draft.categories, ...left.flatMap((one) => (one.thing === 'category' && !categories.has(one.drafted.id) ? [one.drafted] : []))],
            };
      // The worker is at it while the screen is drawn.
      figures.ask(whole);
      dispatch(draftAmended({ rehearsed, name, draft: whole }));
    },
    [dispatch, rehearsed, sound, figures],
  );
  const amend = useCallback(
    (change: PlacementChange, name: string): boolean => {
      if (!base || !sound) return false;
      const draft = amendDraft(base.placement, sound.draft, change);
      const [fault] = soundOf(base, draft, digitOrder).faults;
      if (fault) {
        const { code, ...facts } = fault;
        refuse({ code, facts });
        return false;
      }
      write(draft, name);
      return true;
    },
    [base, sound, digitOrder, refuse, write],
  );
  const takeOut = useCallback(
    (accountIds: readonly number[], categoryIds: readonly number[]) => {
      const { places, categories } = working.steps.now;
      const draft = {
        places: places.filter(({ accountId }) => !accountIds.includes(accountId)),
        categories: categories.filter(({ id }) => !categoryIds.includes(id)),
      };
      dispatch(draftAmended({ rehearsed, name: 'take changes out', draft }));
    },
    [working.steps.now, dispatch, rehearsed],
  );
  const insist = useCallback(
    (conflict: DraftConflict) => {
      const { places, categories } = working.steps.now;
      const draft =
        conflict.thing === 'account'
          ? { categories, places: places.map((one) => (one === conflict.drafted ? { ...one, before: conflict.theirs } : one)) }
          : { places, categories: categories.map((one) => (one === conflict.drafted ? { ...one, before: conflict.theirs } : one)) };
      dispatch(draftAmended({ rehearsed, name: 'keep a change of yours', draft }));
    },
    [working.steps.now, dispatch, rehearsed],
  );
  const apply = useCallback(
    async (reason: string): Promise<boolean> => {
      if (!view || !sound) return false;
      const of = asked.classification === undefined ? {} : { classification: asked.classification };
      const ends = working.kept ? { rehearsalId: working.kept.id } : {};
      const applied = await applyNow({ companyId, body: { draft: sound.draft as PlacementDraftBody, reason, ...ends, ...span, ...of } });
      if (!applied.data) {
        refuse(applied.error);
        return false;
      }
      const { recordId, ids, accounts, categories, changedLines } = applied.data;
      const draft = draftWithIds(sound.draft, new Map(Object.entries(ids).map(([from, to]) => [Number(from), to])));
      dispatch(rehearsalApplied({ rehearsed, draft, structureVersion: view.structureVersion }));
      const what = [
        accounts > 0 ? `${counted(accounts, 'account')} moved` : '',
        categories > 0 ? `${counted(categories, 'category', 'categories')} changed` : '',
      ];
      dispatch(
        noticeGiven({ tone: 'done', text: `Applied: ${[...what, `${counted(changedLines, 'line')} changed`].filter(Boolean).join(', ')}.`, undoes: recordId }),
      );
      return true;
    },
    [view, sound, companyId, rehearsed, asked.classification, span, applyNow, working.kept, dispatch, refuse],
  );
  const discard = useCallback(() => {
    // Somebody else's is only looked at no more.
    if (working.kept?.isOwn === false) return void dispatch(rehearsalCleared({ rehearsed }));
    if (working.kept?.name) void deleteKept({ companyId, rehearsalId: working.kept.id });
    dispatch(rehearsalDiscarded({ rehearsed }));
    const { places, categories } = working.steps.now;
    dispatch(noticeGiven({ tone: 'done', text: `Discarded: ${counted(places.length + categories.length, 'change')}.`, restores: rehearsed }));
  }, [working.kept, working.steps.now, deleteKept, dispatch, companyId, rehearsed]);
  const undo = useCallback(() => void dispatch(draftUndone({ rehearsed })), [dispatch, rehearsed]);
  const redo = useCallback(() => void dispatch(draftRedone({ rehearsed })), [dispatch, rehearsed]);
  useUndoKeys(undo, redo);
  const undoName = working.steps.past.at(-1)?.name ?? null;
  const redoName = working.steps.future.at(-1)?.name ?? null;
  return useMemo(
    () =>
      view && base && kept && model && sound
        ? {
            view,
            base,
            kept,
            model,
            working,
            draft: sound.draft,
            conflicts: sound.conflicts,
            faults: sound.faults,
            figures,
            isApplying: isApplying || working.appliedTo !== null,
            amend,
            takeOut,
            insist,
            apply,
            discard,
            undo,
            redo,
            undoName,
            redoName,
          }
        : null,
    [view, base, kept, model, sound, working, figures, isApplying, amend, takeOut, insist, apply, discard, undo, redo, undoName, redoName],
  );
}
