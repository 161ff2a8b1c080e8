import { type ClipboardEvent, type MouseEvent, memo, useCallback, useMemo, useRef, useState } from 'react';
import { sameButFunctions } from '../../shared/components/sameButFunctions.ts';
import { RowDragZone } from '../../shared/components/treegrid/RowDragZone.tsx';
import type { DropZone, RowDrag } from '../../shared/components/treegrid/rowDrag.ts';
import { rowMarks, useRowWalk, type WalkedRow } from '../../shared/components/treegrid/useRowWalk.ts';
import { useRowMenu } from '../../shared/components/useRowMenu.tsx';
import styles from './Outline.module.css';
import type { OutlineRow } from './outlineRows.ts';
import type { Composer } from './useComposer.ts';
import type { OutlineActions } from './useOutlineActions.ts';

interface OutlineProps {
  readonly composer: Composer;
  readonly rows: readonly OutlineRow[];
  readonly chosen: readonly string[];
  readonly actions: OutlineActions;
  readonly mayCompose: boolean;
  readonly onChoose: (keys: readonly string[]) => void;
  readonly onToggle: (key: string, isOpen: boolean) => void;
  readonly onRename: () => void;
  /** The chosen lines as text, taken away where they are cut; `null` where there is nothing to copy. */
  readonly copy: (cut: boolean) => string | null;
  readonly paste: (text: string) => void;
  /** Words that are looked for; rows without them step back. */
  readonly sought: string;
  /** The same for a line whatever key it gets. */
  readonly stableId: (key: string) => string;
}

/**
 * The lines of a layout. Arrow keys walk them, with Shift they choose several; left and right shut and open; Alt with an arrow orders and
 * nests; F2 names, Delete takes away, Ctrl C, X and V copy, cut and paste.
 */
export function Outline({ composer, rows, chosen, actions, mayCompose, onChoose, onToggle, onRename, copy, paste, sought, stableId }: OutlineProps) {
  const body = useRef<HTMLDivElement>(null);
  const menu = useRowMenu();
  const [over, setOver] = useState<{ readonly place: number; readonly zone: DropZone | 'refused' } | null>(null);
  const anchor = useRef<string | null>(null);
  const isChosen = useMemo(() => new Set(chosen), [chosen]);
  const live = useRef({ rows, chosen });
  live.current = { rows, chosen };
  const choose = useCallback(
    (key: string, event: { readonly shiftKey: boolean; readonly ctrlKey: boolean; readonly metaKey: boolean }) => {
      const { rows: all, chosen: before } = live.current;
      if (event.shiftKey && anchor.current !== null) {
        const [a, b] = [all.findIndex((row) => row.key === anchor.current), all.findIndex((row) => row.key === key)];
        onChoose(all.slice(Math.min(a, b), Math.max(a, b) + 1).map((row) => row.key));
      } else if (event.ctrlKey || event.metaKey) {
        anchor.current = key;
        onChoose(before.includes(key) ? before.filter((one) => one !== key) : [...before, key]);
      } else {
        anchor.current = key;
        onChoose([key]);
      }
    },
    [onChoose],
  );
  const walk = useRowWalk({
    body,
    attribute: 'data-line',
    rows: useMemo(() => rows.map(({ key, depth, opens }): WalkedRow => ({ key, depth, isShut: opens && opens === 'shut' })), [rows]),
    onWalk: (key, isExtending) => choose(key, { shiftKey: isExtending, ctrlKey: false, metaKey: false }),
    onToggle: (key, isShut) => onToggle(key, isShut),
    onOpen: () => mayCompose && onRename(),
    onAll: () => onChoose(rows.map((one) => one.key)),
    onRowKey: (event, key) => {
      if (!mayCompose || event.ctrlKey || event.metaKey) return false;
      if (event.altKey && event.key.startsWith('Arrow')) {
        walk.keepOn(key);
        if (event.key === 'ArrowUp') actions.shift(-1);
        else if (event.key === 'ArrowDown') actions.shift(1);
        else if (event.key === 'ArrowRight') actions.nest();
        else actions.lift();
        return true;
      }
      if (event.key === 'F2') onRename();
      else if (event.key === 'Delete') remove(key);
      else return false;
      return true;
    },
  });
  const remove = (key: string) => {
    const at = rows.findIndex((row) => row.key === key);
    const depth = rows[at]?.depth ?? 0;
    const next = rows.slice(at + 1).find((one) => !isChosen.has(one.key) && one.depth <= depth)?.key ?? rows[at - 1]?.key ?? null;
    walk.keepOn(next);
    if (actions.remove()) onChoose(next === null ? [] : [next]);
  };
  const copyByMenu = (cut: boolean) => {
    const text = copy(cut);
    if (text !== null) void navigator.clipboard?.writeText(text);
  };
  const onCopy = (cut: boolean) => (event: ClipboardEvent) => {
    const text = cut && !mayCompose ? null : copy(cut);
    if (text !== null) event.clipboardData.setData('text/plain', text);
    event.preventDefault();
  };
  const onContextMenu = (event: MouseEvent) => {
    const key = walk.keyAt(event.target);
    const row = rows.find((one) => one.key === key);
    if (!row) return;
    if (!isChosen.has(row.key)) onChoose([row.key]);
    const origin = composer.expanded.origins.get(row.key);
    menu.open(event, [
      { label: 'Copy', keys: 'Ctrl C', onChoose: () => copyByMenu(false) },
      ...(mayCompose
        ? [
            { label: 'Cut', keys: 'Ctrl X', onChoose: () => copyByMenu(true) },
            { label: 'Paste behind it', keys: 'Ctrl V', onChoose: () => void navigator.clipboard?.readText().then(paste) },
            { label: 'Rename', keys: 'F2', onChoose: onRename },
            { label: 'Move up', keys: 'Alt ↑', onChoose: () => actions.shift(-1) },
            { label: 'Move down', keys: 'Alt ↓', onChoose: () => actions.shift(1) },
            { label: 'Into the group before it', keys: 'Alt →', onChoose: () => actions.nest() },
            { label: 'Out of its group', keys: 'Alt ←', onChoose: () => actions.lift() },
            ...(row.isAdjusted
              ? [{ label: 'Follow again', onChoose: () => composer.edit([{ kind: 'follow_again', key: row.key }], `Follow ${row.caption} again`) }]
              : []),
            { label: origin?.kind === 'followed' ? 'Leave to another line' : 'Remove', keys: 'Delete', onChoose: () => actions.remove() && onChoose([]) },
          ]
        : []),
    ]);
  };
  const drag = useMemo((): RowDrag<OutlineRow> => {
    const spotOf = (target: OutlineRow, zone: DropZone) => {
      if (zone === 'inside') return { within: target.key, after: null };
      const siblings = live.current.rows.filter((row) => row.within === target.within).map((row) => row.key);
      return { within: target.within, after: zone === 'after' ? target.key : (siblings[siblings.indexOf(target.key) - 1] ?? null) };
    };
    const dragged = (row: OutlineRow) => (live.current.chosen.includes(row.key) ? live.current.chosen : [row.key]);
    return {
      caption: (row) => (dragged(row).length > 1 ? `${dragged(row).length} lines` : row.caption || 'space'),
      flatReason: '',
      refusal: (row, target, zone) => {
        if (!mayCompose) return 'only a preparer may compose';
        const spot = spotOf(target, zone);
        if (zone === 'inside' && target.opens === null && target.weight !== 'group') return 'takes no lines';
        if (row.isOfTree && row.within !== spot.within) return 'follows the categories: moves among those beside it';
        return null;
      },
      onMoved: (row, target, zone) => void actions.move(dragged(row), spotOf(target, zone)),
    };
  }, [actions, mayCompose]);
  const words = sought.trim().toLowerCase();
  const first = chosen.at(-1) ?? rows[0]?.key;
  return (
    <div
      ref={body}
      className={styles.body}
      role="treegrid"
      aria-label="Lines"
      aria-multiselectable
      onKeyDown={walk.onKeyDown}
      onContextMenu={onContextMenu}
      onCopy={onCopy(false)}
      onCut={onCopy(true)}
      onPaste={(event) => mayCompose && paste(event.clipboardData.getData('text/plain'))}
    >
      <RowDragZone drag={drag} isFlat={false} rowAt={(place) => rows[place]} onOver={setOver}>
        {rows.map((row, at) => (
          <Row
            key={stableId(row.key)}
            row={row}
            at={at}
            isChosen={isChosen.has(row.key)}
            takesTab={row.key === first}
            isBack={words !== '' && !`${row.caption} ${row.key} ${row.info}`.toLowerCase().includes(words)}
            over={over?.place === at ? over.zone : null}
            onChoose={choose}
            onToggle={onToggle}
          />
        ))}
      </RowDragZone>
      {menu.drawn}
    </div>
  );
}

