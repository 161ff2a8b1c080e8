import type { StatementBody } from '@ivory-ladder/contract';
import type { PlanDefinition, Scale } from '@ivory-ladder/core';
import { useDeferredValue } from 'react';
import { useListLayoutsQuery } from '../../shared/api/layoutApi.ts';
import { useGetStatementQuery } from '../../shared/api/statementApi.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { Select } from '../../shared/components/Select.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { ScaleMenu, StatementTable } from '../statements/index.ts';
import styles from './ColumnPlansScreen.module.css';

/** What a layout shows with a plan that is being composed. */
export function usePlanSample(plan: PlanDefinition, kind: StatementKind, { unit, rounding }: Scale) {
  const company = useCompany();
  const { span } = useSpan();
  const definition = useDeferredValue(JSON.stringify(plan));
  return useGetStatementQuery(
    {
      companyId: company.id,
      kind,
      ...span,
      detail: 1,
      open: '',
      shut: '',
      zero: '0',
      scale: unit,
      rounding,
      language: '',
      plan: 'composed',
      definition,
      facets: '',
    },
    { skip: company.lastEntryDay === null || plan.columns.length === 0 },
  );
}

/** A sample shows lines as they are: there is nothing to be opened. */
function closed(statement: StatementBody): StatementBody {
  return { ...statement, rows: statement.rows.map((row) => ({ ...row, opens: false })) };
}

interface PlanSampleProps {
  readonly kind: StatementKind;
  readonly statement: StatementBody | undefined;
  readonly error: unknown;
  readonly onKind: (kind: StatementKind) => void;
  readonly scale: Scale;
  readonly onScale: (scale: Scale) => void;
}

/** The plan as it would be printed, over the dates of the ribbon. */
export function PlanSample({ kind, statement, error, onKind, scale, onScale }: PlanSampleProps) {
  const company = useCompany();
  const { data } = useListLayoutsQuery({ companyId: company.id });
  const running = data?.layouts.filter(({ inUse }) => inUse !== null) ?? [];
  return (
    <section className={styles.sample} aria-label="Sample">
      <header className={styles.sampleHead}>
        <h2>{statement?.title ?? 'Sample'}</h2>
        <label className={styles.inline}>
          <span>Tried with</span>
          <Select value={kind} onChange={({ target: { value } }) => onKind(value as StatementKind)}>
            <option value="income-statement">Income statement</option>
            <option value="balance-sheet">Balance sheet</option>
            <option value="cash-flow">Cash flow</option>
            {running.map(({ id, name }) => (
              <option key={id} value={`layout-${id}`}>
                {name}
              </option>
            ))}
          </Select>
        </label>
        <ScaleMenu
          scale={scale.unit}
          rounding={scale.rounding}
          change={(changes) =>
            onScale({
              unit: changes.scale === undefined ? scale.unit : ((changes.scale ?? 'exact') as Scale['unit']),
              rounding: changes.rounding === undefined ? scale.rounding : changes.rounding === null ? 'footed' : 'independent',
            })
          }
        />
      </header>
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      {company.lastEntryDay === null && <p className={styles.note}>Nothing was posted yet, so there are no figures to try it with.</p>}
      {statement && error === undefined && (
        <div className={styles.scroll}>
          <StatementTable statement={closed(statement)} cell={null} onToggle={() => undefined} onOpenCell={() => undefined} />
        </div>
      )}
    </section>
  );
}
