import { counted } from '../../words/counted.ts';
import styles from './RefusedCells.module.css';
import type { TypedCell, TypedRow } from './useTypedCells.ts';

interface RefusedCellsProps {
  readonly rows: ReadonlyMap<number, TypedRow>;
  /** The cell that is edited says why itself. */
  readonly except: { readonly key: number; readonly columnId: string } | null;
  readonly onGo: (key: number, columnId: string) => void;
  readonly onLetGo: (key: number, columnId: string) => void;
}

/** What was typed and not taken while the keyboard had gone on: why, with the way back to it. */
export function RefusedCells({ rows, except, onGo, onLetGo }: RefusedCellsProps) {
  const [first, ...others] = refusedOf(rows).filter(({ key, columnId }) => key !== except?.key || columnId !== except.columnId);
  if (!first) return null;
  return (
    <div role="alert" className={styles.refused}>
      <p>
        Not taken: «{first.cell.text}». {first.cell.refusal}
        {others.length > 0 && ` And ${counted(others.length, 'more cell')}.`}
      </p>
      <button type="button" onClick={() => onGo(first.key, first.columnId)}>
        Go there
      </button>
      <button type="button" onClick={() => onLetGo(first.key, first.columnId)}>
        Let it go
      </button>
    </div>
  );
}

function refusedOf(rows: ReadonlyMap<number, TypedRow>): { key: number; columnId: string; cell: TypedCell }[] {
  return [...rows].flatMap(([key, row]) => [...row].filter(([, cell]) => cell.refusal !== null).map(([columnId, cell]) => ({ key, columnId, cell })));
}
