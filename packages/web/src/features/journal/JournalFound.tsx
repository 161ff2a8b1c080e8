import type { JournalImport } from '@ivory-ladder/contract';
import { type Currency, formatAmount, shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { counted } from '../../shared/words/counted.ts';
import { faultText, groupCount, groupText } from './faultText.ts';
import styles from './JournalImportScreen.module.css';

interface JournalFoundProps {
  readonly found: JournalImport;
  readonly currency: Currency;
  readonly isPosting: boolean;
  /** Makes the fiscal year that a day of the file is in, and reads the file again. */
  readonly onMakeYear: (day: string) => void;
  readonly onPost: () => void;
  readonly onBack: () => void;
}

/** What was found in a file: what would be posted, or everything that is wrong, by what mends it and row by row. */
export function JournalFound({ found, currency, isPosting, onMakeYear, onPost, onBack }: JournalFoundProps) {
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
          {counted(summary.faultCount, 'thing is', 'things are')} wrong. It is posted whole or not at all: mend what is missing here, or correct the file and
          choose it again.
        </p>
      )}
      {state === 'wrong' && summary.faultCount === 0 && <p>There is nothing new in it to be posted.</p>}
      {summary.groups.length > 0 && (
        <ul className={styles.faults} aria-label="What is wrong">
          {summary.groups.map((group) => (
            <li key={`${group.row} ${group.code} ${JSON.stringify(group.facts)}`}>
              <b>{groupCount(group)}</b>
              <span>
                {groupText(group, currency)}.{' '}
                {group.code === 'day_outside_calendar' && group.facts.mayMake === true && (
                  <Button size="small" disabled={isPosting} onClick={() => onMakeYear(String(group.facts.found))}>
                    Make {String(group.facts.year)}
                  </Button>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      {summary.faults.length > summary.groups.length && (
        <details className={styles.each}>
          <summary>Row by row{summary.faults.length < summary.faultCount ? `, the first ${summary.faults.length}` : ''}</summary>
          <ul className={styles.faults} aria-label="Row by row">
            {summary.faults.map((fault, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a row may have several faults
              <li key={at}>
                <span>{fault.row === null ? '' : `Row ${fault.row}`}</span>
                {faultText(fault, currency)}.
              </li>
            ))}
          </ul>
        </details>
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
