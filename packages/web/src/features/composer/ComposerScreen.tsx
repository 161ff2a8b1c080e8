import type { LayoutDetail, PlacementView } from '@ivory-ladder/contract';
import { type AccountsOwnLine, freshKey, newLine, type OwnLayout, type OwnLine, type OwnLineKind, type ScaleUnit, scaleUnits } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useGetLayoutQuery } from '../../shared/api/layoutApi.ts';
import { useGetPlacementQuery } from '../../shared/api/placementApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { UndoButtons } from '../../shared/components/UndoButtons.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { beginEarly, endUnused } from '../../shared/workers/earlyWorker.ts';
import { AddLineMenu } from './AddLineMenu.tsx';
import { ChartChooser } from './ChartChooser.tsx';
import { CompareDialog } from './CompareDialog.tsx';
import styles from './ComposerScreen.module.css';
import { CoverageFoot } from './CoverageFoot.tsx';
import { IdleAdjustments } from './IdleAdjustments.tsx';
import { LayoutSettings } from './LayoutSettings.tsx';
import { LinePanel } from './LinePanel.tsx';
import { Outline } from './Outline.tsx';
import { outlineRows } from './outlineRows.ts';
import { PaneDivider } from './PaneDivider.tsx';
import { Preview } from './Preview.tsx';
import { readColumns } from './previewColumns.ts';
import { Saved } from './Saved.tsx';
import { UseDialog } from './UseDialog.tsx';
import { type Composer, useComposer } from './useComposer.ts';
import { useLineClipboard } from './useLineClipboard.ts';
import { useOutlineActions } from './useOutlineActions.ts';
import { usePaneWidths } from './usePaneWidths.ts';
import { VersionsMenu } from './VersionsMenu.tsx';

/** A layout being composed: its outline, what it looks like, and what the chosen line is. */
export function ComposerScreen() {
  const company = useCompany();
  const { span } = useSpan();
  const { layoutId: text } = useParams();
  // Before anything in it, which may have all that it needs, and take the worker, as soon as this is there.
  useState(beginEarly);
  useEffect(() => endUnused, []);
  const layoutId = Number(text);
  const { data: detail, error } = useGetLayoutQuery({ companyId: company.id, layoutId });
  const classification = detail?.classificationId;
  const isMain = company.classifications.some(({ id, isMain: main }) => id === classification && main);
  const { data: view, error: viewError } = useGetPlacementQuery(
    { companyId: company.id, ...span, ...(classification === undefined || isMain ? {} : { classification }) },
    { skip: detail === undefined },
  );
  const { data: lists } = useListCodeListsQuery({ companyId: company.id });
  if (error !== undefined || viewError !== undefined)
    return (
      <section className={styles.sheet}>
        <EmptyState title="The layout cannot be shown">
          <p>{describeFailure(error ?? viewError)}</p>
          <Link to={`/companies/${company.id}/layouts`}>All layouts</Link>
        </EmptyState>
      </section>
    );
  if (!detail || !view || !lists) return <p className="unseen">Loading</p>;
  return <Loaded key={detail.id} detail={detail} view={view} lists={lists.lists} />;
}

interface LoadedProps {
  readonly detail: LayoutDetail;
  readonly view: PlacementView;
  readonly lists: Parameters<typeof useComposer>[2];
}

/** Its worker has what it needs before the outline is drawn, and works its figures out beside that. */
function Loaded({ detail: opened, view, lists }: LoadedProps) {
  const [detail, setDetail] = useState(opened);
  const [address] = useAddress();
  const asked = address.get('plan');
  const chosenColumns = useMemo(() => readColumns(asked), [asked]);
  const scale = scaleUnits.find((unit) => unit === address.get('scale')) ?? 'exact';
  const composer = useComposer(opened, view, lists, chosenColumns, scale, setDetail);
  const [isBegun, setBegun] = useState(false);
  useLayoutEffect(() => setBegun(true), []);
  if (!isBegun) return <p className="unseen">Loading</p>;
  return <Opened composer={composer} detail={detail} setDetail={setDetail} view={view} scale={scale} />;
}

interface OpenedProps extends Pick<LoadedProps, 'detail' | 'view'> {
  readonly composer: Composer;
  readonly setDetail: (detail: LayoutDetail) => void;
  readonly scale: ScaleUnit;
}

