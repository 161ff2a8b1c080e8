import type { EntryList } from '@ivory-ladder/contract';
import { type Currency, formatAmount, toDecimalText } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation } from 'react-router';
import { useGetChartQuery } from '../../api/chartApi.ts';
import { describeFailure } from '../../api/failureMessages.ts';
import { toQuery } from '../../api/ivoryApi.ts';
import { useListEntriesQuery } from '../../api/ledgerApi.ts';
import { useListSeriesQuery } from '../../api/seriesApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { useAddress } from '../../app/useAddress.ts';
import { currencyOfCompany, useCompany, useMay } from '../../app/useCompany.ts';
import { useFacetFilter } from '../../app/useFacetFilter.ts';
import { useSpan } from '../../app/useSpan.ts';
import { counted } from '../../components/counted.ts';
import { shortDay, spanText } from '../../components/dates.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { compareAmounts, compareTexts, copiedText, type GridColumn } from '../../components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../components/treegrid/TreeGrid.tsx';
import { FacetMenu } from '../facets/FacetMenu.tsx';
import { LedgerTabs } from '../ledger/LedgerTabs.tsx';
import { SeriesDialog } from '../series/SeriesDialog.tsx';
import { AccountPicker } from './AccountPicker.tsx';
import styles from './EntriesScreen.module.css';
import { EntryPanel } from './EntryPanel.tsx';
import { amountIn } from './entryRows.ts';

type Row = EntryList['entries'][number];

const sources = {
  manual: 'by hand',
  import: 'from a file',
  trial_balance: 'from a trial balance',
  reversal: 'reversals',
  reclassification: 'of merged accounts',
  closing: 'closings of years',
} as const;
const firstPage = 100;
const largestPage = 500;

