import { useDndMonitor } from '@dnd-kit/core';
import { type CategoryNode, type Currency, checkPlaces, type Element, elements, formatAmount, longDay, spanLines } from '@ivory-ladder/core';
import Add from '@mui/icons-material/Add';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type MouseEvent, useMemo, useRef, useState } from 'react';
import { standsIn } from '../../shared/api/standsIn.ts';
import { useRowWalk, type WalkedRow } from '../../shared/components/treegrid/useRowWalk.ts';
import { UndoButtons } from '../../shared/components/UndoButtons.tsx';
import { useRowMenu } from '../../shared/components/useRowMenu.tsx';
import { useMay } from '../../shared/state/useCompany.ts';
import { type CategorySums, elementName, type PlacedAccount, type PlacementModel, usePlacement, visibleNodes } from '../rehearsal/index.ts';
import { CategoryDialog } from './CategoryDialog.tsx';
import { CategoryRow } from './CategoryRow.tsx';
import styles from './CategoryTable.module.css';
import { categoryDropOf } from './categoryDrop.ts';
import { PlacementTabs } from './PlacementTabs.tsx';
import { RemoveCategoryDialog } from './RemoveCategoryDialog.tsx';
import { usePlacementActions } from './usePlacementActions.ts';
import { useShowOnStatement } from './useShowOnStatement.ts';

interface CategoryTableProps {
  readonly currency: Currency;
  readonly chosenId: number;
  readonly dragged: readonly PlacedAccount[];
  readonly onChoose: (categoryId: number) => void;
}

/** A row of the tree: an element, or a category. */
type Item = Element | CategoryNode;

/** More rows than these are drawn only where they are seen. */
const mostDrawn = 150;
const rowHeight = 26;
const elementHeight = 35;

type Asked =
  | { readonly kind: 'add'; readonly element: Element; readonly parentId: number | null }
  | { readonly kind: 'change' | 'remove'; readonly node: CategoryNode };

/**
 * The category tree with counts and amounts. Arrow keys walk it, left and right shut and open, Enter chooses; Insert adds beside, F2 changes,
 * Delete takes away, Alt with an arrow orders and nests.
 */
