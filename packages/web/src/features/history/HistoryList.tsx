import type { HistoryThing } from '@ivory-ladder/contract';
import { useState } from 'react';
import { useListHistoryQuery } from '../../shared/api/companyApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './HistoryList.module.css';
import { historyLines } from './historyText.ts';

const pageSize = 20;

/** What was changed on one thing: who, when, what before, what after; newest first. */
export function HistoryList({ thing, thingId }: { thing: HistoryThing; thingId: number }) {
  const company = useCompany();
  const [limit, setLimit] = useState(pageSize);
  const { data, error } = useListHistoryQuery({ companyId: company.id, thing, thingId, limit });
  if (error !== undefined) return <p className={styles.who}>The history cannot be read at the moment.</p>;
  return (
    <>
      <ol className={styles.list} aria-label="History">
        {data?.events.map((event) => (
          <li key={event.id}>
            {historyLines(event).map((line) => (
              <div key={line}>{line}</div>
            ))}
            <div className={styles.who}>
              {event.who}, {momentText(event.happenedAt)}
            </div>
          </li>
        ))}
      </ol>
      {data?.events.length === 0 && <p className={styles.who}>Nothing was changed yet.</p>}
      {data?.next != null && (
        <button type="button" className={styles.more} onClick={() => setLimit(limit + 100)}>
          Older changes
        </button>
      )}
    </>
  );
}
