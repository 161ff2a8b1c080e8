import { useDroppable } from '@dnd-kit/core';
import type { PlacementView } from '@ivory-ladder/contract';
import { type CategoryNode, type Currency, checkPlaces, type Element, elements, formatAmount } from '@ivory-ladder/core';
import Add from '@mui/icons-material/Add';
import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import IconButton from '@mui/material/IconButton';
import { type KeyboardEvent, useRef, useState } from 'react';
import { standsIn } from '../../api/standsIn.ts';
import { useMay } from '../../app/useCompany.ts';
import { longDay, spanLines } from '../../components/dates.ts';
import { CategoryDialog } from './CategoryDialog.tsx';
import styles from './CategoryTable.module.css';
import { PlacementTabs } from './PlacementTabs.tsx';
import { elementName, type PlacedAccount, type PlacementModel, visibleNodes } from './placementModel.ts';
import type { PlacementActions } from './usePlacementActions.ts';

interface CategoryTableProps {
  readonly view: PlacementView;
  readonly model: PlacementModel;
  readonly currency: Currency;
  readonly chosenId: number;
  readonly dragged: readonly PlacedAccount[];
  readonly actions: PlacementActions;
  readonly onChoose: (categoryId: number) => void;
}

/** The category tree with counts and amounts. Arrow keys walk it, left and right shut and open, Enter chooses. */
export function CategoryTable({ view, model, currency, chosenId, dragged, actions, onChoose }: CategoryTableProps) {
  const [shut, setShut] = useState<ReadonlySet<number>>(new Set());
  const mayPlace = useMay('preparer');
  const [adding, setAdding] = useState<Element | null>(null);
  const body = useRef<HTMLDivElement>(null);
  const toggle = (id: number) => setShut((before) => (before.has(id) ? new Set([...before].filter((other) => other !== id)) : new Set([...before, id])));
  const onKeyDown = (event: KeyboardEvent) => {
    const row = (event.target as HTMLElement).closest<HTMLElement>('[data-category]');
    if (!row || event.target !== row) return;
    const id = Number(row.dataset.category);
    const rows = [...(body.current?.querySelectorAll<HTMLElement>('[data-category]') ?? [])];
    const at = rows.indexOf(row);
    const hasChildren = (model.tree.nodes.get(id)?.children.length ?? 0) > 0;
    if (event.key === 'ArrowDown') rows[at + 1]?.focus();
    else if (event.key === 'ArrowUp') rows[at - 1]?.focus();
    else if (event.key === 'ArrowLeft' && hasChildren && !shut.has(id)) toggle(id);
    else if (event.key === 'ArrowRight' && hasChildren && shut.has(id)) toggle(id);
    else if (event.key === 'Enter' || event.key === ' ') onChoose(id);
    else return;
    event.preventDefault();
  };
  const [upper, lower] = spanLines(view.span.firstDay, view.span.lastDay);
  const [earlierUpper, earlierLower] = spanLines(view.comparative.firstDay, view.comparative.lastDay);
  return (
    <section className={styles.panel} aria-labelledby="categories">
      <header className={styles.head}>
        <div>
          <PlacementTabs />
          <h2 id="categories" className="unseen">
            Categories
          </h2>
          <p className={styles.quiet}>
            Balances at {longDay(view.span.lastDay)} and {longDay(view.balanceComparative)}; income and expense over {upper} {lower} and {earlierUpper}{' '}
            {earlierLower}
          </p>
        </div>
        <div className={styles.tools}>
          <IconButton
            size="small"
            onClick={actions.undo}
            disabled={actions.undoName === null}
            title={actions.undoName === null ? 'Nothing to undo' : `Undo: ${actions.undoName} (Ctrl Z)`}
            aria-label={actions.undoName === null ? 'Nothing to undo' : `Undo: ${actions.undoName}`}
          >
            <Undo fontSize="small" />
          </IconButton>
          <IconButton
            size="small"
            onClick={actions.redo}
            disabled={actions.redoName === null}
            title={actions.redoName === null ? 'Nothing to redo' : `Redo: ${actions.redoName} (Ctrl Shift Z)`}
            aria-label={actions.redoName === null ? 'Nothing to redo' : `Redo: ${actions.redoName}`}
          >
            <Redo fontSize="small" />
          </IconButton>
        </div>
      </header>
      <div className={styles.headings} aria-hidden>
        <span>Category, subcategory</span>
        <span>Accounts</span>
        <span>{upper === lower ? upper : `${upper} ${lower}`}</span>
        <span>{earlierLower}</span>
      </div>
      <div ref={body} className={styles.body} role="treegrid" aria-label="Categories" onKeyDown={onKeyDown}>
        {elements.map((element) => (
          <div key={element} role="rowgroup" aria-label={elementName(element)}>
            <div role="row" aria-level={1} className={styles.element}>
              <span role="gridcell">{elementName(element)}</span>
              <span role="gridcell">
                {mayPlace && (
                  <button type="button" className={styles.add} onClick={() => setAdding(element)}>
                    <Add fontSize="inherit" aria-hidden /> Add a category<span className="unseen"> of {element}</span>
                  </button>
                )}
              </span>
            </div>
            {visibleNodes(model.tree, element, shut).map((node) => (
              <CategoryRow
                key={node.category.id}
                node={node}
                model={model}
                currency={currency}
                isChosen={node.category.id === chosenId}
                isShut={shut.has(node.category.id)}
                dragged={dragged}
                onChoose={onChoose}
                onToggle={toggle}
              />
            ))}
          </div>
        ))}
      </div>
      {adding !== null && <CategoryDialog model={model} element={adding} parentId={null} category={null} actions={actions} onClose={() => setAdding(null)} />}
    </section>
  );
}

