import type { AdjustmentList } from '@ivory-ladder/contract';
import { accountLabel, type Currency, formatAmount, shortDay } from '@ivory-ladder/core';
import { useState } from 'react';
import { useGetAdjustmentsQuery } from '../../shared/api/ledgerApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { EntryView } from '../evidence/index.ts';
import own from './AdjustmentsPanel.module.css';
import styles from './BroughtInPanel.module.css';

/** Each adjustment between the ledger and the adjusted balances, with its text and lines. */
export function AdjustmentsPanel({ to, currency }: { to: string; currency: Currency }) {
  const company = useCompany();
  const [entryId, setEntryId] = useState<number | null>(null);
  const { data, error } = useGetAdjustmentsQuery({ companyId: company.id, to });
  if (entryId !== null)
    return (
      <aside className={styles.panel} aria-label="Adjustments">
        <EntryView entryId={entryId} currency={currency} onBack={() => setEntryId(null)} />
      </aside>
    );
  return (
    <aside className={`${styles.panel} ${own.panel}`} aria-label="Adjustments" data-printed>
      <h2>Adjustments</h2>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      {data && (
        <p className={styles.quiet}>
          {data.entries.length === 0 ? `None from ${shortDay(data.from)} to ${shortDay(to)}.` : `From ${shortDay(data.from)} to ${shortDay(to)}.`}
          {data.earlier > 0 && ` ${counted(data.earlier, 'earlier one goes', 'earlier ones go')} on in the balances.`}
        </p>
      )}
      <ol className={own.entries}>
        {data?.entries.map(({ id, date, documentNumber, description, lines }) => (
          <li key={id}>
            <button type="button" onClick={() => setEntryId(id)}>
              Document {documentNumber}, {shortDay(date)}
            </button>
            {description && <p>{description}</p>}
            <table>
              <tbody>
                {byAccount(lines).map(({ label, net }) => (
                  <tr key={label}>
                    <td>{label}</td>
                    <td>{formatAmount(net, currency)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </li>
        ))}
      </ol>
    </aside>
  );
}

/** One amount an account, however many lines its facets make of it; in the order of the first lines. */
function byAccount(lines: AdjustmentList['entries'][number]['lines']): { label: string; net: bigint }[] {
  const sums = new Map<string, bigint>();
  for (const line of lines) {
    const label = accountLabel(line);
    sums.set(label, (sums.get(label) ?? 0n) + BigInt(line.debit) - BigInt(line.credit));
  }
  return [...sums].map(([label, net]) => ({ label, net }));
}
