import type { StatementBody } from '@ivory-ladder/contract';
import { formatFigure, printWords, transferText } from '@ivory-ladder/core';
import styles from './StatementTable.module.css';

interface StatementTransfersProps {
  readonly statement: StatementBody;
  /** Columns before the figures. */
  readonly lead: number;
}

/** What the statement shows in one line instead of another, under the table, with amounts in their columns. */
export function StatementTransfers({ statement, lead }: StatementTransfersProps) {
  const { columns, transfers, currency, exponent, language } = statement;
  return (
    <tfoot className={styles.transfers} lang={language}>
      <tr>
        <th scope="rowgroup" colSpan={lead + columns.length}>
          {printWords[language].transfers}
        </th>
      </tr>
      {transfers.map((transfer, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: transfers have no other identity than their place
        <tr key={place}>
          <th scope="row" colSpan={lead}>
            {transferText(transfer, language)}
          </th>
          {columns.map(({ kind }, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other identity than their place
            <td key={at} data-kind={kind}>
              {kind === 'amount' && formatFigure(transfer.values[at] ?? null, 'amount', { code: currency, exponent })}
            </td>
          ))}
        </tr>
      ))}
    </tfoot>
  );
}
