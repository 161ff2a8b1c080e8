import type { StatementBody } from '@ivory-ladder/contract';
import { draftWords, type PresentationChoice } from '@ivory-ladder/core';
import { type CSSProperties, lazy, Suspense, useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { pathOf } from '../../shared/api/requestOf.ts';
import { useGetStatementQuery } from '../../shared/api/statementApi.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useTakeFile } from '../../shared/state/useTakeFile.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { languageNames } from '../../shared/words/languageNames.ts';
import { writeCell } from '../evidence/index.ts';
import { FacetMenu, FacetNote } from '../facets/index.ts';
import { ColumnMenu } from './ColumnMenu.tsx';
import { ScaleMenu } from './ScaleMenu.tsx';
import { StatementFoot } from './StatementFoot.tsx';
import { StatementNav, statementNames, withoutCell } from './StatementNav.tsx';
import styles from './StatementScreen.module.css';
import { isWide, StatementTable } from './StatementTable.tsx';
import { sheetWidth } from './sheetWidth.ts';
import { statementDates } from './statementDates.ts';
import { useStatementAddress } from './useStatementAddress.ts';

const EvidencePanel = lazy(async () => ({ default: (await import('../evidence/EvidencePanel.tsx')).EvidencePanel }));

const rungNames = ['One rung', 'Two rungs', 'Three rungs', 'Four rungs', 'Five rungs'];

/** A statement as printed, with what is needed to read, open and take it along. */
export function StatementScreen() {
  const takeFile = useTakeFile();
  const company = useCompany();
  const { kind, planned, request, change, toggle, cell } = useStatementAddress();
  const { span } = useSpan();
  const { classification, choose: chooseClassification } = useClassification();
  const { search } = useLocation();
  const { data, error, isFetching } = useGetStatementQuery(request, { skip: company.lastEntryDay === null });
  // Figures of what was asked before must not stand under the address of what was refused.
  const statement = error === undefined && data && nameOf(data) === kind ? data : undefined;
  const width = useMemo(() => (statement && isWide(statement) ? ({ '--of-figures': `${sheetWidth(statement)}px` } as CSSProperties) : undefined), [statement]);
  const isOwn = isOwnKind(kind);
  const presentation: PresentationChoice | null = request.currency ? { currency: request.currency, method: request.translation ?? 'own_rates' } : null;
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
    <div className={styles.screen} data-evidence={cell !== null || undefined} data-wide={(statement && isWide(statement)) || undefined} style={width}>
      <section className={styles.sheet} aria-busy={isFetching} aria-labelledby="statement-title">
        <header className={styles.head}>
          <div>
            <div className={styles.titleRow}>
              <h1 id="statement-title" lang={statement?.language}>
                {statement?.title ?? (isOwnKind(kind) ? ' ' : statementNames[kind])}
              </h1>
              {company.classifications.length > 1 && !isOwn && (
                <Select quiet aria-label="Classification" value={classification.id} onChange={({ target: { value } }) => chooseClassification(Number(value))}>
                  {company.classifications.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </Select>
              )}
              {company.languages.length > 1 && (
                <Select
                  quiet
                  aria-label="Language of captions"
                  value={statement?.language ?? company.languages[0]}
                  onChange={({ target: { value } }) => change({ language: value === company.languages[0] ? null : value })}
                >
                  {company.languages.map((language) => (
                    <option key={language} value={language}>
                      {languageNames[language]}
                    </option>
                  ))}
                </Select>
              )}
            </div>
            <p className={styles.printed}>{company.name}</p>
            <p className={styles.dates}>
              {statement?.isDraft && <strong className={styles.draft}>✗ {draftWords[statement.language]} · </strong>}
              {statement ? statementDates(statement, span) : ' '}
            </p>
          </div>
          <ChoiceMenu
            label="Export"
            strong
            choices={[
              { value: 'exportWorkbook', label: 'Workbook with live formulas (XLSX)' },
              { value: 'exportCsv', label: 'Figures as CSV' },
              { value: 'exportDocument', label: 'Whole statement as JSON' },
              { value: 'print', label: 'Print…' },
            ]}
            chosen={[]}
            onChoose={(what) => (what === 'print' ? window.print() : takeFile(pathOf(what, request)))}
          />
          <div className={styles.tools}>
            <StatementNav kind={kind} title={statement?.title} />
            <DetailMenu statement={statement} detail={String(request.detail)} zero={request.zero} change={change} />
            <ColumnMenu isBalance={isOfBalances(kind, statement)} planned={planned} ran={statement?.plan} change={change} />
            <ScaleMenu scale={request.scale} rounding={request.rounding} presentation={presentation} change={change} />
            <FacetMenu />
          </div>
        </header>
        <FacetNote />
        {error !== undefined && <EmptyState title="The statement cannot be shown">{describeFailure(error)}</EmptyState>}
        {statement && <StatementTable statement={statement} cell={cell} onToggle={toggle} onOpenCell={(address) => change({ cell: writeCell(address) })} />}
        {statement && <StatementFoot statement={statement} />}
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
            planned={planned}
            facets={request.facets}
            presentation={presentation}
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

function isOwnKind(kind: StatementKind): kind is `layout-${number}` {
  return kind.startsWith('layout-');
}

function nameOf({ kind, layoutId }: StatementBody): string {
  if (layoutId !== null) return `layout-${layoutId}`;
  return kind === 'free' ? 'trial-balance' : kind.replaceAll('_', '-');
}

/** Whether its columns are balances at days rather than movements over spans. */
function isOfBalances(kind: StatementKind, statement: StatementBody | undefined): boolean {
  const [first] = statement?.columns ?? [];
  return first?.kind === 'amount' ? first.measure !== 'movement' : kind === 'balance-sheet' || kind === 'trial-balance';
}
