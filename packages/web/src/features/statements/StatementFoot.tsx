import type { StatementBody } from '@ivory-ladder/contract';
import { captionWords } from '@ivory-ladder/core';
import styles from './StatementScreen.module.css';
import { StatementTransfers } from './StatementTransfers.tsx';

/** What is said under the figures: how they were rounded, and what was moved between lines. */
export function StatementFoot({ statement }: { readonly statement: StatementBody }) {
  const { scale, rounding, language, transfers } = statement;
  return (
    <>
      {scale !== 'exact' && (
        <p className={styles.rounded} lang={language}>
          {captionWords[language][rounding === 'footed' ? 'roundedFooted' : 'roundedEach']}
        </p>
      )}
      {transfers.length > 0 && <StatementTransfers statement={statement} />}
    </>
  );
}
