import type { AdjustmentChanges, LineOrigin } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { CaptionsField } from './CaptionsField.tsx';
import styles from './LinePanel.module.css';
import { LookFields } from './LookFields.tsx';
import type { Composer } from './useComposer.ts';

/** A line of the tree: what it is called and how it is printed, which lies on top and can be dropped. */
export function FollowedPanel({
  composer,
  lineKey,
  origin,
  mayCompose,
}: {
  readonly composer: Composer;
  readonly lineKey: string;
  readonly origin: Extract<LineOrigin, { kind: 'followed' }>;
  readonly mayCompose: boolean;
}) {
  const disabled = !mayCompose;
  const { was, adjustment } = origin;
  const caption = adjustment?.caption ?? was;
  const adjust = (changes: AdjustmentChanges, what: string, merges = false) =>
    void composer.edit([{ kind: 'adjust', key: lineKey, changes }], `${what} of ${caption}`, merges ? `${what} ${lineKey}` : undefined);
  const line = composer.expanded.byKey.get(lineKey);
  const look = adjustment?.look ?? { weight: 'usual', indent: 0, spaceBefore: false, breakBefore: false };
  return (
    <>
      <header>
        <h2 className={styles.title}>{caption}</h2>
        <p className={styles.about}>Follows the categories · key {lineKey}</p>
      </header>
      {adjustment ? (
        <div className={styles.adjusted}>
          <p>
            Adjusted: {adjustment.caption !== undefined && adjustment.caption !== was && `was ${was}. `}
            {adjustment.after !== undefined && 'Moved. '}
            {adjustment.hiddenIn !== undefined && 'Shown in another line. '}
            It still grows and shrinks with its category.
          </p>
          {mayCompose && <Button onClick={() => composer.edit([{ kind: 'follow_again', key: lineKey }], `Follow ${was} again`)}>Follow again</Button>}
        </div>
      ) : (
        <p className={styles.quiet}>It is as the category tree has it. What you change here lies on top, and can be dropped again.</p>
      )}
      <label className={styles.field}>
        <span className={styles.label}>Caption</span>
        <input
          className={styles.input}
          data-caption
          value={caption}
          disabled={disabled}
          maxLength={200}
          onChange={({ target: { value } }) => adjust({ caption: value }, 'Caption', true)}
        />
      </label>
      {adjustment?.caption !== undefined && (
        <CaptionsField captions={adjustment.captions ?? []} disabled={disabled} onChange={(captions) => adjust({ captions }, 'Caption', true)} />
      )}
      <Segmented
        label="Sign"
        value={(adjustment?.reversed ?? line?.reversed) ? 'reversed' : 'natural'}
        disabled={disabled}
        choices={[
          { value: 'natural', label: 'Natural' },
          { value: 'reversed', label: 'Reversed', says: 'Shown the other way round; counted as before' },
        ]}
        onChange={(value) => adjust({ reversed: value === 'reversed' }, 'Sign')}
      />
      <LookFields
        composer={composer}
        lineKey={lineKey}
        kind="followed"
        look={look}
        shown={adjustment?.hiddenIn !== undefined ? 'never' : (adjustment?.shown ?? 'with_amounts')}
        hiddenIn={adjustment?.hiddenIn ?? null}
        note={adjustment?.note ?? ''}
        disabled={disabled}
        onChange={({ hiddenIn, ...changes }, what, merges) =>
          adjust(
            {
              ...changes,
              ...(hiddenIn === undefined ? {} : { hiddenIn: hiddenIn ?? undefined }),
              ...(changes.shown === 'with_amounts' ? { shown: undefined } : {}),
            },
            what,
            merges,
          )
        }
      />
    </>
  );
}
