import { formatFigure } from '@ivory-ladder/core';
import { useCompany } from '../../shared/state/useCompany.ts';
import styles from './DifferenceTable.module.css';
import type { RowDifference } from './layoutDifferences.ts';

interface DifferenceTableProps {
  readonly differences: readonly RowDifference[];
  /** What the two states are called. */
  readonly before: string;
  readonly after: string;
}

const stateWords = { added: 'new', removed: 'gone', changed: 'changed' } as const;

/** Rows of a statement that show another caption or figure by the one state of a layout than by the other. */
export function DifferenceTable({ differences, before: former, after: later }: DifferenceTableProps) {
  const company = useCompany();
  const currency = { code: company.currency, exponent: company.exponent };
  return (
    <div className={styles.scroll}>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col">
              <span className="unseen">What becomes of it</span>
            </th>
            <th scope="col">{former}</th>
            <th scope="col">{later}</th>
          </tr>
        </thead>
        <tbody>
          {differences.map(({ key, state, caption, formerCaption, before, after, unit }) => (
            <tr key={`${key} ${state}`}>
              <th scope="row">
                {caption}
                {formerCaption !== null && <small> was {formerCaption}</small>}
              </th>
              <td>{stateWords[state]}</td>
              <td>{before === undefined ? '' : formatFigure(before, unit, currency)}</td>
              <td>{after === undefined ? '' : formatFigure(after, unit, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
