import type { PlacementDraftBody, PlacementRecordDetailBody } from '@ivory-ladder/contract';
import { type ChangedLine, invertDraft } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useDispatch } from 'react-redux';
import { useGetPlacementRecordQuery, useRehearsePlacementQuery, useUndoPlacementMutation } from '../../shared/api/placementApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { effectSentence } from '../../shared/words/effectWords.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import { ChangedLines, type DraftNames, draftList, useDraftNames } from '../rehearsal/index.ts';
import styles from './PlacementRecordScreen.module.css';
import { useRestorePlacement } from './useRestorePlacement.ts';

/** One applied change: what it moved, what the statements showed before and after, and the way back. */
export function RecordPanel({ recordId, onTakenBack }: { recordId: number; onTakenBack: () => void }) {
  const company = useCompany();
  const { span } = useSpan();
  const dispatch = useDispatch();
  const mayPlace = useMay('keep_placement');
  const { data } = useGetPlacementRecordQuery({ companyId: company.id, recordId });
  const [undo, { isLoading }] = useUndoPlacementMutation();
  const namesNow = useDraftNames();
  const restore = useRestorePlacement();
  if (!data) return null;
  const names = namesIn(data, namesNow);
  const takeBack = async () => {
    const { error } = await undo({ companyId: company.id, recordId, ...span });
    if (error === undefined) onTakenBack();
    dispatch(
      noticeGiven(
        error === undefined ? { tone: 'done', text: 'Taken back: the placement is as it was before.' } : { tone: 'refused', text: describeFailure(error) },
      ),
    );
  };
  const lines = data.effect.lines.map((line): ChangedLine => ({ ...line, before: line.before?.map(BigInt) ?? null, after: line.after?.map(BigInt) ?? null }));
  return (
    <aside className={styles.panel} aria-label="Applied change">
      <h2>{data.reason || 'Applied change'}</h2>
      <p className={styles.quiet}>
        {momentText(data.at)}, {data.by}
      </p>
      {data.undoneBy !== null && <p className={styles.quiet}>It was taken back.</p>}
      {mayPlace && data.undoneBy === null && (
        <div className={styles.tools}>
          <Button disabled={isLoading} onClick={() => void takeBack()}>
            Take it back
          </Button>
          <Button title="With all that was changed since; nothing is applied yet" onClick={() => void restore(data.at, 'restore an earlier placement')}>
            Propose the placement before it
          </Button>
        </div>
      )}
      {mayPlace && data.undoneBy === null && <EffectOfTakingBack draft={data.draft} />}
      <ul className={styles.changes}>
        {draftList(data.draft, names).map(({ key, name, text }) => (
          <li key={key}>
            <b>{name}</b> {text}
          </li>
        ))}
      </ul>
      <ChangedLines lines={lines} currency={currencyOfCompany(company)} />
      {lines.length === 0 && <p className={styles.quiet}>No line of balance sheet and income statement changed.</p>}
    </aside>
  );
}

/** What taking it back would do to every statement and layout in use, as they stand now. */
function EffectOfTakingBack({ draft }: Pick<PlacementRecordDetailBody, 'draft'>) {
  const company = useCompany();
  const { span } = useSpan();
  const { asked } = useClassification();
  const { currentData } = useRehearsePlacementQuery({ companyId: company.id, body: { draft: invertDraft(draft) as PlacementDraftBody, ...span, ...asked } });
  const text = currentData && effectSentence(currentData);
  return text ? <p className={styles.quiet}>Taken back now: {text}</p> : null;
}

/** Categories that have gone since are called what they were called then. */
function namesIn({ draft }: PlacementRecordDetailBody, namesNow: DraftNames): DraftNames {
  const then = new Map(draft.categories.map(({ id, before, after }) => [id, (after ?? before)?.name ?? '']));
  return { account: namesNow.account, category: (id) => then.get(id) ?? namesNow.category(id) };
}
