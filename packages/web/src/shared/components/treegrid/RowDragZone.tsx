import { DndContext, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import { type PointerEvent as DownEvent, type ReactNode, useEffect, useState } from 'react';
import { DragWords, toldInOwnWords } from '../DragWords.tsx';
import styles from './RowDragZone.module.css';
import { type DropZone, type RowDrag, zoneAt } from './rowDrag.ts';

interface RowDragZoneProps<Row> {
  readonly drag: RowDrag<Row>;
  readonly isFlat: boolean;
  /** The row at a place among those shown. */
  readonly rowAt: (place: number) => Row | undefined;
  /** The place that the dragged row is over, and what would become of it there. */
  readonly onOver: (over: { place: number; zone: DropZone | 'refused' } | null) => void;
  readonly children: ReactNode;
}

interface Hand<Row> {
  readonly row: Row;
  /** Pixels of the window. */
  readonly at: { readonly x: number; readonly y: number } | null;
  readonly over: { readonly target: Row; readonly zone: DropZone; readonly refusal: string | null } | null;
}

const onlyPointer = { activationConstraint: { distance: 6 } };

/**
 * Lets rows be dragged by the pointer. Rows come and go while the table scrolls, so the zone as a whole is what is
 * dragged, and the row under the pointer is looked up; what is not allowed says why while it is dragged.
 */
export function RowDragZone<Row>(props: RowDragZoneProps<Row>) {
  const sensors = useSensors(useSensor(PointerSensor, onlyPointer));
  const [hand, setHand] = useState<Hand<Row> | null>(null);
  const { drag, isFlat, rowAt, onOver } = props;
  const dragged = hand?.row ?? null;
  const end = () => {
    setHand(null);
    onOver(null);
  };
  // What became of the last one stays said until another is in hand.
  const [outcome, setOutcome] = useState('');
  useEffect(() => {
    if (dragged === null) return;
    const onMove = ({ clientX: x, clientY: y }: PointerEvent) => {
      const element = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-index]');
      const place = Number(element?.dataset.index);
      const target = element ? rowAt(place) : undefined;
      if (!element || target === undefined || target === dragged) {
        setHand({ row: dragged, at: { x, y }, over: null });
        return onOver(null);
      }
      const { top, height } = element.getBoundingClientRect();
      const zone = zoneAt(top, height, y);
      const refusal = isFlat ? drag.flatReason : drag.refusal(dragged, target, zone);
      setHand({ row: dragged, at: { x, y }, over: { target, zone, refusal } });
      onOver({ place, zone: refusal === null ? zone : 'refused' });
    };
    window.addEventListener('pointermove', onMove);
    return () => window.removeEventListener('pointermove', onMove);
  }, [dragged, drag, isFlat, rowAt, onOver]);
  return (
    <DndContext
      sensors={sensors}
      accessibility={toldInOwnWords}
      onDragStart={({ activatorEvent }) => {
        const place = (activatorEvent.target as HTMLElement).closest<HTMLElement>('[data-index]')?.dataset.index;
        const row = place === undefined ? undefined : rowAt(Number(place));
        if (row === undefined) return;
        setHand({ row, at: null, over: null });
        setOutcome('');
      }}
      onDragEnd={() => {
        const isMoved = hand?.over != null && hand.over.refusal === null;
        if (isMoved) drag.onMoved(hand.row, hand.over.target, hand.over.zone);
        if (hand) setOutcome(isMoved ? `${drag.caption(hand.row)}: moved ${placeWords(drag, hand)}` : `${drag.caption(hand.row)} stays where it was`);
        end();
      }}
      onDragCancel={() => {
        if (hand) setOutcome(`${drag.caption(hand.row)} stays where it was`);
        end();
      }}
    >
      <Zone>{props.children}</Zone>
      <DragWords words={hand ? `${drag.caption(hand.row)} in hand${hand.over ? `, ${placeWords(drag, hand)}` : ''}` : outcome} />
      {hand?.at && (
        <span className={styles.inHand} data-refused={hand.over?.refusal ? true : undefined} style={{ left: hand.at.x + 14, top: hand.at.y + 10 }}>
          {drag.caption(hand.row)}
          {hand.over?.refusal && <span className={styles.why}>{hand.over.refusal}</span>}
        </span>
      )}
    </DndContext>
  );
}

const zoneWords: Readonly<Record<DropZone, string>> = { before: 'before', inside: 'into', after: 'behind' };

/** Where the row in hand would stand, or why it cannot. */
function placeWords<Row>(drag: RowDrag<Row>, { over }: Hand<Row>): string {
  return over ? (over.refusal ?? `${zoneWords[over.zone]} ${drag.caption(over.target)}`) : '';
}

function Zone({ children }: { readonly children: ReactNode }) {
  const { setNodeRef, listeners } = useDraggable({ id: 'rows' });
  return (
    <div
      ref={setNodeRef}
      onPointerDown={(event: DownEvent) => {
        if (!(event.target as HTMLElement).closest('button, input, select')) listeners?.onPointerDown?.(event);
      }}
    >
      {children}
    </div>
  );
}
