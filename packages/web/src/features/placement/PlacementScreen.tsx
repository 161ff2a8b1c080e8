import { DndContext, type DragEndEvent, DragOverlay, type DragStartEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { checkPlaces, isEmptyDraft, type PlaceSide } from '@ivory-ladder/core';
import { type KeyboardEvent, useCallback, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { toldInOwnWords } from '../../shared/components/DragWords.tsx';
import { isTyping } from '../../shared/components/isTyping.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { type PlacedAccount, RehearsalPanel, usePlacement } from '../rehearsal/index.ts';
import { CategoryPanel } from './CategoryPanel.tsx';
import { CategoryTable } from './CategoryTable.tsx';
import { categoryDropOf } from './categoryDrop.ts';
import { MoveDialog } from './MoveDialog.tsx';
import { PlacementDragWords } from './PlacementDragWords.tsx';
import styles from './PlacementScreen.module.css';
import { UnplacedPanel } from './UnplacedPanel.tsx';
import { usePlacementActions } from './usePlacementActions.ts';
import { type RecentTarget, useRecentTargets } from './useRecentTargets.ts';

/** The same each time: with others all that can be dragged or dropped on is drawn anew. */
const afterSomePixels = { activationConstraint: { distance: 5 } };
const none: ReturnType<typeof useSensors> = [];

/** Unplaced accounts, the category tree, and the chosen category: place one account or many, by drag or by keyboard. */
export function PlacementScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const [params, change] = useAddress();
  const { model, working } = usePlacement();
  const isRehearsing = working.appliedTo === null && !isEmptyDraft(working.steps.now);
  const actions = usePlacementActions();
  const recent = useRecentTargets(model);
  const [selected, setSelected] = useState<ReadonlySet<number>>(new Set());
  const [dragged, setDragged] = useState<readonly PlacedAccount[]>([]);
  const [draggedCategory, setDraggedCategory] = useState<number | null>(null);
  const [moving, setMoving] = useState<{ readonly accounts: readonly PlacedAccount[]; readonly side: PlaceSide } | null>(null);
  const mayPlace = useMay('keep_placement');
  const dragging = useSensors(useSensor(PointerSensor, afterSomePixels));
  const sensors = mayPlace ? dragging : none;
  const chosenId = Number(params.get('category') ?? 0);
  const chosen = model.tree.nodes.get(chosenId) ?? null;
  const choose = (categoryId: number) => change({ category: String(categoryId), rehearsal: null });
  const selectedAccounts = [...selected].flatMap((id) => model.byId.get(id) ?? []);
  /** Others may have been chosen while these were being moved. */
  const letGo = (accounts: readonly PlacedAccount[]) => {
    const gone = new Set(accounts.map(({ id }) => id));
    setSelected((before) => new Set([...before].filter((id) => !gone.has(id))));
  };
  const move = (accounts: readonly PlacedAccount[], target: RecentTarget, side: PlaceSide) => {
    if (!actions.move(accounts, target, side)) return;
    recent.remember(target);
    letGo(accounts);
  };
  const latest = useRef(move);
  latest.current = move;
  const moveOne = useCallback((account: PlacedAccount, target: RecentTarget) => latest.current([account], target, 'any'), []);
  /** M moves what is chosen, and a digit moves it to one of the last targets, wherever on the screen the focus stands. */
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event) || !mayPlace || selectedAccounts.length === 0 || moving) return;
    const target = recent.targets[Number(event.key) - 1];
    if (target) move(selectedAccounts, target, 'any');
    else if (event.key.toLowerCase() === 'm') setMoving({ accounts: selectedAccounts, side: 'any' });
    else return;
    event.preventDefault();
  };
  const onDragStart = ({ active }: DragStartEvent) => {
    const id = String(active.id);
    if (id.startsWith('category ')) return setDraggedCategory(Number(id.slice(9)));
    setDragged(draggedWith(Number(active.id)));
  };
  const stopDragging = () => {
    setDragged([]);
    setDraggedCategory(null);
  };
  const refusedIn = (accounts: readonly PlacedAccount[], categoryId: number) =>
    accounts.map((account) => checkPlaces(account, [{ side: 'any', categoryId }], model.tree)).find((outcome) => !outcome.ok);
  /** What is dragged with an account: all that are selected, where it is among them. */
  const draggedWith = (accountId: number): readonly PlacedAccount[] => {
    const account = model.byId.get(accountId);
    if (!account) return [];
    return selected.has(accountId) ? selectedAccounts : [account];
  };
  const onDragEnd = (event: DragEndEvent) => {
    const accounts = dragged;
    const category = draggedCategory;
    stopDragging();
    if (category !== null) {
      const drop = categoryDropOf(event, model, category);
      if (drop) actions.nest(category, drop.parentId, drop.after);
      return;
    }
    const node = event.over ? model.tree.nodes.get(Number(event.over.id)) : undefined;
    if (!node) return;
    const refused = refusedIn(accounts, node.category.id);
    if (refused && !refused.ok) {
      const { code, ...facts } = refused.failure;
      return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure({ code, facts }) }));
    }
    move(accounts, { id: node.category.id, name: node.category.name }, 'any');
  };
  const named = draggedCategory === null ? dragged[0]?.label : model.tree.nodes.get(draggedCategory)?.category.name;
  return (
    <DndContext sensors={sensors} accessibility={toldInOwnWords} onDragStart={onDragStart} onDragEnd={onDragEnd} onDragCancel={stopDragging} autoScroll>
      <PlacementDragWords
        together={(accountId) => draggedWith(accountId).length}
        takes={(accountId, categoryId) => refusedIn(draggedWith(accountId), categoryId) === undefined}
      />
      {/* biome-ignore lint/a11y/noStaticElementInteractions: a shortcut for what the buttons within do */}
      <div className={styles.screen} onKeyDown={onKeyDown}>
        <UnplacedPanel
          currency={currency}
          selected={selected}
          recent={recent.targets}
          onSelect={setSelected}
          onMove={() => setMoving({ accounts: selectedAccounts, side: 'any' })}
          onMoveTo={(target) => move(selectedAccounts, target, 'any')}
          onMoveOne={moveOne}
          onChoose={choose}
        />
        <CategoryTable currency={currency} chosenId={chosenId} dragged={dragged} onChoose={choose} />
        {params.get('rehearsal') === 'lines' && isRehearsing ? (
          <RehearsalPanel />
        ) : (
          <CategoryPanel
            currency={currency}
            chosen={chosen}
            selected={selected}
            onSelect={setSelected}
            onLetGo={letGo}
            onMove={(accounts, side) => setMoving({ accounts, side })}
            onChoose={choose}
          />
        )}
      </div>
      <DragOverlay dropAnimation={null}>
        {named && (
          <div className={styles.dragged}>
            {named}
            {dragged.length > 1 && ` and ${dragged.length - 1} more`}
          </div>
        )}
      </DragOverlay>
      {moving && (
        <MoveDialog
          model={model}
          accounts={moving.accounts}
          side={moving.side}
          onClose={() => setMoving(null)}
          onMove={(target, side) => {
            setMoving(null);
            move(moving.accounts, target, side);
          }}
        />
      )}
    </DndContext>
  );
}