/** Entries of the chosen span, latest first; one opens beside the list, and new ones begin here. */
export function EntriesScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const { search } = useLocation();
  const dispatch = useDispatch();
  const mayPost = useMay('preparer');
  const [params, change] = useAddress();
  const [limit, setLimit] = useState(firstPage);
  const text = params.get('find') ?? '';
  const layer = params.get('layer') ?? '';
  const [source, by] = [params.get('source') ?? '', params.get('by') ?? ''];
  const accountId = Number(params.get('account') ?? 0) || null;
  const { data: chart } = useGetChartQuery({ companyId: company.id, ...span });
  const chosenSeries = params.get('series') ?? '';
  const series = useListSeriesQuery(company.id).data?.series ?? [];
  const [isArranging, setArranging] = useState(false);
  const { facets } = useFacetFilter();
  // What reads as an amount is sought as one too.
  const read = text.trim() === '' ? null : amountIn(text.trim(), currency);
  const amount = read === null || read === 0n ? '' : read.toString();
  const isSought = [text.trim(), layer, source, chosenSeries, by.trim(), facets, params.get('account') ?? ''].some((part) => part !== '');
  const sought = {
    from: span.from,
    to: span.to,
    text: text.trim(),
    amount,
    layer,
    source,
    series: chosenSeries,
    by: by.trim(),
    facets,
    account: accountId ?? '',
  };
  const { data, error, isFetching } = useListEntriesQuery({ companyId: company.id, ...sought, limit });
  const chosenId = Number(params.get('entry') ?? 0);
  const columns = useMemo(() => columnsOf(currency), [currency]);
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="entries-title" aria-busy={isFetching}>
        <header className={styles.head}>
          <div>
            <LedgerTabs />
            <h1 id="entries-title" className="unseen">
              Entries
            </h1>
            <p className={styles.quiet}>{spanText(span.from, span.to)}, latest first</p>
          </div>
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
        </header>
        <search className={styles.filters}>
          <input
            className={styles.filter}
            type="search"
            placeholder="Text, document or amount"
            aria-label="Find entries"
            value={text}
            onChange={(event) => change({ find: event.target.value }, { replace: true })}
          />
          <select className={styles.filter} aria-label="Layer" value={layer} onChange={(event) => change({ layer: event.target.value })}>
            <option value="">both layers</option>
            <option value="ledger">ledger</option>
            <option value="adjustment">adjustments</option>
          </select>
          <select className={styles.filter} aria-label="Where it came from" value={source} onChange={(event) => change({ source: event.target.value })}>
            <option value="">from anywhere</option>
            {Object.entries(sources).map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </select>
          <select
            className={styles.filter}
            aria-label="Series"
            value={chosenSeries}
            onChange={(event) => (event.target.value === 'arrange' ? setArranging(true) : change({ series: event.target.value }))}
          >
            <option value="">all series</option>
            <option value="0">plain numbers</option>
            {series.map(({ id, code }) => (
              <option key={id} value={id}>
                {code}
              </option>
            ))}
            <option value="arrange">{mayPost ? 'arrange series…' : 'about series…'}</option>
          </select>
          <input
            className={styles.filter}
            type="search"
            placeholder="posted by anybody"
            aria-label="Posted by"
            value={by}
            onChange={(event) => change({ by: event.target.value }, { replace: true })}
          />
          <div className={styles.account}>
            <AccountPicker
              label="On account"
              placeholder="on any account"
              accounts={chart?.accounts ?? []}
              accountId={accountId}
              isAtFault={false}
              onChange={(account) => change({ account: account ? String(account.id) : '' })}
            />
          </div>
          <FacetMenu />
          <Button component="a" href={`/api/companies/${company.id}/entry-list/csv?${toQuery(sought)}`} download>
            CSV
          </Button>
        </search>
        {error !== undefined && !data && <EmptyState title="The entries cannot be shown">{describeFailure(error)}</EmptyState>}
        {data?.entries.length === 0 && (
          <EmptyState title="No entry here">
            <p>{isSought ? 'None of these days has what is sought.' : 'Nothing was posted in these days.'}</p>
          </EmptyState>
        )}
        {data && data.entries.length > 0 && (
          <TreeGrid<Row>
            label="Entries"
            rows={data.entries}
            keyOf={({ id }) => id}
            depthOf={() => 0}
            columns={columns}
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

function columnsOf(currency: Currency): GridColumn<Row>[] {
  return [
    {
      id: 'date',
      caption: 'Date',
      width: '96px',
      cell: ({ date }) => shortDay(date),
      text: ({ date }) => date,
      compare: (a, b) => compareTexts(a.date, b.date),
    },
    {
      id: 'document',
      caption: 'Document',
      width: '84px',
      cell: ({ documentNumber }) => documentNumber,
      text: ({ documentNumber }) => documentNumber,
      compare: (a, b) => compareTexts(a.documentNumber, b.documentNumber),
    },
    {
      id: 'description',
      caption: 'Text',
      width: 'minmax(140px, 1fr)',
      cell: ({ description, isReversed, layer, closesYear }) => (
        <span title={description}>
          {layer === 'adjustment' && <span className={styles.adjustment}>adjustment · </span>}
          {closesYear !== null && `closes ${closesYear} · `}
          {description}
          {isReversed && ', reversed'}
        </span>
      ),
      text: ({ description }) => description,
      compare: (a, b) => compareTexts(a.description, b.description),
    },
    {
      id: 'lines',
      caption: 'Lines',
      width: '52px',
      isAmount: true,
      cell: ({ lines }) => lines,
      text: ({ lines }) => String(lines),
      compare: (a, b) => a.lines - b.lines,
    },
    {
      id: 'amount',
      caption: 'Amount',
      width: '112px',
      isAmount: true,
      cell: ({ amount }) => formatAmount(BigInt(amount), currency),
      text: ({ amount }) => toDecimalText(BigInt(amount), currency),
      compare: (a, b) => compareAmounts(a.amount, b.amount),
    },
    {
      id: 'by',
      caption: 'Posted by',
      width: '92px',
      cell: ({ postedBy }) => postedBy,
      text: ({ postedBy }) => postedBy,
      compare: (a, b) => compareTexts(a.postedBy, b.postedBy),
    },
  ];
}
