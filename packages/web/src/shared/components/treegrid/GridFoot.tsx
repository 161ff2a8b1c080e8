import type { GridColumn } from './gridColumn.ts';
import styles from './TreeGrid.module.css';

interface GridFootProps<Row> {
  readonly columns: readonly GridColumn<Row>[];
  /** In the place of totals. */
  readonly text: string | undefined;
  readonly rowIndex: number;
}

/** The last row of the table, which stays in view: totals, or how many rows are shown. */
export function GridFoot<Row>({ columns, text, rowIndex }: GridFootProps<Row>) {
  return (
    <div role="row" aria-rowindex={rowIndex} className={styles.totals}>
      {text === undefined ? (
        columns.map(({ id, isAmount, total }) => (
          <span key={id} role="gridcell" className={isAmount ? styles.amount : undefined}>
            {total}
          </span>
        ))
      ) : (
        <span role="gridcell" className={styles.count}>
          {text}
        </span>
      )}
    </div>
  );
}
