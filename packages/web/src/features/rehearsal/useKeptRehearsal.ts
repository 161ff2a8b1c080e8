import type { PlacementDraftBody, PlacementRehearsal, SavedRehearsal } from '@ivory-ladder/contract';
import { emptyDraft, isEmptyDraft, mergeDrafts, type PlacementDraft } from '@ivory-ladder/core';
import { useCallback, useEffect, useRef } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeRehearsalMutation, useListRehearsalsQuery, useSaveRehearsalMutation } from '../../shared/api/placementApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { type KeptRehearsal, rehearsalJoined, rehearsalKept, rehearsalOpened, rehearsedKey, type WorkingRehearsal } from '../../shared/state/rehearsalSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';

const millisecondsBeforeKeeping = 400;

/** Keeps the working rehearsal on the server a moment after each change, and goes on with the one that was left there. */
export function useKeptRehearsal(working: WorkingRehearsal | undefined, accountName: (id: number) => string): void {
  const { id: companyId } = useCompany();
  const { classification, asked } = useClassification();
  const rehearsed = rehearsedKey(companyId, classification.id);
  const of = asked.classification;
  const mayPlace = useMay('keep_placement');
  const dispatch = useDispatch();
  const { data, refetch } = useListRehearsalsQuery({ companyId, ...asked }, { skip: !mayPlace, refetchOnMountOrArgChange: true });
  const [save] = useSaveRehearsalMutation();
  const [change] = useChangeRehearsalMutation();
  const looked = useRef('');
  const draft = working?.steps.now;
  /** What the server has, or is being told. */
  const told = useRef(draft);
  /** What this window and the server last had in common: what either did since is joined. */
  const common = useRef(draft);
  const kept = useRef<KeptRehearsal | null>(null);
  kept.current = working?.kept ?? null;
  useEffect(() => {
    if (!data || !draft || looked.current === rehearsed) return;
    looked.current = rehearsed;
    const left = data.rehearsals.find(({ isOwn, name }) => isOwn && name === '');
    if (left && isEmptyDraft(draft) && !isEmptyDraft(left.draft)) {
      told.current = left.draft;
      common.current = left.draft;
      dispatch(rehearsalOpened({ rehearsed, rehearsal: left }));
    }
  }, [data, draft, rehearsed, dispatch]);
  const join = useCallback(
    (sent: PlacementDraft, rehearsal: PlacementRehearsal, ids: Readonly<Record<string, number>>) => {
      const { draft: joined, changedAt: _, ...meta } = rehearsal;
      kept.current = meta;
      common.current = joined;
      told.current = joined;
      dispatch(rehearsalJoined({ rehearsed, sent, rehearsal, ids }));
    },
    [dispatch, rehearsed],
  );
  const sayJoined = useCallback(
    (joined: number, { accountIds, categoryIds }: SavedRehearsal['overridden']) => {
      const over = accountIds.length + categoryIds.length;
      if (joined + over === 0) return;
      const names = [...accountIds.map(accountName), ...(categoryIds.length > 0 ? [counted(categoryIds.length, 'category', 'categories')] : [])];
      const said = [
        joined > 0 ? `Another window of yours made or took out ${counted(joined, 'change')}: joined here.` : '',
        over > 0
          ? `${joined > 0 ? 'It' : 'Another window of yours'} changed ${names.slice(0, 3).join(', ')}${names.length > 3 ? ' and others' : ''} otherwise: that stands as it is here.`
          : '',
      ];
      dispatch(noticeGiven({ tone: 'done', text: said.filter(Boolean).join(' ') }));
    },
    [dispatch, accountName],
  );
  const isOver = working?.appliedTo !== null;
  const isUnchanged = working !== undefined && working.steps.past.length + working.steps.future.length === 0;
  const isNothing = isUnchanged && working.kept === null && isEmptyDraft(working.steps.now);
  const over = useRef(false);
  over.current = isOver || isNothing;
  // One after the other: a later state is never overtaken by an earlier one.
  const telling = useRef(Promise.resolve());
  const tell = useCallback(
    (latest: PlacementDraft) => {
      told.current = latest;
      telling.current = telling.current.then(async () => {
        const asWorking = (draft: PlacementDraft, base: PlacementDraft) =>
          save({ companyId, body: { name: '', ...bodies(draft, base), ...(of === undefined ? {} : { classification: of }) } });
        const base = common.current ?? emptyDraft;
        const named = kept.current?.name ? kept.current : null;
        const written = named
          ? await change({ companyId, rehearsalId: named.id, body: { version: named.version, ...bodies(latest, base) } })
          : await asWorking(latest, base);
        if (!written.data) return;
        // It was applied while this was on its way: nothing of it is proposed any more.
        if (over.current) {
          if (!named) await asWorking(emptyDraft, latest);
          return;
        }
        common.current = latest;
        if (written.data.joined > 0 || Object.keys(written.data.ids).length > 0) join(latest, written.data, written.data.ids);
        else if (kept.current?.version !== written.data.version) {
          const { draft: _, changedAt: __, ...meta } = written.data;
          kept.current = meta;
          dispatch(rehearsalKept({ rehearsed, rehearsal: written.data }));
        }
        sayJoined(written.data.joined, written.data.overridden);
      });
    },
    [companyId, rehearsed, of, save, change, dispatch, join, sayJoined],
  );
  // What another window did is seen as soon as somebody comes back to this one.
  useEffect(() => {
    if (!mayPlace) return;
    const look = () => void refetch();
    window.addEventListener('focus', look);
    return () => window.removeEventListener('focus', look);
  }, [mayPlace, refetch]);
  const listed = data?.rehearsals;
  const isAtWork = working?.kept?.name === '';
  useEffect(() => {
    const there = listed?.find(({ isOwn, name }) => isOwn && name === '');
    const here = kept.current;
    if (!there || !isAtWork || !here || there.id !== here.id || there.version <= here.version) return;
    const { joined } = mergeDrafts(common.current ?? emptyDraft, common.current ?? emptyDraft, there.draft);
    join(common.current ?? emptyDraft, there, {});
    sayJoined(joined, { accountIds: [], categoryIds: [] });
  }, [listed, isAtWork, join, sayJoined]);
  const left = useRef<PlacementDraft | null>(null);
  const isOthers = working?.kept?.isOwn === false;
  const isAsOpened = isUnchanged && working.kept !== null;
  useEffect(() => {
    left.current = null;
    // One that was opened is kept as it is; one that was applied has ended there, and what another window has left in it is that window's.
    if (isAsOpened || isNothing) {
      told.current = draft;
      common.current = draft;
    }
    // Somebody else's is looked at, not written.
    if (!draft || draft === told.current || !mayPlace || isOver || isOthers) return;
    left.current = draft;
    const timer = setTimeout(() => {
      left.current = null;
      tell(draft);
    }, millisecondsBeforeKeeping);
    return () => clearTimeout(timer);
  }, [draft, mayPlace, isOver, isOthers, isAsOpened, isNothing, tell]);
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

function bodies(draft: PlacementDraft, base: PlacementDraft): { draft: PlacementDraftBody; base: PlacementDraftBody } {
  return { draft: draft as PlacementDraftBody, base: base as PlacementDraftBody };
}
