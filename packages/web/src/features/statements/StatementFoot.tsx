import type { StatementBody } from '@ivory-ladder/contract';
import { captionWords } from '@ivory-ladder/core';
import styles from './StatementScreen.module.css';

/** What is said under the figures: of what they are, and how they were rounded. */
export function StatementFoot({ statement }: { readonly statement: StatementBody }) {
  const { kind, scale, rounding, language, columns, presentation, notes, isDraft } = statement;
  return (
    <>
      {kind === 'balance_sheet' && columns.some((column) => column.kind === 'amount' && column.budget !== null) && (
        <p className={styles.rounded}>
          Balances of a budget are what was posted before its year, and its own movements. They balance where it has amounts for assets, liabilities and equity
          too.
        </p>
      )}
      {(scale !== 'exact' || presentation?.rate) && (
        <p className={styles.rounded} lang={language}>
          {captionWords[language][rounding === 'footed' ? 'roundedFooted' : 'roundedEach']}
        </p>
      )}
      {notes.map((note) => (
        <p key={note} className={styles.said} data-odd={isDraft || undefined} lang={language}>
          {note}
        </p>
      ))}
    </>
  );
}
