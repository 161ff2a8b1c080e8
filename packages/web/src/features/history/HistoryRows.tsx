import type { HistoryThing } from '@ivory-ladder/contract';
import { shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { useListHistoryQuery } from '../../shared/api/companyApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './HistoryScreen.module.css';
import { historyLines } from './historyText.ts';

const pageSize = 100;

interface HistoryRowsProps {
  readonly wanted: { readonly thing?: HistoryThing; readonly actor?: string; readonly from?: string; readonly to?: string };
  /** Changes older than this one; `null` for the newest. */
  readonly before: number | null;
  /** Asked of the last page only. */
  readonly onOlder: ((next: number) => void) | null;
}

/** One page of the history, as rows of its table. */
export function HistoryRows({ wanted, before, onOlder }: HistoryRowsProps) {
  const company = useCompany();
  const { data, error } = useListHistoryQuery({ companyId: company.id, limit: pageSize, ...wanted, ...(before === null ? {} : { before }) });
  const said = error !== undefined ? describeFailure(error) : data?.events.length === 0 ? 'Nothing was changed, or nothing that is asked for here.' : null;
  return (
    <tbody>
      {data?.events.map((event) => (
        <tr key={event.id}>
          <td className={styles.quiet}>{momentText(event.happenedAt)}</td>
          <td>{event.who}</td>
          <td>
            {event.thing === 'account' ? (
              <Link to={`/companies/${company.id}/ledger/chart?account=${event.thingId}`}>{event.label}</Link>
            ) : (
              event.label.replace(/\d{4}-\d\d-\d\d/, (day) => shortDay(day))
            )}
          </td>
          <td>
            {historyLines(event).map((line) => (
              <div key={line}>{line}</div>
            ))}
          </td>
        </tr>
      ))}
      {said !== null && (
        <tr>
          <td colSpan={4}>{said}</td>
        </tr>
      )}
      {onOlder && data?.next != null && (
        <tr>
          <td colSpan={4}>
            <Button onClick={() => data.next !== null && onOlder(data.next)}>Older changes</Button>
          </td>
        </tr>
      )}
    </tbody>
  );
}
