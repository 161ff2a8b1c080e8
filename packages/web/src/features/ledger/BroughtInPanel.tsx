import type { BroughtInList } from '@ivory-ladder/contract';
import { longDay, shortDay } from '@ivory-ladder/core';
import { useState } from 'react';
import { useListBroughtInQuery } from '../../api/ledgerApi.ts';
import { currencyOfCompany, useCompany } from '../../app/useCompany.ts';
import { EntryView } from '../evidence/EntryView.tsx';
import { figuresText } from '../importing/figuresText.ts';
import styles from './BroughtInPanel.module.css';

/** Trial balances that were brought in, by their day, with the entries each one posted. */
export function BroughtInPanel() {
  const company = useCompany();
  const [entryId, setEntryId] = useState<number | null>(null);
  const { data } = useListBroughtInQuery(company.id);
  return (
    <aside className={styles.panel} aria-label="Trial balances brought in">
      {entryId !== null ? (
        <EntryView entryId={entryId} currency={currencyOfCompany(company)} onBack={() => setEntryId(null)} />
      ) : (
        <>
          <h2>Trial balances brought in</h2>
          {data?.files.length === 0 && (
            <p className={styles.quiet}>
              None yet. Each one you bring in fixes the balances at its day by an entry of the differences; an older one changes no later balance.
            </p>
          )}
          <ol className={styles.files}>
            {data?.files.map((file) => (
              <BroughtIn key={file.id} file={file} onOpen={setEntryId} />
            ))}
          </ol>
        </>
      )}
    </aside>
  );
}

function BroughtIn({ file, onOpen }: { file: BroughtInList['files'][number]; onOpen: (entryId: number) => void }) {
  return (
    <li>
      <h3>{longDay(file.date)}</h3>
      <p className={styles.quiet}>
        {file.fileName} · {figuresText(file.figures)}
        <br />
        posted {shortDay(file.postedAt.slice(0, 10))} by {file.postedBy}
      </p>
      {file.entries.length === 0 && <p className={styles.quiet}>Nothing differed; no entry was needed.</p>}
      {file.entries.map((entry) => (
        <button key={entry.entryId} type="button" onClick={() => onOpen(entry.entryId)}>
          Document {entry.documentNumber}: {entry.lines} lines{entry.date === file.date ? '' : ` at ${shortDay(entry.date)}`}
        </button>
      ))}
    </li>
  );
}
