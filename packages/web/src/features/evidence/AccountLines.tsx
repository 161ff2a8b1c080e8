import { type Currency, formatAmount, isOnSide, type Layer, shortDay } from '@ivory-ladder/core';
import { useState } from 'react';
import { useListAccountLinesQuery } from '../../shared/api/ledgerApi.ts';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './AccountLines.module.css';

interface AccountLinesProps {
  readonly accountId: number;
  readonly currency: Currency;
  /** Income and expense: the running figure is that of the fiscal year. */
  readonly runs: boolean;
  readonly from?: string;
  readonly to?: string;
  /** Only lines with these facet values. */
  readonly facets?: string;
  /** Only lines of this layer; `null`: of both. */
  readonly layer?: Layer | null;
  readonly onOpenEntry: (entryId: number) => void;
}

const firstPage = 50;
const largestPage = 500;

/** Entries of an account, latest or largest first; each opens to the whole entry. */
export function AccountLines({ accountId, currency, runs, from, to, facets = '', layer = null, onOpenEntry }: AccountLinesProps) {
  const company = useCompany();
  const [sort, setSort] = useState<'date' | 'size'>('date');
  const [limit, setLimit] = useState(firstPage);
  const { data } = useListAccountLinesQuery({ companyId: company.id, account: accountId, from, to, sort, facets, ...(layer === null ? {} : { layer }), limit });
  if (!data) return null;
  return (
    <section className={styles.lines} aria-label="Entries">
      <header className={styles.head}>
        <h3>{counted(data.total, 'entry', 'entries')}</h3>
        <div role="group" aria-label="Order">
          {(['date', 'size'] as const).map((kind) => (
            <button key={kind} type="button" aria-pressed={sort === kind} onClick={() => setSort(kind)}>
              {kind === 'date' ? 'latest' : 'largest'}
            </button>
          ))}
        </div>
      </header>
      {data.total > 0 && sort === 'date' && (
        <p className={styles.legend}>Under each amount {runs ? 'the total of the fiscal year' : 'the balance'} up to there.</p>
      )}
      {data.total === 0 && <p className={styles.none}>No entry in these days.</p>}
      <ul>
        {data.lines.map((line, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: an entry may have several lines on the account
          <li key={`${line.entryId}.${at}`}>
            <button type="button" className={styles.line} onClick={() => onOpenEntry(line.entryId)}>
              <span>{shortDay(line.date)}</span>
              <span className={styles.amount}>{formatAmount(BigInt(line.debit) - BigInt(line.credit), currency)}</span>
              <span className={styles.text}>
                {line.description || `document ${line.documentNumber}`}
                {line.layer === 'adjustment' && <em> adjustment</em>}
                {line.closesYear !== null && <em> closing entry</em>}
              </span>
              {line.balance !== null && (
                <span className={styles.running} title={runs ? 'What the fiscal year has brought up to here' : 'Balance up to here'}>
                  <BalanceAmount net={BigInt(line.balance)} currency={currency} isAgainst={isOnSide(BigInt(line.balance), data.sideAgainst)} />
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
      {data.next !== null && limit < largestPage && (
        <button type="button" className={styles.more} onClick={() => setLimit(largestPage)}>
          Show more of {data.total}
        </button>
      )}
    </section>
  );
}