export function CategoryTable({ currency, chosenId, dragged, onChoose }: CategoryTableProps) {
  const { view, model, kept, undo, redo, undoName, redoName } = usePlacement();
  const actions = usePlacementActions();
  const menu = useRowMenu();
  const show = useShowOnStatement();
  const [sums, setSums] = useState<'total' | 'own'>('total');
  const sumsOf = ({ totals }: PlacementModel, id: number): CategorySums | undefined => (sums === 'own' ? totals.get(id)?.own : totals.get(id));
  const [shut, setShut] = useState<ReadonlySet<number>>(new Set());
  const mayPlace = useMay('keep_placement');
  const [asked, setAsked] = useState<Asked | null>(null);
  const [drop, setDrop] = useState<{ readonly id: number; readonly where: 'in' | 'before' | 'behind' } | null>(null);
  const body = useRef<HTMLDivElement>(null);
  const toggle = (id: number) => setShut((before) => (before.has(id) ? new Set([...before].filter((other) => other !== id)) : new Set([...before, id])));
  const items = useMemo((): Item[] => elements.flatMap((element): Item[] => [element, ...visibleNodes(model.tree, element, shut)]), [model.tree, shut]);
  const isVirtual = items.length > mostDrawn;
  const virtual = useVirtualizer({
    count: isVirtual ? items.length : 0,
    getScrollElement: () => body.current,
    estimateSize: (at) => (typeof items[at] === 'string' ? elementHeight : rowHeight),
    overscan: 10,
  });
  useDndMonitor({
    onDragMove: (event) => {
      if (!String(event.active.id).startsWith('category ')) return;
      const found = categoryDropOf(event, model, Number(String(event.active.id).slice(9)));
      const over = Number(event.over?.id);
      setDrop(found && { id: over, where: found.parentId === over ? 'in' : found.after === over ? 'behind' : 'before' });
    },
    onDragEnd: () => setDrop(null),
    onDragCancel: () => setDrop(null),
  });
  const walked = useMemo(
    () =>
      items.flatMap((item): WalkedRow[] =>
        typeof item === 'string'
          ? []
          : [{ key: String(item.category.id), depth: item.depth, isShut: item.children.length === 0 ? null : shut.has(item.category.id) }],
      ),
    [items, shut],
  );
  /** Before, behind, into the one above, or out of the one it is in. */
  const move = ({ category: { id, element }, parent }: CategoryNode, arrow: string): boolean => {
    const siblings = parent ? parent.children : (model.tree.tops.get(element) ?? []);
    const above = siblings[siblings.findIndex((node) => node.category.id === id) - 1];
    switch (arrow) {
      case 'ArrowUp':
        return actions.shift(id, -1);
      case 'ArrowDown':
        return actions.shift(id, 1);
      case 'ArrowRight':
        return above !== undefined && actions.nest(id, above.category.id, 'last');
      default:
        return parent !== null && actions.nest(id, parent.category.parentId, parent.category.id);
    }
  };
  const walk = useRowWalk({
    body,
    attribute: 'data-category',
    rows: walked,
    bring: (key) => isVirtual && virtual.scrollToIndex(items.findIndex((item) => typeof item !== 'string' && item.category.id === Number(key))),
    onToggle: (key) => toggle(Number(key)),
    onOpen: (key) => onChoose(Number(key)),
    onRowKey: (event, key) => {
      const node = model.tree.nodes.get(Number(key));
      if (!node || event.ctrlKey || event.metaKey) return false;
      if (event.key === ' ') {
        onChoose(node.category.id);
        return true;
      }
      if (!mayPlace) return false;
      if (event.altKey && event.key.startsWith('Arrow')) {
        if (move(node, event.key)) walk.keepOn(key);
        return true;
      }
      if (event.altKey) return false;
      const { element, parentId } = node.category;
      if (event.key === 'F2') setAsked({ kind: 'change', node });
      else if (event.key === 'Insert') setAsked({ kind: 'add', element, parentId });
      else if (event.key === 'Delete') setAsked({ kind: 'remove', node });
      else return false;
      return true;
    },
  });
  const onContextMenu = (event: MouseEvent) => {
    const node = model.tree.nodes.get(Number(walk.keyAt(event.target)));
    if (!node) return;
    const { id, element, parentId } = node.category;
    const siblings = node.parent ? node.parent.children : (model.tree.tops.get(element) ?? []);
    const at = siblings.indexOf(node);
    menu.open(event, [
      { label: 'Its accounts', keys: 'Enter', onChoose: () => onChoose(id) },
      { label: 'What it holds on the statement', disabled: id < 0, onChoose: () => show(id, element) },
      ...(mayPlace
        ? [
            { label: 'Change…', keys: 'F2', onChoose: () => setAsked({ kind: 'change', node }) },
            { label: 'Add beside…', keys: 'Insert', onChoose: () => setAsked({ kind: 'add', element, parentId }) },
            { label: 'Nest new…', onChoose: () => setAsked({ kind: 'add', element, parentId: id }) },
            { label: 'Move up', keys: 'Alt ↑', disabled: at === 0, onChoose: () => actions.shift(id, -1) },
            { label: 'Move down', keys: 'Alt ↓', disabled: at === siblings.length - 1, onChoose: () => actions.shift(id, 1) },
            { label: 'Delete or merge…', keys: 'Delete', onChoose: () => setAsked({ kind: 'remove', node }) },
          ]
        : []),
    ]);
  };
  const drawn: readonly { at: number; style?: { position: 'absolute'; top: number; left: 0; right: 0 } }[] = isVirtual
    ? virtual.getVirtualItems().map(({ index, start }) => ({ at: index, style: { position: 'absolute', top: start, left: 0, right: 0 } }))
    : items.map((_, at) => ({ at }));
  const [upper, lower] = spanLines(view.span.firstDay, view.span.lastDay);
  const [earlierUpper, earlierLower] = spanLines(view.comparative.firstDay, view.comparative.lastDay);
  const first = elements.flatMap((element) => model.tree.tops.get(element) ?? [])[0]?.category.id;
  return (
    <section className={styles.panel} aria-labelledby="categories">
      <PlacementTabs />
      <header className={styles.head}>
        <h2 id="categories" className="unseen">
          Categories
        </h2>
        <p className={styles.quiet}>
          Balances at {longDay(view.span.lastDay)} and {longDay(view.balanceComparative)}; income and expense over {upper} {lower} and {earlierUpper}{' '}
          {earlierLower}
        </p>
        <div className={styles.tools}>
          <div className={styles.sums} role="group" aria-label="Which amounts">
            <button type="button" aria-pressed={sums === 'total'} onClick={() => setSums('total')} title="A category with all below it">
              Total
            </button>
            <button type="button" aria-pressed={sums === 'own'} onClick={() => setSums('own')} title="Only what stands directly in a category">
              Own
            </button>
          </div>
          <UndoButtons undoName={undoName} redoName={redoName} onUndo={undo} onRedo={redo} />
        </div>
      </header>
      <div className={styles.headings} aria-hidden>
        <span>Category, subcategory</span>
        <span className={styles.ranges}>Account numbers</span>
        <span>Accounts</span>
        <span>{upper === lower ? upper : `${upper} ${lower}`}</span>
        <span>{earlierLower}</span>
      </div>
      <div ref={body} className={styles.body} role="treegrid" aria-label="Categories" onKeyDown={walk.onKeyDown} onContextMenu={onContextMenu}>
        <div role="presentation" style={isVirtual ? { position: 'relative', height: virtual.getTotalSize() } : undefined}>
          {drawn.map(({ at, style }) => {
            const item = items[at] as Item;
            if (typeof item === 'string')
              return (
                <div key={item} role="row" aria-level={1} className={styles.element} style={style}>
                  <span role="gridcell">{elementName(item)}</span>
                  <span role="gridcell">
                    {mayPlace && (
                      <button type="button" className={styles.add} onClick={() => setAsked({ kind: 'add', element: item, parentId: null })}>
                        <Add fontSize="inherit" aria-hidden /> Add a category<span className="unseen"> of {item}</span>
                      </button>
                    )}
                  </span>
                </div>
              );
            const { id } = item.category;
            const [totals, before] = [sumsOf(model, id), sumsOf(kept, id)];
            return (
              <CategoryRow
                key={id}
                id={id}
                name={item.category.name}
                isContra={item.category.contraOf !== null}
                ranges={rangesText(model, id)}
                depth={item.depth}
                top={style?.top ?? null}
                accounts={totals?.accounts ?? 0}
                accountsBefore={before?.accounts ?? 0}
                amount={formatAmount(totals?.amount ?? 0n, currency)}
                comparative={formatAmount(totals?.comparative ?? 0n, currency)}
                isOtherwise={before === undefined || before.amount !== totals?.amount || before.accounts !== totals.accounts}
                isChosen={id === chosenId}
                takesTab={id === chosenId || (chosenId === 0 && id === first)}
                opens={item.children.length === 0 ? null : shut.has(id) ? 'shut' : 'open'}
                drop={drop?.id === id ? drop.where : null}
                refuses={refusedBy(dragged, id, model)}
                joining={dragged.length === 0 ? 0 : dragged.filter((account) => standsIn(account)[0]?.categoryId !== id).length}
                onChoose={onChoose}
                onToggle={toggle}
              />
            );
          })}
        </div>
      </div>
      {menu.drawn}
      {asked?.kind === 'add' && <CategoryDialog element={asked.element} parentId={asked.parentId} category={null} onClose={() => setAsked(null)} />}
      {asked?.kind === 'change' && (
        <CategoryDialog
          element={asked.node.category.element}
          parentId={asked.node.category.parentId}
          category={model.placement.categories.get(asked.node.category.id) ?? null}
          onClose={() => setAsked(null)}
        />
      )}
      {asked?.kind === 'remove' && <RemoveCategoryDialog node={asked.node} onClose={() => setAsked(null)} />}
    </section>
  );
}

function rangesText({ placement }: PlacementModel, id: number): string {
  return (placement.categories.get(id)?.ranges ?? []).map(({ side, text }) => (side === 'any' ? text : `${text} (${side})`)).join(', ');
}

/** The element of the accounts that may not stand there; empty where they may. */
function refusedBy(dragged: readonly PlacedAccount[], id: number, { tree }: PlacementModel): string {
  return dragged.find((account) => !checkPlaces(account, [{ side: 'any', categoryId: id }], tree).ok)?.element ?? '';
}
