import type { EntryBody, EntryClimb } from '@ivory-ladder/contract';
import { accountLabel, type Currency, facetsText, findCurrency, formatAmount, longDay, shortDay } from '@ivory-ladder/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import Button from '@mui/material/Button';
import { skipToken } from '@reduxjs/toolkit/query';
import { Link, useLocation } from 'react-router';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useGetEntryClimbQuery, useGetEntryQuery } from '../../shared/api/ledgerApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { writeCell } from './cellAddress.ts';
import styles from './EntryView.module.css';

const sources = {
  manual: 'posted by hand',
  trial_balance: 'from a trial balance',
  reversal: 'reverses another entry',
  reclassification: 'moves what a merged account held',
  demo: 'demo ledger',
  import: 'from a file of journal lines',
  closing: 'closing of a year',
} as const;

function foreignText({ currency: code, amount, rate }: NonNullable<EntryBody['lines'][number]['foreign']>): string {
  const currency = findCurrency(code);
  if (!currency) return code;
  return `${formatAmount(BigInt(amount), currency)} ${code}${rate === null ? '' : ` at ${rate}`}`;
}

/** From the line that takes an account up to the totals; the line leads to its statement. */
function ClimbOf({ climb }: { climb: EntryClimb['accounts'][number] | undefined }) {
  const company = useCompany();
  const { search } = useLocation();
  const [first, ...above] = climb?.rungs ?? [];
  if (!climb) return null;
  if (climb.kind === null || !first) return <small>stands in no statement</small>;
  const params = new URLSearchParams(search);
  params.delete('entry');
  params.set('cell', writeCell({ line: first.key, column: 0, account: climb.accountId }));
  return (
    <small className={styles.climb}>
      <Link to={{ pathname: `/companies/${company.id}/statements/${climb.kind}`, search: params.toString() }}>{first.caption}</Link>
      {above.map(({ caption }) => ` › ${caption}`).join('')}
    </small>
  );
}

/** One entry, whole: the end of every way down. */
export function EntryView({ entryId, currency, onBack }: { entryId: number; currency: Currency; onBack: () => void }) {
  const company = useCompany();
  const { data: entry, error } = useGetEntryQuery({ companyId: company.id, entryId });
  const hasFacets = entry?.lines.some(({ facets }) => Object.keys(facets).length > 0) ?? false;
  const { data: codeLists } = useListCodeListsQuery(hasFacets ? { companyId: company.id } : skipToken);
  const { data: climbs } = useGetEntryClimbQuery({ companyId: company.id, entryId });
  const format = (amount: string) => (amount === '0' ? '' : formatAmount(BigInt(amount), currency));
  return (
    <article className={styles.entry}>
      <Button startIcon={<ArrowBack />} onClick={onBack} sx={{ alignSelf: 'start' }}>
        Back
      </Button>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      {entry && (
        <>
          <h3>
            Document {entry.documentNumber}, {longDay(entry.date)}
          </h3>
          <p className={styles.facts}>
            {entry.description && <>{entry.description} · </>}
            {entry.layer === 'adjustment' ? 'adjustment for the statements' : 'ledger'} · {sources[entry.source]}
            {entry.originDocument !== '' && <> · document {entry.originDocument} there</>}
            {entry.closesYear !== null && <> · closes {entry.closesYear}</>}
            {entry.isAdjusting && <> · in the adjusting period</>}
            {entry.isOpening && <> · sets opening balances</>}
            <br />
            posted {shortDay(entry.postedAt.slice(0, 10))} by {entry.postedBy}
          </p>
          <table className={styles.lines}>
            <thead>
              <tr>
                <th scope="col">Account</th>
                <th scope="col">Debit</th>
                <th scope="col">Credit</th>
              </tr>
            </thead>
            <tbody>
              {entry.lines.map((line, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: lines are told apart by their place
                <tr key={at}>
                  <td>
                    {accountLabel(line)}
                    {line.text && <small>{line.text}</small>}
                    {line.foreign && <small>{foreignText(line.foreign)}</small>}
                    {hasFacets && codeLists && <small>{facetsText(line.facets, codeLists.lists)}</small>}
                    {/* Once for each account. */}
                    {entry.lines.findIndex(({ accountId }) => accountId === line.accountId) === at && (
                      <ClimbOf climb={climbs?.accounts.find(({ accountId }) => accountId === line.accountId)} />
                    )}
                  </td>
                  <td>{format(line.debit)}</td>
                  <td>{format(line.credit)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </article>
  );
}
