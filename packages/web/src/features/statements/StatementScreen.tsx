import type { StatementBody } from '@ivory-ladder/contract';
import { type ColumnPlan, captionWords } from '@ivory-ladder/core';
import { lazy, Suspense } from 'react';
import { Link, useLocation } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { statementPath, useGetStatementQuery } from '../../api/statementApi.ts';
import { useClassification } from '../../app/useClassification.ts';
import { useCompany } from '../../app/useCompany.ts';
import { type ComparisonKind, useSpan } from '../../app/useSpan.ts';
import { ChoiceMenu } from '../../components/ChoiceMenu.tsx';
import { longDay, spanText } from '../../components/dates.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { languageNames } from '../../components/languageNames.ts';
import { FacetMenu, FacetNote } from '../facets/FacetMenu.tsx';
import styles from './StatementScreen.module.css';
import { StatementTable } from './StatementTable.tsx';
import { useStatementAddress, writeCell } from './useStatementAddress.ts';

const EvidencePanel = lazy(async () => ({ default: (await import('../evidence/EvidencePanel.tsx')).EvidencePanel }));

const rungNames = ['One rung', 'Two rungs', 'Three rungs', 'Four rungs', 'Five rungs'];
const comparisonNames: Readonly<Record<ComparisonKind, string>> = {
  usual: 'usual',
  year_earlier: 'a year earlier',
  span_before: 'the span before',
  fixed: 'chosen days',
  none: 'none',
};

const planNames = {
  periods: { short: 'periods', 'balance-sheet': 'At the end of each period', 'income-statement': 'Each period, and the total' },
  quarters: { short: 'quarters', 'balance-sheet': 'At the end of each quarter', 'income-statement': 'Each quarter, and the total' },
} as const;

