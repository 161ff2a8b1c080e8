import type { ChartAccountBody, PlacementView, Renumbering } from '@ivory-ladder/contract';
import { type NumberProblem, type Renumbered, type RenumberRule, renumber } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useMemo, useState } from 'react';
import { useCheckRenumberingQuery } from '../../shared/api/chartApi.ts';
import { EffectList } from '../../shared/components/EffectList.tsx';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSettled } from '../../shared/state/useSettled.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { type RangeEffect, rangeEffects } from '../placement/index.ts';
import styles from './ChartScreen.module.css';
import { useAccountScope } from './useAccountScope.tsx';

interface RenumberPanelProps {
  readonly accounts: readonly ChartAccountBody[];
  readonly categories: PlacementView['categories'];
  /** Accounts that are shown in the table, in its order. */
  readonly shown: readonly ChartAccountBody[];
  /** The chosen account and all below it; empty where none is chosen. */
  readonly branch: readonly ChartAccountBody[];
  /** Rows selected in the table. */
  readonly block: readonly ChartAccountBody[];
  readonly isBusy: boolean;
  readonly onApply: (changes: Renumbering['changes']) => Promise<boolean>;
  readonly onCancel: () => void;
}

const ruleNames = {
  prefix: 'replace what it begins with',
  shift: 'add to its last digits',
  sequence: 'count from a first number',
  lengthen: 'lengthen its last digits',
} as const;
type RuleKind = keyof typeof ruleNames;

/** As it is typed, of every rule. */
type RuleTexts = Readonly<Record<'from' | 'to' | 'by' | 'first' | 'step' | 'digits', string>> & { readonly zeros: 'in_front' | 'behind' };

const problemWords: Readonly<Record<NumberProblem, (other: string) => string>> = {
  begins_otherwise: () => 'begins otherwise; it stays',
  ends_in_no_digits: () => 'ends in no digits',
  digits_used_up: () => 'does not fit its digits',
  too_long: () => 'longer than 50 characters',
  empty: () => 'nothing would be left',
  taken: (other) => `${other} is taken`,
  twice: (other) => `${other} gets it too`,
};

const mostListed = 200;

/** New numbers by a rule, shown before they are given: what stands in the way is named, and nothing is changed until it is applied whole. */
export function RenumberPanel({ accounts, categories, shown, branch, block, isBusy, onApply, onCancel }: RenumberPanelProps) {
  const scope = useAccountScope(shown, branch, block);
  const [kind, setKind] = useState<RuleKind>('prefix');
  const [texts, setTexts] = useState<RuleTexts>({ from: '', to: '', by: '10', first: '', step: '10', digits: '6', zeros: 'in_front' });
  const rule = ruleOf(kind, texts);
  const checked = useMemo(() => (rule ? renumber(scope.accounts, rule, accounts) : []), [scope.accounts, rule, accounts]);
  const kept = checked.filter(({ problem }) => problem === 'begins_otherwise').length;
  const faults = checked.filter(({ problem }) => problem !== null && problem !== 'begins_otherwise');
  const changes = useMemo(() => checked.filter(({ problem, from, to }) => problem === null && from !== to), [checked]);
  const { digitOrder } = useCompany();
  const effects = useMemo(() => rangeEffects(changes, accounts, categories, digitOrder), [changes, accounts, categories, digitOrder]);
  const listed = [...faults, ...changes].slice(0, mostListed);
  const field = (name: Exclude<keyof RuleTexts, 'zeros'>, label: string) => (
    <TextField
      label={label}
      value={texts[name]}
      onChange={(event) => setTexts({ ...texts, [name]: event.target.value })}
      slotProps={{ htmlInput: { maxLength: 50 } }}
    />
  );
  const renumbered = useMemo((): Renumbering['changes'] => {
    const versionOf = new Map(accounts.map(({ id, version }) => [id, version]));
    return changes.map(({ id, to }) => ({ accountId: id, version: versionOf.get(id) ?? 0, number: to }));
  }, [changes, accounts]);
  const [isGiven, setGiven] = useState(false);
  const isReady = !isBusy && !isGiven && changes.length > 0 && faults.length === 0;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!isReady) return;
    setGiven(true);
    // Once they are applied, what was asked of the old ones is never asked again.
    void onApply(renumbered).then((isApplied) => isApplied || setGiven(false));
  };
  return (
    <form
      className={styles.form}
      aria-label="Renumber"
      onSubmit={submit}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) onCancel();
      }}
    >
      {scope.field}
      <SelectTextField label="Rule" value={kind} onChange={(event) => setKind(event.target.value as RuleKind)}>
        {Object.entries(ruleNames).map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </SelectTextField>
      <div className={styles.pair}>
        {kind === 'prefix' && (
          <>
            {field('from', 'Begins with')}
            {field('to', 'Becomes')}
          </>
        )}
        {kind === 'shift' && field('by', 'Add (may be negative)')}
        {kind === 'sequence' && (
          <>
            {field('first', 'First number')}
            {field('step', 'Gap')}
          </>
        )}
        {kind === 'lengthen' && (
          <>
            {field('digits', 'Digits')}
            <SelectTextField label="Zeros" value={texts.zeros} onChange={(event) => setTexts({ ...texts, zeros: event.target.value as typeof texts.zeros })}>
              <option value="in_front">in front: 15 → 0015</option>
              <option value="behind">behind: 15 → 1500</option>
            </SelectTextField>
          </>
        )}
      </div>
      <p role="status">
        {rule === null ? (
          <span className={styles.quiet}>Fill in the rule to see the new numbers.</span>
        ) : (
          <>
            <strong>{counted(changes.length, 'account gets', 'accounts get')} a new number.</strong>
            {kept > 0 && ` ${counted(kept, 'begins', 'begin')} otherwise and ${kept === 1 ? 'stays' : 'stay'}.`}
            {faults.length > 0 && <span className={styles.fault}> {counted(faults.length, 'thing stands', 'things stand')} in the way.</span>}
          </>
        )}
      </p>
      {changes.length > 0 && <RangeEffects effects={effects} />}
      {changes.length > 0 && faults.length === 0 && <EffectOfNumbers changes={renumbered} isGiven={isGiven} />}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={!isReady}>
          Apply
        </Button>
        <Button onClick={onCancel}>Discard</Button>
      </div>
      {listed.length > 0 && (
        <ul className={styles.checked} aria-label="New numbers">
          {listed.map((row) => (
            <RenumberedRow key={row.id} row={row} />
          ))}
        </ul>
      )}
      {faults.length + changes.length > mostListed && <p className={styles.quiet}>and {counted(faults.length + changes.length - mostListed, 'more')}</p>}
    </form>
  );
}

