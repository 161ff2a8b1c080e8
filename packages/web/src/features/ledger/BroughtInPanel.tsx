import type { BroughtInList } from '@ivory-ladder/contract';
import { formatAmount, longDay, shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useListBroughtInQuery, useTakeBackTrialBalanceMutation, useViewTakingBackQuery } from '../../shared/api/ledgerApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { EntryView } from '../evidence/index.ts';
import styles from './BroughtInPanel.module.css';
import { figuresText } from './figuresText.ts';

/** Trial balances that were brought in, by their day, with the entries each one posted. */
export function BroughtInPanel() {
  const company = useCompany();
  const [entryId, setEntryId] = useState<number | null>(null);
  const { data } = useListBroughtInQuery({ companyId: company.id });
  return (
    <aside className={styles.panel} aria-label="Trial balances brought in">
      {entryId !== null ? (
        <EntryView entryId={entryId} currency={currencyOfCompany(company)} onBack={() => setEntryId(null)} />
      ) : (
        <>
          <h2>Trial balances brought in</h2>
          {data?.files.length === 0 && (
            <p className={styles.quiet}>
              None yet. Each one you bring in fixes the balances at its day by an entry of the differences; an older one changes no later balance.
            </p>
          )}
          <ol className={styles.files}>
            {data?.files.map((file) => (
              <BroughtIn key={file.id} file={file} onOpen={setEntryId} />
            ))}
          </ol>
        </>
      )}
    </aside>
  );
}

function BroughtIn({ file, onOpen }: { file: BroughtInList['files'][number]; onOpen: (entryId: number) => void }) {
  const mayTakeBack = useMay('prepare_entries');
  const [isLooking, setLooking] = useState(false);
  return (
    <li data-taken-back={file.takenBack !== null || undefined}>
      <h3>{longDay(file.date)}</h3>
      <p className={styles.quiet}>
        {file.fileName} · {figuresText(file.figures)}
        <br />
        posted {shortDay(file.postedAt.slice(0, 10))} by {file.postedBy}
        {file.takenBack && (
          <>
            <br />
            taken back {shortDay(file.takenBack.at.slice(0, 10))} by {file.takenBack.by}
          </>
        )}
      </p>
      {file.entries.length === 0 && <p className={styles.quiet}>Nothing differed; no entry was needed.</p>}
      {file.entries.map((entry) => (
        <button key={entry.entryId} type="button" onClick={() => onOpen(entry.entryId)}>
          Document {entry.documentNumber}: {entry.lines} lines{entry.date === file.date ? '' : ` at ${shortDay(entry.date)}`}
        </button>
      ))}
      {file.takenBack === null && mayTakeBack && !isLooking && (
        <button type="button" onClick={() => setLooking(true)}>
          Take back…
        </button>
      )}
      {isLooking && <TakingBack file={file} onDone={() => setLooking(false)} />}
    </li>
  );
}

/** What taking a trial balance back would post, before it is done. */
function TakingBack({ file, onDone }: { file: BroughtInList['files'][number]; onDone: () => void }) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const key = useRef(crypto.randomUUID());
  const { data, error } = useViewTakingBackQuery({ companyId: company.id, trialBalanceId: file.id });
  const [takeBack, { isLoading }] = useTakeBackTrialBalanceMutation();
  if (error !== undefined) return <p className={styles.quiet}>{describeFailure(error)}</p>;
  if (!data) return <p className={styles.quiet}>Working it out…</p>;
  const take = async () => {
    const { data: done, error: refused } = await takeBack({ companyId: company.id, trialBalanceId: file.id, key: key.current });
    if (done) {
      dispatch(noticeGiven({ tone: 'done', text: `Taken back: ${file.fileName}, by ${counted(done.entries.length, 'entry', 'entries')}.` }));
      onDone();
    } else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(refused) }));
  };
  return (
    <section className={styles.takingBack} aria-label={`Taking back ${file.fileName}`}>
      <p>
        {data.reversed.length === 0
          ? 'It posted nothing, so that nothing is reversed; it is marked as taken back.'
          : `Reverses ${counted(data.reversed.length, 'entry', 'entries')}, each on its own day:`}
      </p>
      <ul>
        {data.reversed.map(({ documentNumber, date, lines, amount }) => (
          <li key={documentNumber}>
            document {documentNumber}, {shortDay(date)}: {counted(lines, 'line')}, {formatAmount(BigInt(amount), currency)}
          </li>
        ))}
      </ul>
      {data.kept.map(({ date, fileName, lines }) => (
        <p key={`${date} ${fileName}`}>
          {fileName} keeps its balances of {shortDay(date)}: {counted(lines, 'line')}
        </p>
      ))}
      <p className={styles.quiet}>Accounts and years that came with it stay.</p>
      <span className={styles.acts}>
        <Button size="small" variant="contained" disabled={isLoading} onClick={() => void take()}>
          Take back
        </Button>
        <Button size="small" onClick={onDone}>
          Keep it
        </Button>
      </span>
    </section>
  );
}
