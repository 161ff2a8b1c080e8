import Dialog from '@mui/material/Dialog';
import { type KeyboardEvent, useId, useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useListLayoutsQuery } from '../shared/api/layoutApi.ts';
import { useGetPlacementQuery } from '../shared/api/placementApi.ts';
import { useClimb } from '../shared/state/useClimb.ts';
import { useCompany } from '../shared/state/useCompany.ts';
import { useSpan } from '../shared/state/useSpan.ts';
import styles from './FindDialog.module.css';

interface Hit {
  readonly key: string;
  readonly label: string;
  readonly kind: string;
  readonly to: string;
  readonly search: string;
  /** Of an account, whose climb can be opened. */
  readonly accountId?: number;
}

const mostShown = 12;

/** Accounts, categories and screens, by any part of their number or name; wholly by keyboard. */
export function FindDialog({ onClose }: { onClose: () => void }) {
  const company = useCompany();
  const { span } = useSpan();
  const { search } = useLocation();
  const navigate = useNavigate();
  const listId = useId();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const { data } = useGetPlacementQuery({ companyId: company.id, ...span });
  const { data: composed } = useListLayoutsQuery({ companyId: company.id });
  const all = useMemo((): Hit[] => {
    const base = `/companies/${company.id}`;
    const screens: [string, string][] = [
      ['Income statement', 'statements/income-statement'],
      ['Balance sheet', 'statements/balance-sheet'],
      ['Cash flow', 'statements/cash-flow'],
      ['Changes in equity', 'statements/changes-in-equity'],
      ['Trial balance by category', 'statements/trial-balance'],
      ['Placement', 'placement'],
      ['Ledger: bring in a trial balance', 'ledger'],
      ['Chart of accounts', 'ledger/chart'],
      ['Entries', 'ledger/entries'],
      ...(company.permissions.includes('prepare_entries')
        ? ([
            ['New entry', 'ledger/entries/new'],
            ['Journal lines from a file', 'ledger/entries/import'],
            ['Opening balances', 'ledger/opening'],
          ] as [string, string][])
        : []),
      ['Account ledger, general ledger', 'ledger/accounts'],
      ['Budgets', 'ledger/budgets'],
      ['Exchange rates', 'ledger/rates'],
      ['Calendar: periods and locks', 'ledger/calendar'],
      ['Coverage: what is not placed', 'placement/coverage'],
      ['Report codes and facets', 'placement/codes'],
      ['Proofs', 'proofs'],
      ['Layouts', 'layouts'],
      ['Sets of statements', 'statements/sets'],
      ...(company.permissions.includes('see_papers') ? [['History: what was changed', 'history'] as [string, string]] : []),
      ...(company.permissions.includes('keep_people_and_settings')
        ? ([
            ['People and their roles', 'people'],
            ['Settings of the company', 'settings'],
          ] as [string, string][])
        : []),
    ];
    return [
      ...screens.map(([label, path]) => ({ key: path, label, kind: 'screen', to: `${base}/${path}`, search: '' })),
      ...(composed?.layouts ?? []).flatMap(({ id, name, inUse }): Hit[] => [
        ...(inUse === null ? [] : [{ key: `s${id}`, label: name, kind: 'statement', to: `${base}/statements/layout-${id}`, search: '' }]),
        { key: `l${id}`, label: name, kind: 'layout', to: `${base}/layouts/${id}`, search: '' },
      ]),
      ...(data?.accounts ?? []).map(({ id, label }) => ({
        key: `a${id}`,
        accountId: id,
        label,
        kind: 'account',
        to: `${base}/ledger`,
        search: `account=${id}`,
      })),
      ...(data?.categories ?? []).map(({ id, name, element }) => ({
        key: `c${id}`,
        label: name,
        kind: `category of ${element}`,
        to: `${base}/placement`,
        search: `category=${id}`,
      })),
    ];
  }, [company.id, company.permissions, data, composed]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const hits = all.filter(({ label }) => words.every((word) => label.toLowerCase().includes(word))).slice(0, mostShown);
  const go = (hit: Hit | undefined) => {
    if (!hit) return;
    const params = new URLSearchParams(search);
    for (const key of ['account', 'category', 'cell', 'classification', 'climb', 'line']) params.delete(key);
    for (const [key, value] of new URLSearchParams(hit.search)) params.set(key, value);
    onClose();
    void navigate({ pathname: hit.to, search: params.toString() });
  };
  const openClimb = useClimb();
  const climb = (hit: Hit | undefined) => {
    if (hit?.accountId === undefined) return;
    onClose();
    openClimb(hit.accountId);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown') setAt(Math.min(at + 1, hits.length - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
    else if (event.key === 'Enter' && event.shiftKey) climb(hits[at]);
    else if (event.key === 'Enter') go(hits[at]);
    else return;
    event.preventDefault();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label="Find" sx={{ '& .MuiDialog-container': { alignItems: 'flex-start', paddingTop: '6vh' } }}>
      <input
        className={styles.input}
        autoFocus
        role="combobox"
        aria-expanded
        aria-controls={listId}
        aria-activedescendant={hits[at] ? `${listId}-${at}` : undefined}
        aria-label="Find account, category or screen"
        placeholder="Number or part of a name"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      <ul id={listId} role="listbox" aria-label="Found" className={styles.hits}>
        {hits.map((hit, index) => (
          <li
            key={hit.key}
            id={`${listId}-${index}`}
            role="option"
            aria-selected={index === at}
            className={styles.hit}
            onMouseEnter={() => setAt(index)}
            onClick={() => go(hit)}
            onKeyDown={onKeyDown}
          >
            <span>{hit.label}</span>
            <span className={styles.kind}>
              {hit.accountId !== undefined && (
                <button
                  type="button"
                  tabIndex={-1}
                  className={styles.climb}
                  title="Its rungs up to the totals of each statement (Shift Enter)"
                  onClick={(event) => {
                    event.stopPropagation();
                    climb(hit);
                  }}
                >
                  climb
                </button>
              )}
              {hit.kind}
            </span>
          </li>
        ))}
      </ul>
      {hits.length === 0 && <p className={styles.none}>Nothing has «{text}» in its number or name.</p>}
    </Dialog>
  );
}
