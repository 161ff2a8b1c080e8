import type { StatementEffect } from '@ivory-ladder/contract';
import { type Currency, changedTotals, formatAmount, isEmptyDraft } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { memo, type RefObject, useRef, useState } from 'react';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { draftSummary } from './draftWords.ts';
import { KeepDialog } from './KeepDialog.tsx';
import styles from './RehearsalBar.module.css';
import { useDraftNames } from './useDraftNames.ts';
import { useEffectOfDraft } from './useFigures.ts';
import { usePlacement } from './usePlacement.ts';
import { useWholeEffect } from './useWholeEffect.ts';

type Ask = 'apply' | 'keep' | 'offer' | 'return';

/** What the proposed changes do, in figures, and what can be done with them; not there while nothing is proposed. */
export function RehearsalBar() {
  const { draft, conflicts, faults, working, isApplying, apply, discard } = usePlacement();
  const names = useDraftNames();
  const latest = useRef({ apply, discard });
  latest.current = { apply, discard };
  const stopped = conflicts.length + faults.length;
  if (working.appliedTo !== null || (isEmptyDraft(draft) && stopped === 0)) return null;
  const summary = draftSummary(draft, names);
  const { kept } = working;
  const isOthers = kept !== null && !kept.isOwn;
  return (
    <section className={styles.bar} aria-label="Rehearsal">
      <h2>{kept?.name ? `Rehearsal: ${kept.name}` : 'Rehearsal'}</h2>
      <div className={styles.effect} aria-live="polite">
        {isOthers && <span>of {kept.by}</span>}
        {kept?.state === 'returned' && (
          <span className={styles.stopped}>
            returned by {kept.wordBy}
            {kept.word !== '' && `: «${kept.word}»`}
          </span>
        )}
        <span>
          {summary.before}
          <b>{summary.strong}</b>
          {summary.after}
        </span>
        <Effect />
        {stopped > 0 && <span className={styles.stopped}>▲ {counted(stopped, 'change')} cannot be applied as proposed: see the changed lines</span>}
      </div>
      <div className={styles.tools}>
        <ChangedLinesButton />
        <BarTools isOthers={isOthers} mayApply={!isApplying && !isEmptyDraft(draft) && stopped === 0} latest={latest} />
      </div>
    </section>
  );
}

function ChangedLinesButton() {
  const effect = useEffectOfDraft();
  const whole = useWholeEffect();
  const others = whole.effect?.rows.filter(({ statement }) => !whole.isLive(whole.effect?.lookedAt[statement] as LookedAt)).length ?? 0;
  const [params, change] = useAddress();
  const isOpen = params.get('rehearsal') === 'lines';
  return (
    <Button aria-pressed={isOpen} onClick={() => change({ rehearsal: isOpen ? null : 'lines' })}>
      Changed lines ({(effect?.lines.length ?? 0) + others})
    </Button>
  );
}

interface BarToolsProps {
  readonly isOthers: boolean;
  readonly mayApply: boolean;
  readonly latest: RefObject<{ apply(reason: string): Promise<boolean>; discard(): void }>;
}

/** Drawn anew only where something else can be done; a move is shown sooner without it. */
const BarTools = memo(function BarTools({ isOthers, mayApply, latest }: BarToolsProps) {
  const [asking, setAsking] = useState<Ask | null>(null);
  return (
    <>
      <ChoiceMenu<Ask>
        label="More"
        chosen={[]}
        choices={
          isOthers
            ? [
                { value: 'apply', label: 'Apply with a reason…' },
                { value: 'return', label: 'Return it with a word…' },
              ]
            : [
                { value: 'apply', label: 'Apply with a reason…' },
                { value: 'keep', label: 'Keep it under a name…' },
                { value: 'offer', label: 'Give it to others to look at…' },
              ]
        }
        onChoose={setAsking}
      />
      <Button onClick={() => latest.current.discard()}>{isOthers ? 'Leave it' : 'Discard'}</Button>
      <Button variant="contained" disabled={!mayApply} onClick={() => void latest.current.apply('')}>
        Apply
      </Button>
      {asking && <KeepDialog ask={asking} onClose={() => setAsking(null)} />}
    </>
  );
});

type LookedAt = StatementEffect['lookedAt'][number];

const totalsShown = 2;

function Effect() {
  const currency = currencyOfCompany(useCompany());
  const effect = useEffectOfDraft();
  if (!effect) return null;
  const totals = changedTotals(effect);
  // The innermost totals say where the change is, the last of a statement what it comes to.
  const last = totals.findLast(({ role }) => role === 'final');
  const shown = [...totals.filter((line) => line !== last).slice(0, totalsShown), ...(last ? [last] : [])];
  const { before, after } = effect;
  return (
    <>
      {shown.map(({ kind, key, caption, before: was, after: is }) => (
        <span key={`${kind} ${key} ${caption}`}>
          {caption} <b>{signed((is?.[0] ?? 0n) - (was?.[0] ?? 0n), currency)}</b>
        </span>
      ))}
      {effect.lines.length > 0 && totals.length === 0 && <span>no total changes</span>}
      {effect.lines.length === 0 && <span>balance sheet and income statement stay as they are</span>}
      <Beyond />
      <Tie was={before.outOfBalance} is={after.outOfBalance} ties="Balance sheet now ties" fails="Balance sheet no longer ties" />
      <Tie was={before.profitMissed} is={after.profitMissed} ties="Profit now carried whole" fails="Profit no longer carried whole" />
      {before.atFault !== after.atFault && (
        <span className={after.atFault < before.atFault ? styles.better : styles.worse}>
          Coverage {after.atFault < before.atFault ? '+' : '−'}
          {Math.abs(before.atFault - after.atFault)}
        </span>
      )}
    </>
  );
}

/** The rest of what the company reports: named where it changes, counted where it does not. */
function Beyond() {
  const { effect, isLive, failure } = useWholeEffect();
  if (failure !== undefined) return <span className={styles.worse}>the other statements could not be looked at</span>;
  if (effect === null) return <span>looking at the other statements …</span>;
  const others = effect.lookedAt.flatMap((statement, at) => (isLive(statement) ? [] : [{ ...statement, at }]));
  const changed = others.filter(({ at }) => effect.rows.some(({ statement }) => statement === at));
  return (
    <>
      {changed.map(({ title, classification, at }) => (
        <span key={at}>
          {title}
          {classification !== null && ` (${classification})`} <b>{counted(effect.rows.filter(({ statement }) => statement === at).length, 'line')}</b>
        </span>
      ))}
      {changed.length === 0 && others.length > 0 && <span>nothing in {counted(others.length, 'other statement')}</span>}
    </>
  );
}

function Tie({ was, is, ties, fails }: { was: bigint; is: bigint; ties: string; fails: string }) {
  if ((was === 0n) === (is === 0n)) return null;
  return <span className={is === 0n ? styles.better : styles.worse}>{is === 0n ? `✓ ${ties}` : `✗ ${fails}`}</span>;
}

/** With a plus in front, since it is a change and not an amount. */
function signed(amount: bigint, currency: Currency): string {
  return amount > 0n ? `+${formatAmount(amount, currency)}` : formatAmount(amount, currency);
}