const millisecondsBeforeLooking = 300;

/** Accounts stay in their categories; lines of layouts that take ranges of numbers may take others. */
function EffectOfNumbers({ changes, isGiven }: { changes: Renumbering['changes']; isGiven: boolean }) {
  const company = useCompany();
  const { span } = useSpan();
  const settled = useSettled(changes, millisecondsBeforeLooking);
  const { from, to } = span;
  // Of numbers that are just being given nothing is asked: their accounts are others already.
  const { currentData, error } = useCheckRenumberingQuery(
    { companyId: company.id, body: { from, to, changes: settled } },
    { refetchOnMountOrArgChange: true, skip: isGiven },
  );
  if (error !== undefined && !isGiven) return <p className={styles.fault}>{describeFailure(error)}</p>;
  if (!currentData || settled !== changes) return <p className={styles.quiet}>Looking at every statement …</p>;
  return <EffectList effect={currentData} currency={currencyOfCompany(company)} />;
}

const mostEffects = 12;

/** What the ranges of categories have to do with the new numbers; figures move only where an account stood nowhere. */
function RangeEffects({ effects }: { effects: readonly RangeEffect[] }) {
  const taken = effects.filter(({ kind }) => kind === 'taken');
  return (
    <div>
      <p className={taken.length > 0 ? styles.unplaced : styles.quiet}>
        {taken.length === 0
          ? 'Every account stays in its category.'
          : `${counted(taken.length, 'account that stands nowhere comes', 'accounts that stand nowhere come')} to stand by range; the others stay where they stand.`}
      </p>
      {effects.length > 0 && (
        <ul className={styles.ranged} aria-label="Ranges">
          {effects.slice(0, mostEffects).map(({ account, kind, stands, heldBy }) => (
            <li key={account.id}>
              {account.label}
              <small>
                {kind === 'taken'
                  ? `the range of ${stands} takes it`
                  : `stays in ${stands}, by hand${heldBy === '' ? '' : `; the range of ${heldBy} would take it`}`}
              </small>
            </li>
          ))}
          {effects.length > mostEffects && <li>and {counted(effects.length - mostEffects, 'account')} more</li>}
        </ul>
      )}
    </div>
  );
}

function RenumberedRow({ row: { from, to, problem, other } }: { row: Renumbered }) {
  return (
    <li>
      <span>{from}</span>
      <span aria-hidden>→</span>
      <span className={problem ? styles.fault : undefined}>{problem ? problemWords[problem](other) : to}</span>
    </li>
  );
}

/** The rule as it stands in the fields, `null` while something is missing or no number. */
function ruleOf(kind: RuleKind, texts: RuleTexts): RenumberRule | null {
  const whole = (text: string): number | null => (/^-?\d{1,9}$/.test(text.trim()) ? Number(text) : null);
  switch (kind) {
    case 'prefix':
      return texts.from === '' && texts.to === '' ? null : { kind, from: texts.from, to: texts.to };
    case 'shift': {
      const by = whole(texts.by);
      return by === null || by === 0 ? null : { kind, by };
    }
    case 'sequence': {
      const step = whole(texts.step);
      return texts.first.trim() === '' || step === null || step < 1 ? null : { kind, first: texts.first.trim(), step };
    }
    case 'lengthen': {
      const digits = whole(texts.digits);
      return digits === null || digits < 1 || digits > 20 ? null : { kind, digits, zeros: texts.zeros };
    }
  }
}
