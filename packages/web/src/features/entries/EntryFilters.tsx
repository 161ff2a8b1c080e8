import type { ChartAccountBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { useListSeriesQuery } from '../../shared/api/seriesApi.ts';
import { Select } from '../../shared/components/Select.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useTakeFile } from '../../shared/state/useTakeFile.ts';
import { FacetMenu } from '../facets/index.ts';
import { AccountPicker } from './AccountPicker.tsx';
import styles from './EntriesScreen.module.css';

export const entrySources = {
  manual: 'by hand',
  import: 'from a file',
  trial_balance: 'from a trial balance',
  reversal: 'reversals',
  reclassification: 'of merged accounts',
  closing: 'closings of years',
} as const;
interface EntryFiltersProps {
  readonly accounts: readonly ChartAccountBody[];
  /** Path of what is sought as a file. */
  readonly file: string;
  readonly onArrange: () => void;
}

/** What the list of entries is narrowed by, all of it in the address. */
export function EntryFilters({ accounts, file, onArrange }: EntryFiltersProps) {
  const takeFile = useTakeFile();
  const company = useCompany();
  const mayPost = useMay('prepare_entries');
  const [params, change] = useAddress();
  const series = useListSeriesQuery({ companyId: company.id }).data?.series ?? [];
  const chosen = (name: string) => params.get(name) ?? '';
  return (
    <search className={styles.filters}>
      <input
        className={styles.filter}
        type="search"
        placeholder="Text, document or amount"
        aria-label="Find entries"
        value={chosen('find')}
        onChange={(event) => change({ find: event.target.value }, { replace: true })}
      />
      <Select aria-label="Layer" value={chosen('layer')} onChange={(event) => change({ layer: event.target.value })}>
        <option value="">both layers</option>
        <option value="ledger">ledger</option>
        <option value="adjustment">adjustments</option>
      </Select>
      <Select aria-label="Where it came from" value={chosen('source')} onChange={(event) => change({ source: event.target.value })}>
        <option value="">from anywhere</option>
        {Object.entries(entrySources).map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </Select>
      <Select
        aria-label="Series"
        value={chosen('series')}
        onChange={(event) => (event.target.value === 'arrange' ? onArrange() : change({ series: event.target.value }))}
      >
        <option value="">all series</option>
        <option value="0">plain numbers</option>
        {series.map(({ id, code }) => (
          <option key={id} value={id}>
            {code}
          </option>
        ))}
        <option value="arrange">{mayPost ? 'arrange series…' : 'about series…'}</option>
      </Select>
      <div className={styles.account}>
        <AccountPicker
          label="On account"
          placeholder="on any account"
          accounts={accounts}
          accountId={Number(chosen('account')) || null}
          isAtFault={false}
          onChange={(account) => change({ account: account ? String(account.id) : '' })}
        />
      </div>
      <input
        className={styles.filter}
        type="search"
        placeholder="posted by anybody"
        aria-label="Posted by"
        value={chosen('by')}
        onChange={(event) => change({ by: event.target.value }, { replace: true })}
      />
      <FacetMenu />
      <Button onClick={() => takeFile(file)}>CSV</Button>
    </search>
  );
}
