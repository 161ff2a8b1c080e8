import type { JournalImport, JournalLook, JournalReadingBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { skipToken } from '@reduxjs/toolkit/query';
import { type DragEvent, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useNavigate } from 'react-router';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useMakeYearMutation } from '../../shared/api/companyApi.ts';
import {
  useBeginJournalImportMutation,
  useDiscardJournalImportMutation,
  useGetJournalImportQuery,
  useLookAtJournalMutation,
  usePostJournalImportMutation,
  useReadJournalMutation,
} from '../../shared/api/journalApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { JournalColumns } from './JournalColumns.tsx';
import { JournalFound } from './JournalFound.tsx';
import styles from './JournalImportScreen.module.css';

const millisecondsBetweenLooks = 700;
const dateOrders = { ymd: 'year, month, day', dmy: 'day, month, year', mdy: 'month, day, year' } as const;

/** Journal lines from a file: what its columns are, how far it is read, what was found, and its posting, whole or not at all. */
export function JournalImportScreen() {
  const company = useCompany();
  const mayPost = useMay('prepare_entries');
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const { search } = useLocation();
  const { data: codeLists } = useListCodeListsQuery({ companyId: company.id });
  const [lookAt, { isLoading: isLooking }] = useLookAtJournalMutation();
  const [begin] = useBeginJournalImportMutation();
  const [read, { isLoading: isReading }] = useReadJournalMutation();
  const [post, { isLoading: isPosting }] = usePostJournalImportMutation();
  const [make, { isLoading: isMaking }] = useMakeYearMutation();
  const [discard] = useDiscardJournalImportMutation();
  const [file, setFile] = useState<File | null>(null);
  const [look, setLook] = useState<JournalLook | null>(null);
  const [reading, setReading] = useState<JournalReadingBody | null>(null);
  const [importId, setImportId] = useState<number | null>(null);
  const [found, setFound] = useState<JournalImport | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [isOver, setOver] = useState(false);
  const wasCancelled = useRef(false);
  const chooser = useRef<HTMLInputElement>(null);
  // One key for one import: sent twice, it posts once.
  const key = useRef(crypto.randomUUID());
  const { data: progress } = useGetJournalImportQuery(isReading && importId !== null ? { companyId: company.id, importId } : skipToken, {
    pollingInterval: millisecondsBetweenLooks,
  });
  const entries = { pathname: `/companies/${company.id}/ledger/entries`, search };
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    setFile(chosen);
    setFound(null);
    setImportId(null);
    const { data, error } = await lookAt({ companyId: company.id, file: chosen });
    setLook(data ?? null);
    setReading(data?.reading ?? (data ? { headingRow: 0, columns: {}, facets: {}, decimalSign: '.', dateOrder: 'dmy' } : null));
    setRefused(error === undefined ? null : describeFailure(error));
  };
  const readAll = async () => {
    if (!file || !look || !reading) return;
    const { separator, encoding } = look;
    const begun = await begin({ companyId: company.id, body: { name: file.name.slice(0, 200), bytes: file.size, separator, encoding, reading } });
    if (!begun.data) return setRefused(describeFailure(begun.error));
    setImportId(begun.data.id);
    key.current = crypto.randomUUID();
    wasCancelled.current = false;
    const { data, error } = await read({ companyId: company.id, importId: begun.data.id, file });
    setRefused(error === undefined || wasCancelled.current ? null : describeFailure(error));
    setFound(wasCancelled.current ? null : (data ?? null));
  };
  const postAll = async () => {
    if (importId === null) return;
    const { data, error } = await post({ companyId: company.id, importId, key: key.current });
    if (!data) return setRefused(describeFailure(error));
    dispatch(
      noticeGiven({ tone: 'done', text: `Posted: ${counted(data.entries, 'entry', 'entries')}, documents ${data.firstDocument} to ${data.lastDocument}.` }),
    );
    void navigate(entries);
  };
  const makeYear = async (day: string) => {
    const { error } = await make({ companyId: company.id, body: { day } });
    if (error !== undefined) return setRefused(describeFailure(error));
    setFound(null);
    await readAll();
  };
  const cancel = async () => {
    wasCancelled.current = true;
    if (importId !== null) await discard({ companyId: company.id, importId });
    setFound(null);
    setImportId(null);
  };
  if (!mayPost)
    return (
      <section className={styles.sheet}>
        <EmptyState title="Entries are posted by preparers">{describeFailure({ code: 'permission_needed', facts: { needs: 'prepare_entries' } })}</EmptyState>
      </section>
    );
  const missing = reading ? missingIn(reading) : null;
  return (
    <section
      className={styles.sheet}
      aria-labelledby="journal-title"
      data-over={isOver || undefined}
      onDragOver={(event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        void take(event.dataTransfer.files[0]);
      }}
    >
      <header className={styles.head}>
        <div>
          <h1 id="journal-title">Journal lines from a file</h1>
          <p className={styles.quiet}>
            {file ? `${file.name}, ${sizeText(file.size)}` : 'One row is one line; rows of one document and day are one entry. CSV or TSV.'}
          </p>
        </div>
        <div className={styles.buttons}>
          <Button variant={file ? 'outlined' : 'contained'} disabled={isReading || isPosting} onClick={() => chooser.current?.click()}>
            {file ? 'Another file…' : 'Choose a file…'}
          </Button>
          <Button component="a" href={addressOf('emptyLinesFile', { companyId: company.id })}>
            Empty file
          </Button>
          <Button component={Link} to={entries}>
            To the entries
          </Button>
        </div>
        <input
          ref={chooser}
          type="file"
          hidden
          aria-label="File of journal lines"
          accept=".csv,.tsv,.txt,.xml"
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </header>
      {refused !== null && (
        <p role="alert" className={styles.refused}>
          {refused}
        </p>
      )}
      {!file && !isLooking && (
        <EmptyState title="No file yet">
          <p>Drop one here, or choose it. Nothing is posted before every row was checked and you have seen what will be.</p>
        </EmptyState>
      )}
      {look && reading && codeLists && !found && !isReading && (
        <>
          <div className={styles.reading}>
            <label>
              Headings in row{' '}
              <input
                className={styles.field}
                type="number"
                min={1}
                max={Math.min(30, look.rows.length)}
                value={reading.headingRow + 1}
                onChange={(event) => setReading({ ...reading, headingRow: Math.max(0, Number(event.target.value) - 1) })}
              />
            </label>
            <label>
              Decimal sign{' '}
              <Select value={reading.decimalSign} onChange={(event) => setReading({ ...reading, decimalSign: event.target.value as '.' | ',' })}>
                <option value=".">dot</option>
                <option value=",">comma</option>
              </Select>
            </label>
            <label>
              Days as{' '}
              <Select value={reading.dateOrder} onChange={(event) => setReading({ ...reading, dateOrder: event.target.value as keyof typeof dateOrders })}>
                {Object.entries(dateOrders).map(([order, text]) => (
                  <option key={order} value={order}>
                    {text}
                  </option>
                ))}
              </Select>
            </label>
          </div>
          <JournalColumns look={look} reading={reading} facets={codeLists.lists.filter(({ kind }) => kind === 'facet')} onChange={setReading} />
          <div className={styles.buttons}>
            <Button variant="contained" disabled={missing !== null} onClick={() => void readAll()}>
              Read and check
            </Button>
            {missing !== null && <span className={styles.quiet}>{missing}</span>}
          </div>
        </>
      )}
      {isReading && (
        <div className={styles.progress}>
          <LinearProgress
            variant="determinate"
            value={progress && file ? Math.min(100, ((progress.bytesReceived + progress.bytesRead) / Math.max(1, 2 * file.size)) * 100) : 0}
            aria-label="How far the file is read"
          />
          <p role="status">{progress ? progressText(progress) : 'Sending …'}</p>
          <Button onClick={() => void cancel()}>Cancel</Button>
        </div>
      )}
      {found && (
        <JournalFound
          found={found}
          currency={currencyOfCompany(company)}
          isPosting={isPosting || isMaking}
          onMakeYear={(day) => void makeYear(day)}
          onPost={() => void postAll()}
          onBack={() => void cancel()}
        />
      )}
    </section>
  );
}

function missingIn({ columns }: JournalReadingBody): string | null {
  if (columns.date === undefined) return 'Say which column has the days.';
  if (columns.account === undefined) return 'Say which column has the accounts.';
  return columns.amount === undefined && columns.debit === undefined ? 'Say which column has the amounts.' : null;
}

/** Files are read once all of them has come, and two at a time. */
function progressText({ bytes, bytesReceived, bytesRead, rows }: JournalImport): string {
  if (bytesReceived < bytes) return `${sizeText(bytesReceived)} of ${sizeText(bytes)} sent`;
  return bytesRead === 0 ? 'Waiting for its turn' : `${counted(rows, 'row')} checked`;
}

function sizeText(bytes: number): string {
  return bytes < 1 << 20 ? `${Math.max(1, Math.round(bytes / 1024))} kB` : `${(bytes / (1 << 20)).toFixed(1)} MB`;
}
