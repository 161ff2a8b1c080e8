import type { CodeListBody, LayoutDetail, OwnLayoutBody, PlacementView } from '@ivory-ladder/contract';
import {
  type DefinitionNeed,
  type ExpandedLayout,
  type LayoutEdit,
  type LayoutFacts,
  lastMomentOf,
  mergeLayouts,
  type OwnLayout,
  type ScaleUnit,
  type UsualColumns,
} from '@ivory-ladder/core';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { ivoryApi } from '../../shared/api/ivoryApi.ts';
import { useSaveLayoutDraftMutation } from '../../shared/api/layoutApi.ts';
import { layoutFacts } from '../../shared/api/layoutFacts.ts';
import { tagOf } from '../../shared/api/tags.ts';
import type { AppDispatch } from '../../shared/state/appState.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { beginSteps, stepped, steppedAside, steppedBack, steppedForth } from '../../shared/state/undoSteps.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useUndoKeys } from '../../shared/state/useUndoKeys.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { type Composition, edited, expansionOf } from './composition.ts';
import { lineCaptions } from './lineCaptions.ts';
import { PreviewFigures, type PreviewSources } from './PreviewFigures.ts';
import { usePreviewRest } from './usePreview.ts';

type SaveState = { readonly kind: 'saved'; readonly at: Date | null } | { readonly kind: 'saving' | 'waiting' };

export interface Composer {
  readonly layout: OwnLayout;
  readonly facts: LayoutFacts;
  readonly expanded: ExpandedLayout;
  readonly view: PlacementView;
  readonly lists: readonly CodeListBody[];
  readonly figures: PreviewFigures;
  /** Of a layout of movements: what each account moved in the first column, debit positive; nothing until it is known. */
  readonly movements: ReadonlyMap<number, bigint> | null;
  /** Of the preview. */
  readonly columns: UsualColumns;
  readonly save: SaveState;
  /** `false` where it was refused, which is said. Edits with the same `merge` that follow each other, as while a field is typed, are one step. */
  edit(edits: readonly LayoutEdit[], name: string, merge?: string): boolean;
  undo(): void;
  redo(): void;
  readonly undoName: string | null;
  readonly redoName: string | null;
  /** Another definition in the place of the one that is worked at, as one step. */
  replace(layout: OwnLayout, name: string): void;
  /** Saves at once what is not saved; gives the version that is kept, or nothing where it was refused. */
  flush(): Promise<number | null>;
  /** The version of what was put in use or dropped. */
  began(version: number, layout: OwnLayout): void;
}

const millisecondsBeforeSaving = 700;
const millisecondsBetweenLooks = 3000;
const mostNamed = 3;

function namesOf(captions: readonly string[]): string {
  const named = captions.slice(0, mostNamed).map((caption) => `«${caption}»`);
  return [...named, ...(captions.length > mostNamed ? [`${captions.length - mostNamed} more`] : [])].join(', ');
}

const usualColumns: UsualColumns = { plan: 'comparison' };

