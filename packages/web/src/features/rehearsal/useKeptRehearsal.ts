import type { PlacementDraftBody } from '@ivory-ladder/contract';
import { isEmptyDraft, type PlacementDraft } from '@ivory-ladder/core';
import { useCallback, useEffect, useRef } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeRehearsalMutation, useListRehearsalsQuery, useSaveRehearsalMutation } from '../../api/placementApi.ts';
import { type KeptRehearsal, rehearsalKept, rehearsalOpened, rehearsedKey, type WorkingRehearsal } from '../../app/rehearsalSlice.ts';
import { useClassification } from '../../app/useClassification.ts';
import { useCompany, useMay } from '../../app/useCompany.ts';

const millisecondsBeforeKeeping = 400;

/** Keeps the working rehearsal on the server a moment after each change, and goes on with the one that was left there. */
export function useKeptRehearsal(working: WorkingRehearsal | undefined): void {
  const { id: companyId } = useCompany();
  const { classification, asked } = useClassification();
  const rehearsed = rehearsedKey(companyId, classification.id);
  const of = asked.classification;
  const mayPlace = useMay('preparer');
  const dispatch = useDispatch();
  const { data } = useListRehearsalsQuery({ companyId, ...asked }, { skip: !mayPlace, refetchOnMountOrArgChange: true });
  const [save] = useSaveRehearsalMutation();
  const [change] = useChangeRehearsalMutation();
  const looked = useRef('');
  const draft = working?.draft;
  /** What the server has, or is being told. */
  const told = useRef(draft);
  const kept = useRef<KeptRehearsal | null>(null);
  kept.current = working?.kept ?? null;
  useEffect(() => {
    if (!data || !draft || looked.current === rehearsed) return;
    looked.current = rehearsed;
    const left = data.rehearsals.find(({ isOwn, name }) => isOwn && name === '');
    if (left && isEmptyDraft(draft) && !isEmptyDraft(left.draft)) {
      told.current = left.draft;
      dispatch(rehearsalOpened({ rehearsed, rehearsal: left }));
    }
  }, [data, draft, rehearsed, dispatch]);
  // One after the other: a later state is never overtaken by an earlier one.
  const telling = useRef(Promise.resolve());
  const tell = useCallback(
    (latest: PlacementDraft) => {
      told.current = latest;
      telling.current = telling.current.then(async () => {
        const body = latest as PlacementDraftBody;
        const named = kept.current?.name ? kept.current : null;
        const written = named
          ? await change({ companyId, rehearsalId: named.id, version: named.version, draft: body })
          : await save({ companyId, name: '', draft: body, ...(of === undefined ? {} : { classification: of }) });
        if (written.data && kept.current?.version !== written.data.version) {
          const { draft: _, changedAt: __, ...meta } = written.data;
          kept.current = meta;
          dispatch(rehearsalKept({ rehearsed, rehearsal: written.data }));
        }
      });
    },
    [companyId, rehearsed, of, save, change, dispatch],
  );
  const left = useRef<PlacementDraft | null>(null);
  const isOver = working?.appliedTo !== null;
  const isOthers = working?.kept?.isOwn === false;
  const isAsOpened = working?.kept != null && working.past.length + working.future.length === 0;
  useEffect(() => {
    left.current = null;
    // One that was opened is kept as it is.
    if (isAsOpened) told.current = draft;
    // Somebody else's is looked at, not written; what was applied or discarded is forgotten as it was.
    if (!draft || draft === told.current || !mayPlace || isOver || isOthers) return;
    left.current = draft;
    const timer = setTimeout(() => {
      left.current = null;
      tell(draft);
    }, millisecondsBeforeKeeping);
    return () => clearTimeout(timer);
  }, [draft, mayPlace, isOver, isOthers, isAsOpened, tell]);
  // Nothing is lost with the page, nor with another screen.
  useEffect(() => {
    const leave = () => {
      if (left.current) tell(left.current);
      left.current = null;
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [tell]);
}
