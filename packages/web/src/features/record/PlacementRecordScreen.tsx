import type { PlacementRehearsal } from '@ivory-ladder/contract';
import { isEmptyDraft } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useLocation, useNavigate } from 'react-router';
import { useListPlacementRecordsQuery, useListRehearsalsQuery } from '../../shared/api/placementApi.ts';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { rehearsalOpened, rehearsedKey } from '../../shared/state/rehearsalSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { momentText } from '../../shared/words/momentText.ts';
import { PlacementTabs } from '../placement/index.ts';
import { draftSummary, useDraftNames, usePlacement } from '../rehearsal/index.ts';
import styles from './PlacementRecordScreen.module.css';
import { RecordPanel } from './RecordPanel.tsx';
import { useRestorePlacement, withRehearsal } from './useRestorePlacement.ts';

/** Every change of the placement that was applied, latest first; and the rehearsals that are kept or offered. */
export function PlacementRecordScreen() {
  const company = useCompany();
  const mayPlace = useMay('keep_placement');
  const { asked } = useClassification();
  const [params, change] = useAddress();
  const [before, setBefore] = useState<number | null>(null);
  const { data } = useListPlacementRecordsQuery({ companyId: company.id, ...asked, ...(before === null ? {} : { before }) });
  const { data: kept } = useListRehearsalsQuery({ companyId: company.id, ...asked }, { skip: !mayPlace, refetchOnMountOrArgChange: true });
  const rehearsals = (kept?.rehearsals ?? []).filter(({ name, draft }) => name !== '' && !isEmptyDraft(draft));
  const { working } = usePlacement();
  const isBusy = !isEmptyDraft(working.steps.now) && working.appliedTo === null;
  const [then, setThen] = useState({ day: '', time: '23:59' });
  const restore = useRestorePlacement();
  const chosen = Number(params.get('record') ?? 0) || (data?.records[0]?.id ?? 0);
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="record">
        <PlacementTabs />
        <h2 id="record" className="unseen">
          Placement record
        </h2>
        {rehearsals.length > 0 && <Rehearsals rehearsals={rehearsals} />}
        <div className={styles.applied}>
          <h3>Applied</h3>
          {mayPlace && (
            <form
              onSubmit={(event) => {
                event.preventDefault();
                const moment = new Date(`${then.day}T${then.time.padStart(5, '0')}`);
                if (!Number.isNaN(moment.getTime())) void restore(moment.toISOString().replace('T', ' ').slice(0, 19), 'restore an earlier placement');
              }}
            >
              <label>
                As it stood on <DayInput className={styles.moment} value={then.day} onChange={(day) => setThen({ ...then, day })} />
              </label>{' '}
              <label>
                at{' '}
                <input
                  className={`${styles.moment} ${styles.time}`}
                  value={then.time}
                  pattern="([01]?\d|2[0-3]):[0-5]\d"
                  title="Hours and minutes, such as 17:30"
                  required
                  onChange={(event) => setThen({ ...then, time: event.target.value })}
                />
              </label>{' '}
              <Button type="submit" disabled={then.day === '' || isBusy} title="What differs from now becomes the rehearsal; nothing is applied yet">
                Compare and propose
              </Button>
            </form>
          )}
        </div>
        {data?.records.length === 0 && (
          <p className={styles.quiet}>Nothing was applied yet. What you propose and apply stands here, with what it did to the statements.</p>
        )}
        <ul className={styles.list} aria-label="Applied changes">
          {data?.records.map(({ id, at, by, reason, accounts, categories, undoes, undoneBy }) => (
            <li key={id}>
              <button type="button" aria-pressed={id === chosen} onClick={() => change({ record: String(id) })}>
                <span>{momentText(at)}</span>
                <span>
                  {[accounts > 0 ? counted(accounts, 'account') : '', categories > 0 ? counted(categories, 'category', 'categories') : '']
                    .filter(Boolean)
                    .join(', ')}
                  {undoes !== null && ' · takes back a change'}
                  {undoneBy !== null && ' · taken back'}
                </span>
                <span>{by}</span>
                <span className={styles.reason}>{reason}</span>
              </button>
            </li>
          ))}
        </ul>
        <div className={styles.tools}>
          {data?.next != null && <Button onClick={() => setBefore(data.next)}>Older changes</Button>}
          {before !== null && <Button onClick={() => setBefore(null)}>The latest ones</Button>}
        </div>
      </section>
      {chosen > 0 && <RecordPanel recordId={chosen} onTakenBack={() => change({ record: String(chosen) })} />}
    </div>
  );
}

function Rehearsals({ rehearsals }: { rehearsals: readonly PlacementRehearsal[] }) {
  const { id: companyId } = useCompany();
  const { classification } = useClassification();
  const { search } = useLocation();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const { working } = usePlacement();
  const names = useDraftNames();
  const isBusy = !isEmptyDraft(working.steps.now) && working.appliedTo === null;
  const open = (rehearsal: PlacementRehearsal) => {
    dispatch(rehearsalOpened({ rehearsed: rehearsedKey(companyId, classification.id), rehearsal }));
    void navigate({ pathname: `/companies/${companyId}/placement`, search: withRehearsal(search) });
  };
  return (
    <>
      <h3>Rehearsals</h3>
      <ul className={styles.rehearsals}>
        {rehearsals.map((rehearsal) => {
          const { before, strong, after } = draftSummary(rehearsal.draft, names);
          return (
            <li key={rehearsal.id}>
              <span>
                <b>{rehearsal.name}</b> {rehearsal.isOwn ? '' : `of ${rehearsal.by}`}
                <small>
                  {before}
                  {strong}
                  {after}
                  {rehearsal.state === 'offered' && rehearsal.isOwn && ' · given to others to look at'}
                  {rehearsal.state === 'returned' && ` · returned by ${rehearsal.wordBy}: «${rehearsal.word}»`}
                </small>
              </span>
              <Button disabled={isBusy} title={isBusy ? 'Apply, keep or discard first what you are at work on' : ''} onClick={() => open(rehearsal)}>
                Go on with it
              </Button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
