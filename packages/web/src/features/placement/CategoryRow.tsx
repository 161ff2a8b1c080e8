import { useDraggable, useDroppable } from '@dnd-kit/core';
import { memo } from 'react';
import { sameButFunctions } from '../../shared/components/sameButFunctions.ts';
import { rowMarks } from '../../shared/components/treegrid/useRowWalk.ts';
import styles from './CategoryTable.module.css';

interface CategoryRowProps {
  readonly id: number;
  readonly name: string;
  readonly isContra: boolean;
  readonly ranges: string;
  readonly depth: number;
  /** Where the row lies, if it is not drawn behind the one before. */
  readonly top: number | null;
  readonly accounts: number;
  readonly accountsBefore: number;
  readonly amount: string;
  readonly comparative: string;
  /** Than it is kept. */
  readonly isOtherwise: boolean;
  readonly isChosen: boolean;
  readonly takesTab: boolean;
  readonly opens: 'open' | 'shut' | null;
  readonly drop: 'in' | 'before' | 'behind' | null;
  readonly refuses: string;
  readonly joining: number;
  readonly onChoose: (categoryId: number) => void;
  readonly onToggle: (categoryId: number) => void;
}

/** One category with its counts and amounts; accounts and categories are dropped on it, and it is dragged itself. */
export const CategoryRow = memo(function CategoryRow({
  id,
  name,
  isContra,
  ranges,
  depth,
  top,
  accounts,
  accountsBefore,
  amount,
  comparative,
  ...row
}: CategoryRowProps) {
  const { setNodeRef, isOver } = useDroppable({ id });
  const { setNodeRef: setHandle, listeners } = useDraggable({ id: `category ${id}` });
  const isRefused = row.refuses !== '';
  const more = isOver && !isRefused && row.joining > 0 ? row.joining : accounts - accountsBefore;
  const fewer = more < 0 ? ` − ${-more}` : '';
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the tree around the rows takes the keys
    <div
      ref={(element) => {
        setNodeRef(element);
        setHandle(element);
      }}
      {...listeners}
      role="row"
      {...rowMarks({ depth: depth + 1, isShut: row.opens && row.opens === 'shut', isChosen: row.isChosen, takesTab: row.takesTab })}
      data-category={id}
      data-over={isOver && row.joining > 0 ? (isRefused ? 'refused' : 'taken') : (row.drop ?? undefined)}
      data-off={isRefused || undefined}
      data-otherwise={row.isOtherwise || undefined}
      className={depth === 0 ? `${styles.row} ${styles.top}` : styles.row}
      style={top === null ? undefined : { position: 'absolute', top, left: 0, right: 0 }}
      onClick={() => row.onChoose(id)}
    >
      <span role="gridcell" className={styles.name} style={{ paddingLeft: 10 + depth * 20 }}>
        {row.opens !== null && (
          <button
            type="button"
            tabIndex={-1}
            className={styles.opener}
            aria-label={row.opens === 'shut' ? `Open ${name}` : `Shut ${name}`}
            onClick={(event) => {
              event.stopPropagation();
              row.onToggle(id);
            }}
          >
            {row.opens === 'shut' ? '▸' : '▾'}
          </button>
        )}
        {isContra && <span className={styles.less}>less </span>}
        {name}
      </span>
      <span role="gridcell" className={styles.ranges} title={ranges}>
        {ranges !== '' && <span>{ranges}</span>}
      </span>
      <span role="gridcell" className={styles.amount}>
        {accountsBefore === 0 && more <= 0 ? '–' : accountsBefore === 0 ? more : accountsBefore}
        {accountsBefore > 0 && more > 0 && ` + ${more}`}
        {fewer}
      </span>
      <span role="gridcell" className={styles.amount}>
        {amount}
      </span>
      <span role="gridcell" className={`${styles.amount} ${styles.earlier}`}>
        {isOver && isRefused ? `not for ${row.refuses} accounts` : comparative}
      </span>
    </div>
  );
}, sameButFunctions);