/** A layout that is composed: each edit shows at once, is run beside the screen, and is saved a moment later. */
export function useComposer(
  detail: LayoutDetail,
  view: PlacementView,
  lists: readonly CodeListBody[],
  chosenPlan: UsualColumns | null,
  scale: ScaleUnit,
  onDetail: (detail: LayoutDetail) => void,
): Composer {
  const company = useCompany();
  const dispatch = useDispatch<AppDispatch>();
  const { span } = useSpan();
  const { id: companyId, digitOrder } = company;
  const language = company.languages[0] ?? 'en';
  const [composition, setComposition] = useState<Composition>(() => beginSteps(detail.definition as OwnLayout));
  const [save, setSave] = useState<SaveState>({ kind: 'saved', at: null });
  const [figures] = useState(() => new PreviewFigures());
  const [saveDraft] = useSaveLayoutDraftMutation();
  const { now: layout } = composition;
  const facts = useMemo(() => layoutFacts(view, digitOrder, language, lists, layout), [view, digitOrder, language, lists, layout]);
  const expanded = expansionOf(layout, facts);
  const current = useRef({ composition, facts });
  current.current = { composition, facts };
  const leftOut = useMemo(
    () => view.exclusions.flatMap(({ scope, accountId }) => (scope === `layout:${detail.id}` ? [accountId] : [])),
    [view.exclusions, detail.id],
  );

  const movements = usePreviewRest(figures)?.movements ?? null;
  useLayoutEffect(() => {
    figures.open(previewSources(dispatch, companyId));
    return () => figures.close();
  }, [figures, dispatch, companyId]);
  const { classificationId } = detail;
  useLayoutEffect(() => figures.hold({ view, company, lists, classificationId }), [figures, view, company, lists, classificationId]);
  useLayoutEffect(() => figures.printIn(scale), [figures, scale]);
  // Those that the layout is run with, where no others are chosen for the preview.
  const columns = chosenPlan ?? layout.columns ?? usualColumns;
  const planId = columns.plan === 'composed' ? columns.planId : undefined;
  const { plan } = columns;
  useLayoutEffect(() => {
    const { from, to, compare, compareFrom, compareTo, adjusting } = span;
    if (from > to) return figures.refuse({ code: 'span_reversed', facts: { from, to } });
    const comparison = compare === 'fixed' ? { kind: compare, firstDay: compareFrom ?? from, lastDay: compareTo ?? to } : { kind: compare };
    figures.runOver({ span: { firstDay: from, lastDay: to }, comparison, adjusting, columns: { plan, planId } });
  }, [figures, span, plan, planId]);
  useLayoutEffect(() => {
    // Asked for before the outline was drawn, figures may be there by now, and go into the page with it.
    if (!figures.ask(layout, leftOut)) figures.hearEarly();
  }, [figures, layout, leftOut]);

  const kept = useRef({ version: detail.version, layout: detail.definition as OwnLayout });
  const latestOnDetail = useRef(onDetail);
  latestOnDetail.current = onDetail;
  /** What somebody else saved goes into every state of the layout here, line by line; `sent` is what both began from. */
  const join = useCallback((sent: OwnLayout, theirs: LayoutDetail) => {
    const definition = theirs.definition as OwnLayout;
    const after = steppedAside(current.current.composition, (state) => (state === sent ? definition : mergeLayouts(sent, state, definition).layout));
    kept.current = { version: theirs.version, layout: definition };
    current.current = { ...current.current, composition: after };
    setComposition(after);
    setSave(after.now === definition ? { kind: 'saved', at: new Date() } : { kind: 'waiting' });
    latestOnDetail.current(theirs);
  }, []);
  const sayJoined = useCallback(
    ({ by, joined, overridden }: { readonly by: string; readonly joined: readonly string[]; readonly overridden: readonly string[] }) => {
      const said = [
        joined.length > 0 ? `${by} changed ${namesOf(joined)}: joined here.` : '',
        overridden.length > 0 ? `${by} changed ${namesOf(overridden)} otherwise: yours stands, theirs is kept under Version.` : '',
      ];
      if (joined.length + overridden.length > 0) dispatch(noticeGiven({ tone: 'done', text: said.filter(Boolean).join(' ') }));
    },
    [dispatch],
  );
  const saving = useRef<Promise<number | null>>(Promise.resolve(null));
  const saveNow = useCallback((): Promise<number | null> => {
    const work = async (): Promise<number | null> => {
      const wanted = current.current.composition.now;
      if (wanted === kept.current.layout) return kept.current.version;
      setSave({ kind: 'saving' });
      const { version, layout: base } = kept.current;
      const body = { version, definition: wanted as OwnLayoutBody, base: base as OwnLayoutBody };
      const { data, error } = await saveDraft({ companyId, layoutId: detail.id, body });
      if (data) {
        const { joined, ...saved } = data;
        if (joined) {
          join(wanted, saved);
          sayJoined(joined);
          return saved.version;
        }
        kept.current = { version: data.version, layout: wanted };
        setSave(current.current.composition.now === wanted ? { kind: 'saved', at: new Date() } : { kind: 'waiting' });
        return data.version;
      }
      setSave({ kind: 'waiting' });
      dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
      return null;
    };
    saving.current = saving.current.then(work, work);
    return saving.current;
  }, [saveDraft, companyId, detail.id, dispatch, join, sayJoined]);
  useEffect(() => {
    if (layout === kept.current.layout) {
      // Back to what is kept, before anything else was saved.
      setSave((before) => (before.kind === 'waiting' ? { kind: 'saved', at: new Date() } : before));
      return;
    }
    setSave((before) => (before.kind === 'waiting' ? before : { kind: 'waiting' }));
    const timer = setTimeout(() => void saveNow(), millisecondsBeforeSaving);
    return () => clearTimeout(timer);
  }, [layout, saveNow]);
  // What somebody else saves is seen a moment later.
  useEffect(() => {
    const look = async (): Promise<number | null> => {
      // What is not saved yet meets it when it is saved, where what it writes over is kept.
      if (current.current.composition.now !== kept.current.layout) return kept.current.version;
      const { data: listed } = await dispatch(ivoryApi.endpoints.listLayouts.initiate({ companyId }, { forceRefetch: true, subscribe: false }));
      const there = listed?.layouts.find(({ id }) => id === detail.id);
      if (!there || there.version <= kept.current.version) return kept.current.version;
      const asked = { companyId, layoutId: detail.id };
      const { data } = await dispatch(ivoryApi.endpoints.getLayout.initiate(asked, { forceRefetch: true, subscribe: false }));
      if (!data || data.version <= kept.current.version) return kept.current.version;
      const { joined } = mergeLayouts(kept.current.layout, kept.current.layout, data.definition as OwnLayout);
      join(kept.current.layout, data);
      sayJoined({ by: data.changedBy, joined, overridden: [] });
      return data.version;
    };
    const timer = setInterval(() => {
      // Between saves, so that what was just saved from here is not taken for somebody else's.
      if (document.visibilityState === 'visible') saving.current = saving.current.then(look, look);
    }, millisecondsBetweenLooks);
    return () => clearInterval(timer);
  }, [dispatch, companyId, detail.id, join, sayJoined]);
  // What was drafted last goes along when the screen is left.
  useEffect(() => () => void saveNow(), [saveNow]);

  const edit = useCallback(
    (edits: readonly LayoutEdit[], name: string, merge?: string): boolean => {
      const { composition: before, facts: over } = current.current;
      const outcome = edited(before, edits, name, over, merge);
      if (!outcome.ok) {
        // Captions are what its author knows a line by.
        const captions = lineCaptions(expansionOf(before.now, over));
        const named = (key: string): string => `«${captions.get(key) ?? key}»`;
        const { failure } = outcome;
        const { code, ...told } = failure.code === 'line_in_use' ? { ...failure, line: named(failure.line), by: failure.by.map(named) } : failure;
        dispatch(noticeGiven({ tone: 'refused', text: describeFailure({ code, facts: told }) }));
        return false;
      }
      current.current = { ...current.current, composition: outcome.value };
      // The worker is at it while the screen is drawn.
      figures.ask(outcome.value.now, leftOut);
      setComposition(outcome.value);
      return true;
    },
    [dispatch, figures, leftOut],
  );
  const step = useCallback((to: (composition: Composition) => Composition) => {
    const after = to(current.current.composition);
    current.current = { ...current.current, composition: after };
    setComposition(after);
  }, []);
  const undo = useCallback(() => step(steppedBack), [step]);
  const redo = useCallback(() => step(steppedForth), [step]);
  useUndoKeys(undo, redo);
  const replace = useCallback((next: OwnLayout, name: string) => step((before) => stepped(before, next, name)), [step]);
  const began = useCallback(
    (version: number, next: OwnLayout) => {
      kept.current = { version, layout: next };
      setSave({ kind: 'saved', at: new Date() });
      if (next !== current.current.composition.now) step(() => beginSteps(next));
    },
    [step],
  );
  return {
    layout,
    facts,
    expanded,
    view,
    lists,
    figures,
    movements,
    columns,
    save,
    edit,
    undo,
    redo,
    undoName: composition.past.at(-1)?.name ?? null,
    redoName: composition.future.at(-1)?.name ?? null,
    replace,
    flush: saveNow,
    began,
  };
}

/** What the preview is run on beside the placement that the page has. */
function previewSources(dispatch: AppDispatch, companyId: number): PreviewSources {
  return {
    async definition(need: DefinitionNeed) {
      if (need.of === 'column_plan') {
        const { data } = await dispatch(ivoryApi.endpoints.listColumnPlans.initiate({ companyId }, { subscribe: false }));
        return data?.plans.find(({ id }) => id === need.id)?.definition ?? null;
      }
      if (need.of === 'past_placement') {
        const { classificationId: classification, day } = need;
        const asked = { companyId, classification, moment: lastMomentOf(day) };
        const { data } = await dispatch(ivoryApi.endpoints.getPastPlacement.initiate(asked, { subscribe: false, forceRefetch: true }));
        return data && data.categories.length > 0 ? data : null;
      }
      if (need.of !== 'budget') return null;
      const { data } = await dispatch(ivoryApi.endpoints.listBudgets.initiate({ companyId }, { subscribe: false }));
      return data?.budgets.find(({ id }) => id === need.id) ?? null;
    },
    movedOn: () => void dispatch(ivoryApi.util.invalidateTags([tagOf('Ledger', { companyId })])),
  };
}