function Opened({ composer, detail, setDetail, view, scale }: OpenedProps) {
  const mayCompose = useMay('keep_layouts');
  const [address, changeAddress] = useAddress();
  const { expanded, layout } = composer;
  const [chosen, setChosen] = useState<readonly string[]>(() => (address.get('line') ? [address.get('line') as string] : []));
  const [toggled, setToggled] = useState<ReadonlyMap<string, boolean>>(new Map());
  const [sought, setSought] = useState('');
  const [choosing, setChoosing] = useState<{ readonly line: AccountsOwnLine | null } | null>(null);
  const [isPutting, setPutting] = useState(false);
  const [isComparing, setComparing] = useState(false);
  /** A new line that gets another key stays the same row and panel, so that what is being clicked stays there. */
  const stable = useRef({ ids: new Map<string, string>(), made: 0 });
  const stableId = useCallback((key: string): string => stable.current.ids.get(key) ?? key, []);
  const panes = usePaneWidths();
  const rows = useMemo(() => outlineRows(expanded, (key, byItself) => sought.trim() === '' && (toggled.get(key) ?? byItself)), [expanded, toggled, sought]);
  const there = useMemo(() => chosen.filter((key) => expanded.origins.has(key)), [chosen, expanded]);
  const actions = useOutlineActions(composer, rows, there);
  const choose = useCallback(
    (keys: readonly string[]) => {
      setChosen(keys);
      changeAddress({ line: keys.at(-1) ?? null });
    },
    [changeAddress],
  );
  const current = useRef(expanded);
  current.current = expanded;
  const show = useCallback(
    (key: string) => {
      // Whatever it stands in is opened.
      setToggled((before) => {
        const after = new Map(before);
        for (const above of groupsAround(current.current, key)) after.set(above, false);
        return after;
      });
      choose([key]);
      requestAnimationFrame(() => document.querySelector(`[data-line="${CSS.escape(key)}"]`)?.scrollIntoView({ block: 'nearest' }));
    },
    [choose],
  );
  // The line of the address, once the outline is there.
  const begun = useRef(address.get('line'));
  useEffect(() => {
    if (begun.current !== null) document.querySelector(`[data-line="${CSS.escape(begun.current)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, []);
  const choosePlan = useCallback((value: string) => changeAddress({ plan: value }), [changeAddress]);
  const chooseScale = useCallback((value: ScaleUnit) => changeAddress({ scale: value === 'exact' ? null : value }), [changeAddress]);
  const onToggle = useCallback((key: string, isOpen: boolean) => setToggled((before) => new Map(before).set(key, isOpen)), []);
  const onRename = useCallback(() => {
    const field = document.querySelector<HTMLInputElement>('[data-caption]');
    field?.focus();
    field?.select();
  }, []);
  const add = (kind: OwnLineKind) => {
    const key = actions.add(kind);
    if (key === null) return;
    stable.current.made++;
    stable.current.ids.set(key, `new ${stable.current.made}`);
    show(key);
    requestAnimationFrame(onRename);
  };
  const insert = (lines: readonly OwnLine[], name: string, spot = actions.spot()) => {
    if (composer.edit([{ kind: 'insert', lines, spot }], name)) choose(lines.map(({ key }) => key));
  };
  const { copy, paste } = useLineClipboard(composer, there, choose, (lines, name) => insert(lines, name, actions.behind()));
  const adjusted = [...expanded.origins.values()].filter((origin) => origin.kind === 'followed' && origin.adjustment !== null).length;
  const follows = [...expanded.origins.values()].some((origin) => origin.kind === 'own' && origin.line.kind === 'follows');
  const only = there.at(-1);
  return (
    <div className={styles.screen} style={panes.style}>
      <section className={styles.outline} aria-labelledby="layout-title">
        <header className={styles.head}>
          <h1 id="layout-title">{detail.name}</h1>
          {mayCompose && <AddLineMenu kind={layout.kind} onAdd={add} onChoose={() => setChoosing({ line: null })} />}
          <p className={styles.quiet}>
            {follows ? 'Follows the categories' : 'Own lines'}
            {adjusted > 0 && ` · ${counted(adjusted, 'adjustment')}`} · <Saved composer={composer} />
          </p>
        </header>
        <div className={styles.tools}>
          <input
            className={styles.seek}
            type="search"
            aria-label="Find in the layout"
            placeholder="Find a line"
            value={sought}
            onChange={({ target: { value } }) => setSought(value)}
            onKeyDown={(event) => {
              const found = rows.find((row) => `${row.caption} ${row.key}`.toLowerCase().includes(sought.trim().toLowerCase()));
              if (event.key === 'Enter' && found) show(found.key);
            }}
          />
          <UndoButtons undoName={composer.undoName} redoName={composer.redoName} onUndo={composer.undo} onRedo={composer.redo} />
          <VersionsMenu composer={composer} detail={detail} mayCompose={mayCompose} onDropped={setDetail} onCompare={() => setComparing(true)} />
          {mayCompose && (
            <Button variant="contained" onClick={() => setPutting(true)}>
              Put in use…
            </Button>
          )}
        </div>
        {layout.lines.length === 0 ? (
          <EmptyState title="No line yet">
            <p>Add a line by its kind, or take accounts and categories from the chart.</p>
          </EmptyState>
        ) : (
          <Outline
            composer={composer}
            rows={rows}
            chosen={there}
            actions={actions}
            mayCompose={mayCompose}
            onChoose={choose}
            onToggle={onToggle}
            onRename={onRename}
            copy={copy}
            paste={paste}
            sought={sought}
            stableId={stableId}
          />
        )}
        <IdleAdjustments composer={composer} mayCompose={mayCompose} />
        <CoverageFoot
          composer={composer}
          layoutId={detail.id}
          mayCompose={mayCompose}
          onShow={show}
          onTake={(accountId, side) => {
            const name = view.accounts.find(({ id }) => id === accountId)?.name ?? 'Account';
            insert(
              [
                {
                  ...newLine('accounts', freshKey(name, expanded.origins), name),
                  sources: [{ kind: 'account', accountId, ...(side === null ? {} : { side }) }],
                },
              ],
              `Add ${name}`,
            );
          }}
        />
      </section>
      <PaneDivider label="Width of the outline" width={panes.widths.outline} onDrag={panes.dragOutline} onKey={panes.stepOutline} />
      <Preview
        figures={composer.figures}
        title={layout.title}
        kind={layout.kind}
        chosen={only ?? null}
        columns={composer.columns}
        onColumns={choosePlan}
        scale={scale}
        onScale={chooseScale}
        onChoose={show}
      />
      <PaneDivider label="Width of the properties" width={panes.widths.properties} onDrag={panes.dragProperties} onKey={panes.stepProperties} />
      <aside className={styles.properties} aria-label="Properties">
        {only === undefined ? (
          <LayoutSettings composer={composer} detail={detail} mayCompose={mayCompose} onRenamed={setDetail} />
        ) : (
          <>
            <LinePanel
              composer={composer}
              lineKey={only}
              mayCompose={mayCompose}
              onChooseAccounts={(line) => setChoosing({ line })}
              panelKey={stableId(only)}
              onRekeyed={(to) => {
                stable.current.ids.set(to, stableId(only));
                stable.current.ids.delete(only);
                choose([to]);
              }}
            />
            <button type="button" className={styles.ofLayout} onClick={() => choose([])}>
              Settings of the layout
            </button>
          </>
        )}
      </aside>
      {choosing && (
        <ChartChooser
          composer={composer}
          line={choosing.line}
          onTake={(line, sources) => composer.edit([{ kind: 'change', line: { ...line, sources } }], `Sources of ${line.caption}`)}
          onAdd={(lines) => insert(lines, `Add ${counted(lines.length, 'line')} from the chart`)}
          onClose={() => setChoosing(null)}
        />
      )}
      {isComparing && <CompareDialog composer={composer} detail={detail} onClose={() => setComparing(false)} />}
      {isPutting && (
        <UseDialog
          composer={composer}
          detail={detail}
          used={detail.used}
          onUsed={(after) => {
            setDetail(after);
            composer.began(after.version, layout as OwnLayout);
          }}
          onClose={() => setPutting(false)}
        />
      )}
    </div>
  );
}

/** Keys of the groups around a line, from the top down. */
function groupsAround({ groupOf }: Composer['expanded'], key: string): string[] {
  const groups: string[] = [];
  for (let at = groupOf.get(key); at !== undefined; at = groupOf.get(at)) groups.push(at);
  return groups;
}
