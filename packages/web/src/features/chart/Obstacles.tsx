import type { ChartAccountBody, ChartView } from '@ivory-ladder/contract';
import { type AccountRole, accountLabel, type Currency, formatAmount } from '@ivory-ladder/core';
import { Link, useLocation } from 'react-router';
import { useCompany } from '../../shared/state/useCompany.ts';
import { accountRoleWords } from '../../shared/words/accountRoleWords.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './ChartScreen.module.css';

/** What stands in the way of retiring or deleting an account. */
export interface Obstacle {
  readonly isDeleting: boolean;
  readonly balance: bigint;
  readonly lines: number;
  readonly role: AccountRole | null;
}

/** The facts of a refusal as an obstacle, or `null` for a refusal of another kind. */
export function obstacleOf(failure: unknown): Obstacle | null {
  const { code, facts = {} } = (failure ?? {}) as { code?: string; facts?: { balance?: string; lines?: number; role?: AccountRole | null } };
  if (code !== 'account_not_retirable' && code !== 'account_held') return null;
  return { isDeleting: code === 'account_held', balance: BigInt(facts.balance ?? '0'), lines: facts.lines ?? 0, role: facts.role ?? null };
}

interface ObstaclesProps {
  readonly obstacle: Obstacle;
  readonly account: ChartAccountBody;
  readonly chart: ChartView;
  readonly currency: Currency;
  readonly onOpen: (accountId: number) => void;
  readonly onMerge: () => void;
}

/** Each thing in the way, with a way to it. */
export function Obstacles({ obstacle, account, chart, currency, onOpen, onMerge }: ObstaclesProps) {
  const company = useCompany();
  const { search } = useLocation();
  const { isDeleting, balance, lines, role } = obstacle;
  const below = chart.accounts.filter(({ parentId, active }) => parentId === account.id && (isDeleting || active));
  const entries = new URLSearchParams(search);
  entries.set('account', String(account.id));
  const toEntries = { pathname: `/companies/${company.id}/ledger`, search: entries.toString() };
  return (
    <section className={styles.meanwhile} role="alert" aria-label="What stands in the way">
      <strong>
        {account.number || account.name} cannot be {isDeleting ? 'deleted' : 'retired'} yet:
      </strong>
      <ul>
        {balance !== 0n && (
          <li>
            It holds {formatAmount(balance, currency)} at the end of the last period. <Link to={toEntries}>See its entries</Link>
            {!account.isParent && (
              <>
                , or{' '}
                <button type="button" className={styles.way} onClick={onMerge}>
                  merge it into another
                </button>
              </>
            )}
            .
          </li>
        )}
        {lines > 0 && (
          <li>
            {counted(lines, 'journal line')} stand on it. <Link to={toEntries}>See its entries</Link>; an account with history is retired, not deleted.
          </li>
        )}
        {below.map(({ id, number, name }) => (
          <li key={id}>
            Below it stands{' '}
            <button type="button" className={styles.way} onClick={() => onOpen(id)}>
              {accountLabel({ number, name })}
            </button>
            .
          </li>
        ))}
        {role !== null && <li>It has a role. {accountRoleWords[role]} Give the role to another account first: change that one and choose it there.</li>}
      </ul>
    </section>
  );
}
