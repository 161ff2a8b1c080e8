import type { HistoryThing } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { addressOf } from '../../shared/api/requestOf.ts';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { HistoryRows } from './HistoryRows.tsx';
import styles from './HistoryScreen.module.css';

const things = {
  account: 'accounts',
  place: 'placement',
  category: 'categories',
  entry: 'entries',
  journal_import: 'imports of entries',
  trial_balance: 'trial balances',
  code_list: 'codes and facets',
  classification: 'classifications',
  coverage: 'exclusions from the coverage',
  pairing_rule: 'pairing rules',
  period: 'periods',
  column_plan: 'column plans',
  statement_set: 'sets of statements',
  layout: 'composed layouts',
  layout_options: 'settings of generated layouts',
  year: 'fiscal years',
  view: 'views',
  person: 'people',
  company: 'the company',
} as const;

/** Everything that was changed in the company, newest first: who, when, what before and what after. */
export function HistoryScreen() {
  const company = useCompany();
  const mayReview = useMay('see_papers');
  const [params, change] = useAddress();
  const [pages, setPages] = useState<readonly (number | null)[]>([null]);
  const wanted = Object.fromEntries(
    [
      ['thing', Object.keys(things).find((key) => key === params.get('of')) ?? ''],
      ['actor', params.get('by')?.trim() ?? ''],
      ['from', params.get('since') ?? ''],
      ['to', params.get('until') ?? ''],
    ].filter(([, value]) => value !== ''),
  ) as { thing?: HistoryThing; actor?: string; from?: string; to?: string };
  const choose = (key: string, value: string) => {
    setPages([null]);
    change({ [key]: value }, { replace: true });
  };
  if (!mayReview)
    return (
      <section className={styles.sheet}>
        <EmptyState title="The history is for reviewers">{describeFailure({ code: 'permission_needed', facts: { needs: 'see_papers' } })}</EmptyState>
      </section>
    );
  return (
    <section className={styles.sheet} aria-labelledby="history-title">
      <header className={styles.head}>
        <div>
          <h1 id="history-title">History</h1>
          <p className={styles.quiet}>Who changed what, newest first. Nothing in it can be changed or taken out.</p>
        </div>
        <div className={styles.tools}>
          <Select aria-label="Changes of" value={wanted.thing ?? ''} onChange={(event) => choose('of', event.target.value)}>
            <option value="">all changes</option>
            {Object.entries(things).map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </Select>
          <input
            className={styles.filter}
            type="search"
            placeholder="by anybody"
            aria-label="By whom"
            value={params.get('by') ?? ''}
            onChange={(event) => choose('by', event.target.value)}
          />
          <label className={styles.days}>
            from
            <DayInput className={styles.filter} value={wanted.from ?? ''} onChange={(day) => choose('since', day)} />
          </label>
          <label className={styles.days}>
            to
            <DayInput className={styles.filter} value={wanted.to ?? ''} onChange={(day) => choose('until', day)} />
          </label>
          <Button href={addressOf('exportHistory', { companyId: company.id, ...wanted })}>Export as CSV</Button>
        </div>
      </header>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
            <th scope="col">Change</th>
          </tr>
        </thead>
        {pages.map((before) => (
          <HistoryRows key={before ?? 0} wanted={wanted} before={before} onOlder={before === pages.at(-1) ? (next) => setPages([...pages, next]) : null} />
        ))}
      </table>
    </section>
  );
}
