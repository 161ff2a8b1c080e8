import { DndContext, type DragEndEvent, DragOverlay, type DragStartEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { checkPlaces } from '@ivory-ladder/core';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useGetPlacementQuery } from '../../api/placementApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { useAddress } from '../../app/useAddress.ts';
import { currencyOfCompany, useCompany, useMay } from '../../app/useCompany.ts';
import { useSpan } from '../../app/useSpan.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { isTyping } from '../../components/isTyping.ts';
import { CategoryPanel } from './CategoryPanel.tsx';
import { CategoryTable } from './CategoryTable.tsx';
import { MoveDialog } from './MoveDialog.tsx';
import styles from './PlacementScreen.module.css';
import { modelPlacement, type PlacedAccount } from './placementModel.ts';
import { UnplacedPanel } from './UnplacedPanel.tsx';
import { usePlacementActions } from './usePlacementActions.ts';

/** Unplaced accounts, the category tree, and the chosen category: place one account or many, by drag or by keyboard. */
export function PlacementScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const dispatch = useDispatch();
  const [params, change] = useAddress();
  const { data, error } = useGetPlacementQuery({ companyId: company.id, ...span });
  const model = useMemo(() => (data ? modelPlacement(data) : null), [data]);
  const actions = usePlacementActions(data);
  const [selected, setSelected] = useState<ReadonlySet<number>>(new Set());
  const [dragged, setDragged] = useState<readonly PlacedAccount[]>([]);
  const [moving, setMoving] = useState(false);
  const mayPlace = useMay('preparer');
  const dragging = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const sensors = mayPlace ? dragging : [];
  if (error !== undefined && !data) return <EmptyState title="The placement cannot be shown">{describeFailure(error)}</EmptyState>;
  if (!data || !model) return null;
  if (data.accounts.length === 0)
    return (
      <section className={styles.sheet}>
        <EmptyState title="No accounts to place">
          <p>Accounts come with a trial balance.</p>
          <Link to={`/companies/${company.id}/ledger`}>Bring in a trial balance</Link>
        </EmptyState>
      </section>
    );
  const chosenId = Number(params.get('category') ?? 0);
  const chosen = model.tree.nodes.get(chosenId) ?? null;
  const choose = (categoryId: number) => change({ category: String(categoryId) });
  const selectedAccounts = [...selected].flatMap((id) => model.byId.get(id) ?? []);
  /** Others may have been chosen while these were being moved. */
  const letGo = (accounts: readonly PlacedAccount[]) => {
    const gone = new Set(accounts.map(({ id }) => id));
    setSelected((before) => new Set([...before].filter((id) => !gone.has(id))));
  };
  const move = async (accounts: readonly PlacedAccount[], target: { id: number; name: string } | null, side: 'any' | 'debit' | 'credit') => {
    if (await actions.move(accounts, target, side)) letGo(accounts);
  };
  /** M moves what is chosen, wherever on the screen the focus stands. */
  const onKeyDown = (event: KeyboardEvent) => {
    if (
      event.key.toLowerCase() !== 'm' ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      isTyping(event) ||
      !mayPlace ||
      selectedAccounts.length === 0 ||
      moving
    )
      return;
    event.preventDefault();
    setMoving(true);
  };
  const onDragStart = ({ active }: DragStartEvent) => {
    const account = model.byId.get(Number(active.id));
    if (account) setDragged(selected.has(account.id) ? selectedAccounts : [account]);
  };
  const onDragEnd = ({ over }: DragEndEvent) => {
    const accounts = dragged;
    setDragged([]);
    const node = over ? model.tree.nodes.get(Number(over.id)) : undefined;
    if (!node) return;
    const refused = accounts.map((account) => checkPlaces(account, [{ side: 'any', categoryId: node.category.id }], model.tree)).find((outcome) => !outcome.ok);
    if (refused && !refused.ok) {
      const { code, ...facts } = refused.failure;
      return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure({ code, facts }) }));
    }
    void move(accounts, { id: node.category.id, name: node.category.name }, 'any');
  };
  return (
    <DndContext sensors={sensors} onDragStart={onDragStart} onDragEnd={onDragEnd} onDragCancel={() => setDragged([])} autoScroll>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: a shortcut for what the buttons within do */}
      <div className={styles.screen} onKeyDown={onKeyDown}>
        <UnplacedPanel model={model} currency={currency} selected={selected} onSelect={setSelected} onMove={() => setMoving(true)} onChoose={choose} />
        <CategoryTable view={data} model={model} currency={currency} chosenId={chosenId} dragged={dragged} actions={actions} onChoose={choose} />
        <CategoryPanel
          view={data}
          model={model}
          currency={currency}
          chosen={chosen}
          selected={selected}
          onSelect={setSelected}
          onLetGo={letGo}
          onMove={() => setMoving(true)}
          actions={actions}
        />
      </div>
      <DragOverlay dropAnimation={null}>
        {dragged[0] && (
          <div className={styles.dragged}>
            {dragged[0].label}
            {dragged.length > 1 && ` and ${dragged.length - 1} more`}
          </div>
        )}
      </DragOverlay>
      {moving && selectedAccounts.length > 0 && (
        <MoveDialog
          model={model}
          accounts={selectedAccounts}
          onClose={() => setMoving(false)}
          onMove={(target, side) => {
            setMoving(false);
            void move(selectedAccounts, target, side);
          }}
        />
      )}
    </DndContext>
  );
}
