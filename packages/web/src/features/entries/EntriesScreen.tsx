import { layers, spanText } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation } from 'react-router';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useListEntriesQuery } from '../../shared/api/ledgerApi.ts';
import { pathOf } from '../../shared/api/requestOf.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { copiedText } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../shared/components/treegrid/TreeGrid.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useFacetFilter } from '../../shared/state/useFacetFilter.ts';
import { useKeptColumns } from '../../shared/state/useKeptColumns.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { LedgerTabs } from '../ledger/index.ts';
import { SeriesDialog } from '../series/index.ts';
import styles from './EntriesScreen.module.css';
import { EntryFilters, entrySources } from './EntryFilters.tsx';
import { EntryPanel } from './EntryPanel.tsx';
import { entryColumns, type ListedEntry } from './entryColumns.tsx';
import { amountIn } from './entryRows.ts';

const firstPage = 100;
const largestPage = 500;

/** Entries of the chosen span, latest first; one opens beside the list, and new ones begin here. */
export function EntriesScreen() {
  const [widths, keepWidths] = useKeptColumns('entries');
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const { search } = useLocation();
  const dispatch = useDispatch();
  const mayPost = useMay('prepare_entries');
  const [params, change] = useAddress();
  const [limit, setLimit] = useState(firstPage);
  const text = params.get('find') ?? '';
  const layer = layers.find((one) => one === params.get('layer'));
  const source = (Object.keys(entrySources) as (keyof typeof entrySources)[]).find((one) => one === params.get('source'));
  const by = params.get('by') ?? '';
  const accountId = Number(params.get('account') ?? 0) || null;
  const { data: chart } = useGetChartQuery({ companyId: company.id, ...span });
  const chosenSeries = params.get('series') ?? '';
  const [isArranging, setArranging] = useState(false);
  const { facets } = useFacetFilter();
  // What reads as an amount is sought as one too.
  const read = text.trim() === '' ? null : amountIn(text.trim(), currency);
  const amount = read === null || read === 0n ? '' : read.toString();
  const isSought = [text.trim(), layer, source, chosenSeries, by.trim(), facets, params.get('account') ?? ''].some((part) => part !== undefined && part !== '');
  const sought = {
    companyId: company.id,
    from: span.from,
    to: span.to,
    text: text.trim(),
    amount,
    layer,
    source,
    series: /^\d+$/.test(chosenSeries) ? Number(chosenSeries) : undefined,
    by: by.trim(),
    facets,
    account: accountId ?? undefined,
  };
  const { data, error, isFetching } = useListEntriesQuery({ ...sought, limit });
  const chosenId = Number(params.get('entry') ?? 0);
  const columns = useMemo(() => entryColumns(currency), [currency]);
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="entries-title" aria-busy={isFetching}>
        <header>
          <LedgerTabs />
          <h1 id="entries-title" className="unseen">
            Entries
          </h1>
          <div className={styles.head}>
            <p className={styles.quiet}>{spanText(span.from, span.to)}, latest first</p>
            {mayPost && (
              <div className={styles.buttons}>
                <Button component={Link} to={{ pathname: `/companies/${company.id}/ledger/entries/import`, search }}>
                  From a file…
                </Button>
                <Button component={Link} to={{ pathname: `/companies/${company.id}/ledger/entries/new`, search }} variant="contained">
                  New entry…
                </Button>
              </div>
            )}
          </div>
        </header>
        <EntryFilters accounts={chart?.accounts ?? []} file={pathOf('exportEntries', sought)} onArrange={() => setArranging(true)} />
        {error !== undefined && !data && <EmptyState title="The entries cannot be shown">{describeFailure(error)}</EmptyState>}
        {data?.entries.length === 0 && (
          <EmptyState title="No entry here">
            <p>{isSought ? 'None of these days has what is sought.' : 'Nothing was posted in these days.'}</p>
          </EmptyState>
        )}
        {data && data.entries.length > 0 && (
          <TreeGrid<ListedEntry>
            label="Entries"
            rows={data.entries}
            keyOf={({ id }) => id}
            depthOf={() => 0}
            columns={columns}
            choice={widths}
            onChoice={keepWidths}
            chosen={chosenId}
            onOpen={({ id }) => change({ entry: String(id) })}
            onCopied={(rows) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(rows) }))}
            isFaint={({ isReversed, reversesEntryId }) => isReversed || reversesEntryId !== null}
            countText={(_, all) => `${counted(all, 'entry', 'entries')}${data.next === null ? '' : ', and more'}`}
          />
        )}
        {data && data.next !== null && limit < largestPage && (
          <Button className={styles.more} onClick={() => setLimit(largestPage)}>
            Show more
          </Button>
        )}
      </section>
      {isArranging && <SeriesDialog onClose={() => setArranging(false)} />}
      <EntryPanel
        key={chosenId}
        entryId={chosenId === 0 ? null : chosenId}
        currency={currency}
        onOpen={(id) => change({ entry: id === null ? '' : String(id) })}
      />
    </div>
  );
}
