import type { StatementBody } from '@ivory-ladder/contract';
import { formatFigure, printWords } from '@ivory-ladder/core';
import styles from './StatementScreen.module.css';

/** What the statement shows on one line instead of another, listed under it. */
export function StatementTransfers({ statement }: { readonly statement: StatementBody }) {
  const { columns, transfers, currency, exponent, language } = statement;
  const amountColumns = columns.flatMap((column, at) => (column.kind === 'amount' ? [at] : []));
  return (
    <table className={styles.transfers}>
      <caption>{printWords[language].transfers}</caption>
      <tbody>
        {transfers.map(({ text, from, on, values }, place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: transfers have no other identity than their place
          <tr key={place}>
            <th scope="row">
              {text !== from && <b>{text}: </b>}
              {from} <span aria-hidden>→</span>
              <span className="unseen">to</span> {on}
            </th>
            {amountColumns.map((at) => (
              <td key={at}>{formatFigure(values[at] ?? null, 'amount', { code: currency, exponent })}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
