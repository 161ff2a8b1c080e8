import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useListHistoryQuery } from '../../api/ivoryApi.ts';
import { useCompany } from '../../app/useCompany.ts';
import { momentText, shortDay } from '../../components/dates.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import styles from './HistoryScreen.module.css';
import { historyLines } from './historyText.ts';

const things = {
  account: 'accounts',
  place: 'placement',
  category: 'categories',
  entry: 'entries',
  trial_balance: 'trial balances',
  layout_options: 'layouts',
  year: 'fiscal years',
  person: 'people',
  company: 'the company',
} as const;

const pageSize = 100;

/** Everything that was changed in the company, newest first: who, when, what before and what after. */
export function HistoryScreen() {
  const company = useCompany();
  const [params, setParams] = useSearchParams();
  const [limit, setLimit] = useState(pageSize);
  const thing = Object.keys(things).find((key) => key === params.get('of')) as keyof typeof things | undefined;
  const { data, error, isFetching } = useListHistoryQuery({ companyId: company.id, limit, ...(thing ? { thing } : {}) });
  const choose = (value: string) =>
    setParams((before) => {
      const next = new URLSearchParams(before);
      if (value === '') next.delete('of');
      else next.set('of', value);
      return next;
    });
  return (
    <section className={styles.sheet} aria-labelledby="history-title" aria-busy={isFetching}>
      <header className={styles.head}>
        <div>
          <h1 id="history-title">History</h1>
          <p className={styles.quiet}>Who changed what, newest first. Nothing in it can be changed or taken out.</p>
        </div>
        <div className={styles.tools}>
          <select className={styles.filter} aria-label="Changes of" value={thing ?? ''} onChange={(event) => choose(event.target.value)}>
            <option value="">all changes</option>
            {Object.entries(things).map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </select>
          <Button href={`/api/companies/${company.id}/history/csv${thing ? `?thing=${thing}` : ''}`}>Export as CSV</Button>
        </div>
      </header>
      {error !== undefined && !data && <EmptyState title="The history cannot be shown">{describeFailure(error)}</EmptyState>}
      {data?.events.length === 0 && <EmptyState title="Nothing was changed yet">What people change here is listed with who did it and when.</EmptyState>}
      {data && data.events.length > 0 && (
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">Who</th>
              <th scope="col">What</th>
              <th scope="col">Change</th>
            </tr>
          </thead>
          <tbody>
            {data.events.map((event) => (
              <tr key={event.id}>
                <td className={styles.quiet}>{momentText(event.happenedAt)}</td>
                <td>{event.actor}</td>
                <td>
                  {event.thing === 'account' ? (
                    <Link to={`/companies/${company.id}/ledger/chart?account=${event.thingId}`}>{event.label}</Link>
                  ) : (
                    event.label.replace(/\d{4}-\d\d-\d\d/, shortDay)
                  )}
                </td>
                <td>
                  {historyLines(event).map((line) => (
                    <div key={line}>{line}</div>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {data?.next != null && limit < 500 && (
        <Button className={styles.older ?? ''} onClick={() => setLimit(500)}>
          Older changes
        </Button>
      )}
      {data?.next != null && limit >= 500 && <p className={styles.quiet}>The newest 500 are shown; the export holds the newest 10,000.</p>}
    </section>
  );
}
