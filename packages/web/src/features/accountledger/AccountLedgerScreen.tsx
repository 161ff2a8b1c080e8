import type { ChartAccountBody } from '@ivory-ladder/contract';
import { readRangeText, spanText } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useGetAccountLedgerQuery } from '../../shared/api/ledgerApi.ts';
import { pathOf } from '../../shared/api/requestOf.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { resized } from '../../shared/components/treegrid/columnChoice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useFacetFilter } from '../../shared/state/useFacetFilter.ts';
import { useKeptColumns } from '../../shared/state/useKeptColumns.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useTakeFile } from '../../shared/state/useTakeFile.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { EntryView } from '../evidence/index.ts';
import { FacetMenu } from '../facets/index.ts';
import { LedgerTabs } from '../ledger/index.ts';
import styles from './AccountLedgerScreen.module.css';
import { LedgerSection } from './LedgerSection.tsx';

const few = createFilterOptions<ChartAccountBody>({ limit: 40, stringify: ({ label }) => label });

/** One account, some or all of them, line by line with the balance after each; printed, it is the general ledger. */
export function AccountLedgerScreen() {
  const takeFile = useTakeFile();
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const { facets } = useFacetFilter();
  const [params, change] = useAddress();
  const account = params.get('account') ?? '';
  const range = params.get('accounts') ?? '';
  const [typed, setTyped] = useState(range);
  const asked = { companyId: company.id, from: span.from, to: span.to, facets, ...(account === '' ? { accounts: range } : { account: Number(account) }) };
  const { data: chart } = useGetChartQuery({ companyId: company.id, ...span });
  const { data: codeLists } = useListCodeListsQuery({ companyId: company.id });
  const { data, error, isFetching } = useGetAccountLedgerQuery(asked);
  const columns = (codeLists?.lists ?? []).filter(
    ({ key, kind }) => kind === 'facet' && data?.accounts.some(({ lines }) => lines.some((line) => line.facets[key] !== undefined)),
  );
  const [kept, keep] = useKeptColumns('the account ledger');
  const widths = new Map(kept.flatMap(({ id, width }) => (width === null ? [] : [[id, width]])));
  const entryId = Number(params.get('entry') ?? 0);
  const read = typed.trim() === '' ? null : readRangeText(typed, company.digitOrder);
  const lines = (data?.accounts ?? []).reduce((sum, one) => sum + one.lines.length, 0);
  const chosen = chart?.accounts.find(({ id }) => String(id) === account) ?? null;
  return (
    <div className={entryId > 0 ? styles.beside : styles.screen}>
      <section className={styles.sheet} aria-labelledby="account-ledger-title" aria-busy={isFetching}>
        <header className={styles.head}>
          <div>
            <LedgerTabs />
            <h1 id="account-ledger-title" className={styles.title}>
              {company.name}: {account === '' && range === '' ? 'general ledger' : 'account ledger'}
            </h1>
            <p className={styles.quiet}>
              {spanText(span.from, span.to)}, in {company.currency}
              {data && `, ${counted(data.accounts.length, 'account')} with ${counted(lines, 'line')}`}
            </p>
          </div>
        </header>
        <search className={styles.tools}>
          <Autocomplete
            className={styles.account}
            options={chart?.accounts ?? []}
            filterOptions={few}
            getOptionLabel={({ label }) => label}
            value={chosen}
            onChange={(_, picked) => change({ account: picked ? String(picked.id) : null, accounts: null, entry: null })}
            isOptionEqualToValue={(a, b) => a.id === b.id}
            autoHighlight
            renderInput={({ slotProps }) => (
              <div ref={slotProps.input.ref}>
                <input {...slotProps.htmlInput} className={styles.field} aria-label="Account" placeholder="All accounts" />
              </div>
            )}
          />
          {company.numbered && account === '' && (
            <form
              className={styles.range}
              onSubmit={(event) => {
                event.preventDefault();
                if (read === null || read.ok) change({ accounts: typed.trim() === '' ? null : typed.trim(), entry: null });
              }}
            >
              <input
                className={styles.field}
                aria-label="Account numbers"
                placeholder="or numbers: 4000 to 4999"
                value={typed}
                aria-invalid={read !== null && !read.ok}
                onChange={(event) => setTyped(event.target.value)}
              />
              {typed !== range && <Button type="submit">Show</Button>}
            </form>
          )}
          <FacetMenu />
          <Button onClick={() => takeFile(pathOf('exportAccountLedger', asked))}>CSV</Button>
          <Button onClick={() => window.print()}>Print</Button>
        </search>
        {error !== undefined && !data && <EmptyState title="The account ledger cannot be shown">{describeFailure(error)}</EmptyState>}
        {data && data.accounts.length === 0 && data.leftOut === 0 && (
          <EmptyState title="Nothing here">
            <p>None of these accounts has a line in these days, or a balance at their end.</p>
          </EmptyState>
        )}
        <div className={styles.scroll}>
          {data?.accounts.map((one, at) => (
            <LedgerSection
              key={one.id}
              account={one}
              from={span.from}
              to={span.to}
              facets={columns}
              currency={currency}
              chosen={entryId}
              isFirst={at === 0}
              widths={widths}
              onWidth={(id, pixels) => keep(resized([...kept.filter((one) => one.id !== id), { id, width: null }], id, pixels))}
              onEntry={(id) => change({ entry: String(id) })}
            />
          ))}
          {data && data.leftOut > 0 && (
            <p role="status" className={styles.more}>
              ▲ {counted(data.leftOut, 'account')} more {data.leftOut === 1 ? 'is' : 'are'} not shown: there are too many lines for one page. Choose fewer days
              or accounts, or take all of it as CSV.
            </p>
          )}
        </div>
      </section>
      {entryId > 0 && (
        <aside className={styles.panel} aria-label="Entry">
          <EntryView key={entryId} entryId={entryId} currency={currency} onBack={() => change({ entry: null })} />
        </aside>
      )}
    </div>
  );
}
