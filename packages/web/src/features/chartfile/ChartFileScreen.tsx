import type { ChartCheckBody } from '@ivory-ladder/contract';
import { accountLabel } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { useApplyChartFileMutation, useCheckChartFileQuery } from '../../shared/api/chartApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { EffectList } from '../../shared/components/EffectList.tsx';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { compareTexts, copiedText, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../shared/components/treegrid/TreeGrid.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './ChartFileScreen.module.css';
import { changedFields, fieldName, type ListHeadings, rowText } from './chartFileText.ts';

type Row = ChartCheckBody['rows'][number];

const stateNames = { wrong: 'wrong', new: 'new', changed: 'changed', same: 'same' } as const;
const rowOf = ({ row }: Row) => row;
const noDepth = () => 0;

/** Lines listed at once beside the rows; the rest is counted. */
const mostCategories = 12;
const mostMissing = 200;

/** A chart file before it is applied: every row with what it would do, and the effect on the statements. */
export function ChartFileScreen() {
  const company = useCompany();
  const { span } = useSpan();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const fileId = Number(useParams().fileId);
  const [params, setParams] = useSearchParams();
  const { data, error, isFetching } = useCheckChartFileQuery({ companyId: company.id, fileId, body: { from: span.from, to: span.to } });
  const [apply, { isLoading }] = useApplyChartFileMutation();
  const counts = useMemo(() => {
    const found = { wrong: 0, new: 0, changed: 0, same: 0 };
    for (const { state } of data?.rows ?? []) found[state]++;
    return found;
  }, [data]);
  const chosen = (Object.keys(stateNames) as Row['state'][]).find((state) => state === params.get('show'));
  const shown = chosen ?? (counts.wrong > 0 ? 'wrong' : null);
  const fields = useMemo(() => changedFields(data?.rows ?? []), [data]);
  const field = fields.find(({ field: one }) => one === params.get('field'))?.field ?? null;
  const isSought = useMemo(
    () => (row: Row) =>
      field === null
        ? shown === null
          ? row.state !== 'same'
          : row.state === shown
        : row.state === 'changed' && row.changes.some((change) => change.field === field),
    [shown, field],
  );
  const columns = useMemo(() => columnsOf(company.numbered, data?.listHeadings ?? {}), [company.numbered, data]);
  const back = `/companies/${company.id}/ledger/chart`;
  if (error !== undefined && !data)
    return (
      <section className={styles.sheet}>
        <EmptyState title="The file cannot be read as a chart">
          <p>{describeFailure(error)}</p>
          <Button href={addressOf('exportChart', { companyId: company.id, kind: 'template' })}>Template to fill in</Button>{' '}
          <Button onClick={() => void navigate(back)}>Back to the chart</Button>
        </EmptyState>
      </section>
    );
  if (!data) return <output className={styles.quiet}>Reading the file …</output>;
  const toDo = counts.new + counts.changed;
  const onApply = async () => {
    const { structureVersion, revision } = data;
    const applied = await apply({ companyId: company.id, fileId, body: { structureVersion, revision } });
    if (!applied.data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(applied.error) }));
    const { added, changed } = applied.data;
    dispatch(noticeGiven({ tone: 'done', text: `Applied: ${counted(added, 'account')} added, ${changed.toLocaleString('en-GB')} changed.` }));
    void navigate(back);
  };
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="chart-file" aria-busy={isFetching}>
        <header className={styles.head}>
          <div>
            <h1 id="chart-file">Changes to the chart</h1>
            <p className={styles.quiet}>{data.fileName}: nothing is changed before you apply it.</p>
          </div>
          <div className={styles.states} role="group" aria-label="Rows shown">
            {(Object.keys(stateNames) as Row['state'][]).map((state) => (
              <button
                key={state}
                type="button"
                aria-pressed={shown === state}
                data-state={state}
                disabled={counts[state] === 0}
                onClick={() => setParams(shown === state ? { show: '' } : { show: state })}
              >
                {counts[state].toLocaleString('en-GB')} {stateNames[state]}
              </button>
            ))}
          </div>
        </header>
        {fields.length > 1 && (
          <div className={styles.states} role="group" aria-label="Changed rows by field">
            {fields.map(({ field: one, rows }) => (
              <button key={one} type="button" aria-pressed={field === one} onClick={() => setParams(field === one ? {} : { field: one })}>
                {rows.toLocaleString('en-GB')} {fieldName(one, data.listHeadings)}
              </button>
            ))}
          </div>
        )}
        {toDo === 0 && counts.wrong === 0 && chosen === undefined ? (
          <EmptyState title="Nothing to do">
            <p>Every row says what the chart says already.</p>
            <Button onClick={() => void navigate(back)}>Back to the chart</Button>
          </EmptyState>
        ) : (
          <TreeGrid
            label="Rows of the file"
            rows={data.rows}
            keyOf={rowOf}
            depthOf={noDepth}
            columns={columns}
            isSought={isSought}
            onCopied={(rows) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(rows) }))}
            isWrong={({ state }) => state === 'wrong'}
            isFaint={({ state }) => state === 'same'}
            countText={(visible, all) => `${visible} of ${counted(all, 'row')}`}
          />
        )}
      </section>
      <aside className={styles.panel} aria-label="Before it is applied">
        <h2>{counts.wrong > 0 ? 'Cannot be applied yet' : toDo === 0 ? 'Nothing to do' : 'Before it is applied'}</h2>
        {counts.wrong > 0 && (
          <p className={styles.wrong}>
            {counted(counts.wrong, 'row')} cannot be applied; each says why. Correct the file and load it again: it is applied whole or not at all.
          </p>
        )}
        {data.unknownColumns.length > 0 && <p className={styles.odd}>Not known, left alone: {data.unknownColumns.join(', ')}.</p>}
        {data.codesAtOdds.length > 0 && (
          <details className={styles.odd}>
            <summary>
              {counted(data.codesAtOdds.length, 'code is', 'codes are')} meant for another element or side than{' '}
              {data.codesAtOdds.length === 1 ? 'its account has' : 'their accounts have'}
            </summary>
            <ul className={styles.list}>
              {data.codesAtOdds.slice(0, mostMissing).map(({ list, number, name, code, caption, meantFor, account }) => (
                <li key={`${list} ${number} ${name}`}>
                  {accountLabel({ number, name })}: {list} {code} {caption} is for {meantFor}, it is {account}
                </li>
              ))}
              {data.codesAtOdds.length > mostMissing && <li>and {data.codesAtOdds.length - mostMissing} more</li>}
            </ul>
          </details>
        )}
        {data.newCategories.length > 0 && (
          <div>
            <h3>{counted(data.newCategories.length, 'new category', 'new categories')}</h3>
            <ul className={styles.list}>
              {data.newCategories.slice(0, mostCategories).map(({ element, path }) => (
                <li key={`${element} ${path.join('>')}`}>
                  {path.join(' › ')} <span className={styles.quiet}>({element})</span>
                </li>
              ))}
              {data.newCategories.length > mostCategories && <li>and {data.newCategories.length - mostCategories} more</li>}
            </ul>
          </div>
        )}
        {counts.wrong === 0 && toDo > 0 && (
          <div>
            <h3>Effect on the statements</h3>
            <EffectList effect={data.effect} currency={currencyOfCompany(company)} />
          </div>
        )}
        {data.missing.length > 0 && (
          <details>
            <summary>{counted(data.missing.length, 'account has', 'accounts have')} no row and stay as they are</summary>
            <ul className={styles.list}>
              {data.missing.slice(0, mostMissing).map(({ id, number, name }) => (
                <li key={id}>{accountLabel({ number, name })}</li>
              ))}
              {data.missing.length > mostMissing && <li>and {data.missing.length - mostMissing} more</li>}
            </ul>
          </details>
        )}
        <div className={styles.buttons}>
          <Button variant="contained" disabled={isLoading || isFetching || counts.wrong > 0 || toDo === 0} onClick={() => void onApply()}>
            Apply
          </Button>
          <Button onClick={() => void navigate(back)}>Discard</Button>
        </div>
      </aside>
    </div>
  );
}