interface CategoryRowProps {
  readonly node: CategoryNode;
  readonly model: PlacementModel;
  readonly currency: Currency;
  readonly isChosen: boolean;
  readonly isShut: boolean;
  readonly dragged: readonly PlacedAccount[];
  readonly onChoose: (categoryId: number) => void;
  readonly onToggle: (categoryId: number) => void;
}

function CategoryRow({ node, model, currency, isChosen, isShut, dragged, onChoose, onToggle }: CategoryRowProps) {
  const { id, name, contraOf } = node.category;
  const { setNodeRef, isOver } = useDroppable({ id });
  const totals = model.totals.get(id);
  const hasChildren = node.children.length > 0;
  const isRefused = dragged.length > 0 && dragged.some((account) => !checkPlaces(account, [{ side: 'any', categoryId: id }], model.tree).ok);
  const added = isOver && !isRefused ? dragged.filter((account) => standsIn(account)[0]?.categoryId !== id).length : 0;
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the tree around the rows takes the keys
    <div
      ref={setNodeRef}
      role="row"
      aria-level={node.depth + 2}
      aria-selected={isChosen}
      {...(hasChildren ? { 'aria-expanded': !isShut } : {})}
      tabIndex={isChosen || (node.depth === 0 && node.category.position === 1000) ? 0 : -1}
      data-category={id}
      data-over={isOver ? (isRefused ? 'refused' : 'taken') : undefined}
      data-off={isRefused || undefined}
      className={node.depth === 0 ? `${styles.row} ${styles.top}` : styles.row}
      onClick={() => onChoose(id)}
    >
      <span role="gridcell" className={styles.name} style={{ paddingLeft: 10 + node.depth * 20 }}>
        {hasChildren && (
          <button
            type="button"
            tabIndex={-1}
            className={styles.opener}
            aria-label={isShut ? `Open ${name}` : `Shut ${name}`}
            onClick={(event) => {
              event.stopPropagation();
              onToggle(id);
            }}
          >
            {isShut ? '▸' : '▾'}
          </button>
        )}
        {contraOf !== null && <span className={styles.less}>less </span>}
        {name}
      </span>
      <span role="gridcell" className={styles.amount}>
        {totals?.accounts === 0 ? '–' : totals?.accounts}
        {added > 0 && ` + ${added}`}
      </span>
      <span role="gridcell" className={styles.amount}>
        {formatAmount(totals?.amount ?? 0n, currency)}
      </span>
      <span role="gridcell" className={`${styles.amount} ${styles.earlier}`}>
        {isOver && isRefused ? `not for ${dragged[0]?.element} accounts` : formatAmount(totals?.comparative ?? 0n, currency)}
      </span>
    </div>
  );
}