interface RowProps {
  readonly row: OutlineRow;
  readonly at: number;
  readonly isChosen: boolean;
  readonly takesTab: boolean;
  readonly isBack: boolean;
  readonly over: DropZone | 'refused' | null;
  readonly onChoose: (key: string, event: MouseEvent) => void;
  readonly onToggle: (key: string, isOpen: boolean) => void;
}

const Row = memo(
  function Row({ row, at, isChosen, takesTab, isBack, over, onChoose, onToggle }: RowProps) {
    const { key, caption, mark, depth, info, opens, isAdjusted, weight, isAtFault } = row;
    return (
      // biome-ignore lint/a11y/useKeyWithClickEvents: the outline around the rows takes the keys
      <div
        role="row"
        {...rowMarks({ depth, isShut: opens && opens === 'shut', isChosen, takesTab })}
        data-line={key}
        data-index={at}
        className={styles.row}
        data-weight={weight}
        data-back={isBack || undefined}
        data-over={over ?? undefined}
        onClick={(event) => onChoose(key, event)}
      >
        <span role="gridcell" className={styles.name} style={{ paddingLeft: 4 + depth * 18 }}>
          {opens === null ? (
            <span className={styles.opener} />
          ) : (
            <button
              type="button"
              tabIndex={-1}
              className={styles.opener}
              aria-label={opens === 'shut' ? `Open ${caption}` : `Shut ${caption}`}
              onClick={(event) => {
                event.stopPropagation();
                onToggle(key, opens === 'open');
              }}
            >
              {opens === 'shut' ? '▸' : '▾'}
            </button>
          )}
          <span className={styles.mark}>{mark}</span>
          <span className={isAdjusted ? `${styles.caption} ${styles.adjusted}` : styles.caption}>{caption}</span>
        </span>
        <span role="gridcell" className={info === '' && !isAtFault ? styles.none : styles.info}>
          {isAtFault && (
            <span className={styles.fault}>
              ▲<span className="unseen"> does not fit</span>
            </span>
          )}
          {info}
        </span>
      </div>
    );
  },
  (before, now) => sameRow(before.row, now.row) && sameButFunctions({ ...before, row: null }, { ...now, row: null }),
);

function sameRow(a: OutlineRow, b: OutlineRow): boolean {
  return (Object.keys(a) as (keyof OutlineRow)[]).every((field) => a[field] === b[field]);
}