function columnsOf(numbered: boolean, lists: ListHeadings): GridColumn<Row>[] {
  const told = (row: Row) => rowText(row, lists);
  const columns: GridColumn<Row>[] = [
    { id: 'row', caption: 'Row', width: '52px', cell: ({ row }) => row, text: ({ row }) => String(row), compare: (a, b) => a.row - b.row },
    {
      id: 'number',
      caption: 'Number',
      width: '88px',
      cell: ({ number }) => number,
      text: ({ number }) => number,
      compare: (a, b) => compareTexts(a.number, b.number),
    },
    {
      id: 'name',
      caption: 'Name',
      width: 'minmax(0, 1fr)',
      cell: ({ name }) => <span title={name}>{name}</span>,
      text: ({ name }) => name,
      compare: (a, b) => compareTexts(a.name, b.name),
    },
    {
      id: 'state',
      caption: 'Row is',
      width: '76px',
      cell: ({ state }) => <span data-state={state}>{stateNames[state]}</span>,
      text: ({ state }) => state,
      compare: (a, b) => compareTexts(a.state, b.state),
    },
    { id: 'what', caption: 'What it does', width: 'minmax(0, 2.4fr)', cell: (row) => <span title={told(row)}>{told(row)}</span>, text: told },
  ];
  return numbered ? columns : columns.filter(({ id }) => id !== 'number');
}
