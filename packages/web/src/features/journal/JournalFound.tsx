import type { JournalImport } from '@ivory-ladder/contract';
import { type Currency, formatAmount, shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { counted } from '../../shared/words/counted.ts';
import { faultText } from './faultText.ts';
import styles from './JournalImportScreen.module.css';

interface JournalFoundProps {
  readonly found: JournalImport;
  readonly currency: Currency;
  readonly isPosting: boolean;
  readonly onPost: () => void;
  readonly onBack: () => void;
}

/** What was found in a file: what would be posted, or everything that is wrong, row by row. */
export function JournalFound({ found, currency, isPosting, onPost, onBack }: JournalFoundProps) {
  const { state, summary, rows } = found;
  if (state === 'cancelled' || !summary)
    return (
      <div className={styles.found}>
        <p>The reading was broken off; nothing was kept of it.</p>
        <Button onClick={onBack}>Back to the columns</Button>
      </div>
    );
  return (
    <div className={styles.found}>
      {state === 'ready' && summary.firstDay && summary.lastDay && (
        <dl className={styles.facts}>
          <dt>Entries</dt>
          <dd>{counted(summary.entries, 'entry', 'entries')}</dd>
          <dt>Lines</dt>
          <dd>
            {summary.lines.toLocaleString('en-GB')} of {counted(rows, 'row')}
          </dd>
          <dt>Days</dt>
          <dd>
            {shortDay(summary.firstDay)} to {shortDay(summary.lastDay)}
          </dd>
          <dt>Debits = credits</dt>
          <dd>{formatAmount(BigInt(summary.debit), currency)}</dd>
          {summary.adjustments > 0 && (
            <>
              <dt>Adjustments</dt>
              <dd>{counted(summary.adjustments, 'of them is an adjustment', 'of them are adjustments')}</dd>
            </>
          )}
        </dl>
      )}
      {summary.known > 0 && (
        <p className={styles.quiet}>{counted(summary.known, 'entry of it was', 'entries of it were')} posted from a file before, and left out.</p>
      )}
      {summary.faultCount > 0 && (
        <p className={styles.refused}>
          {counted(summary.faultCount, 'thing is', 'things are')} wrong. Correct the file and choose it again: it is posted whole or not at all.
        </p>
      )}
      {state === 'wrong' && summary.faultCount === 0 && <p>There is nothing new in it to be posted.</p>}
      {summary.faults.length > 0 && (
        <ul className={styles.faults} aria-label="What is wrong">
          {summary.faults.map((fault, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a row may have several faults
            <li key={at}>
              <span>{fault.row === null ? '' : `Row ${fault.row}`}</span>
              {faultText(fault, currency)}.
            </li>
          ))}
        </ul>
      )}
      <div className={styles.buttons}>
        {state === 'ready' && (
          <Button variant="contained" disabled={isPosting} onClick={onPost} autoFocus>
            Post {counted(summary.entries, 'entry', 'entries')}
          </Button>
        )}
        <Button disabled={isPosting} onClick={onBack}>
          Back to the columns
        </Button>
      </div>
    </div>
  );
}