/** A balance sheet or income statement as printed, with what is needed to read, open and take it along. */
export function StatementScreen() {
  const company = useCompany();
  const { kind, request, change, toggle, cell } = useStatementAddress();
  const { span } = useSpan();
  const { classification, choose: chooseClassification } = useClassification();
  const { search } = useLocation();
  const { data, error, isFetching } = useGetStatementQuery(request, { skip: company.lastEntryDay === null });
  const statement = data?.kind === kind.replace('-', '_') ? data : undefined;
  if (company.lastEntryDay === null)
    return (
      <section className={styles.sheet}>
        <EmptyState title="No figures yet">
          <p>Statements follow from the ledger and the placement. Bring in a trial balance first.</p>
          <Link to={`/companies/${company.id}/ledger`}>Bring in a trial balance</Link>
        </EmptyState>
      </section>
    );
  return (
    <div className={styles.screen} data-evidence={cell !== null || undefined} data-wide={request.plan !== 'comparison' || undefined}>
      <section className={styles.sheet} aria-busy={isFetching} aria-labelledby="statement-title">
        <header className={styles.head}>
          <div>
            <div className={styles.titleRow}>
              <h1 id="statement-title" lang={statement?.language}>
                {statement?.title ?? (kind === 'balance-sheet' ? 'Balance sheet' : 'Income statement')}
              </h1>
              {company.classifications.length > 1 && (
                <select
                  className={styles.language}
                  aria-label="Classification"
                  value={classification.id}
                  onChange={({ target: { value } }) => chooseClassification(Number(value))}
                >
                  {company.classifications.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              )}
              {company.languages.length > 1 && (
                <select
                  className={styles.language}
                  aria-label="Language of captions"
                  value={statement?.language ?? company.languages[0]}
                  onChange={({ target: { value } }) => change({ language: value === company.languages[0] ? null : value })}
                >
                  {company.languages.map((language) => (
                    <option key={language} value={language}>
                      {languageNames[language]}
                    </option>
                  ))}
                </select>
              )}
            </div>
            <p className={styles.printed}>{company.name}</p>
            <p className={styles.dates}>{statement ? datesOf(statement, span) : ' '}</p>
          </div>
          <div className={styles.tools}>
            <nav className={styles.kinds} aria-label="Statements">
              {(['balance-sheet', 'income-statement'] as const).map((other) => (
                <Link
                  key={other}
                  to={{ pathname: `/companies/${company.id}/statements/${other}`, search: withoutCell(search) }}
                  aria-current={other === kind ? 'page' : undefined}
                >
                  {other === 'balance-sheet' ? 'Balance sheet' : 'Income statement'}
                </Link>
              ))}
            </nav>
            <DetailMenu statement={statement} detail={request.detail} zero={request.zero} change={change} />
            <ChoiceMenu<ComparisonKind | ColumnPlan>
              label={request.plan === 'comparison' ? `Compare: ${comparisonNames[span.compare]}` : `Columns: ${planNames[request.plan].short}`}
              choices={[
                ...(['usual', 'year_earlier', 'span_before', 'none'] as const).map((value) => ({
                  value,
                  label: comparisonLabel(value, kind),
                  divided: value === 'none',
                })),
                ...(['periods', 'quarters'] as const).map((value) => ({ value, label: planNames[value][kind] })),
              ]}
              chosen={request.plan !== 'comparison' ? [request.plan] : span.compare === 'fixed' ? [] : [span.compare]}
              onChoose={(value) => {
                const isPlan = value === 'periods' || value === 'quarters';
                // The column of a cell is another one then.
                change({ cell: null, ...(isPlan ? { plan: value } : { plan: null, compare: value, compareFrom: null, compareTo: null }) });
              }}
            />
            <FacetMenu />
            <ChoiceMenu
              label="Export"
              strong
              choices={[
                { value: 'workbook', label: 'Workbook with live formulas (XLSX)' },
                { value: 'csv', label: 'Figures as CSV' },
                { value: 'print', label: 'Print…' },
              ]}
              chosen={[]}
              onChoose={(what) => (what === 'print' ? window.print() : window.location.assign(`/api${statementPath(request, `/${what}`)}`))}
            />
          </div>
        </header>
        <FacetNote />
        {error !== undefined && !statement && <EmptyState title="The statement cannot be shown">{describeFailure(error)}</EmptyState>}
        {statement && <StatementTable statement={statement} cell={cell} onToggle={toggle} onOpenCell={(address) => change({ cell: writeCell(address) })} />}
        {statement?.rows.every((row) => row.role === 'heading' || row.role === 'final' || row.role === 'total') && (
          <EmptyState title="No line has an amount">
            <p>Nothing was posted in these dates, or no account of this statement is placed yet.</p>
            <Link to={{ pathname: `/companies/${company.id}/placement`, search: withoutCell(search) }}>Place accounts</Link>
          </EmptyState>
        )}
      </section>
      {cell !== null && (
        <Suspense fallback={<aside className={styles.sheet} />}>
          <EvidencePanel
            kind={kind}
            span={span}
            plan={request.plan}
            facets={request.facets}
            {...(request.classification === undefined ? {} : { classification: request.classification })}
            cell={cell}
            onOpen={(address) => change({ cell: writeCell(address) })}
            onClose={() => change({ cell: null })}
          />
        </Suspense>
      )}
    </div>
  );
}

function DetailMenu({
  statement,
  detail,
  zero,
  change,
}: {
  statement: StatementBody | undefined;
  detail: string;
  zero: '0' | '1';
  change: (changes: Record<string, string | null>) => void;
}) {
  const rungs = Math.min(rungNames.length, statement?.rungs ?? 2);
  const label = detail === 'accounts' ? 'accounts' : (rungNames[Number(detail) - 1] ?? 'Two rungs').toLowerCase();
  return (
    <ChoiceMenu
      label={`Detail: ${label}`}
      choices={[
        ...Array.from({ length: rungs }, (_, index) => ({
          value: String(index + 1),
          label: `${rungNames[index]}: ${index === 0 ? 'categories' : 'subcategories'}`,
        })),
        { value: 'accounts', label: 'Down to the accounts', divided: true },
        { value: 'zero', label: 'Lines without amounts too' },
      ]}
      chosen={[detail, ...(zero === '1' ? ['zero'] : [])]}
      onChoose={(value) => change(value === 'zero' ? { zero: zero === '1' ? null : '1' } : { detail: value, open: null, shut: null })}
    />
  );
}

function comparisonLabel(kind: ComparisonKind, statement: string): string {
  switch (kind) {
    case 'usual':
      return statement === 'balance-sheet' ? 'Usual comparative: last fiscal year end' : 'Usual comparative: the same span a year earlier';
    case 'year_earlier':
      return 'The same dates a year earlier';
    case 'span_before':
      return 'The span before';
    case 'fixed':
      return 'Days chosen on the ribbon';
    case 'none':
      return 'No comparison';
  }
}

function datesOf(statement: StatementBody, { from, to }: { readonly from: string; readonly to: string }): string {
  const spans = statement.columns.flatMap((column) =>
    column.kind === 'amount'
      ? [column.measure === 'closing' ? longDay(column.lastDay, statement.language) : spanText(column.firstDay, column.lastDay, statement.language)]
      : [],
  );
  // Many have their dates above them.
  if (spans.length > 2) return `${spanText(from, to, statement.language)} · ${statement.currency}`;
  return `${spans.join(` ${captionWords[statement.language].and} `)} · ${statement.currency}`;
}

function withoutCell(search: string): string {
  const params = new URLSearchParams(search);
  for (const key of ['cell', 'open', 'shut']) params.delete(key);
  return params.toString();
}
