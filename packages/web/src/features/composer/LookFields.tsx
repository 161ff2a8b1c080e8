import { figureNatures, linesIn, type OwnLine } from '@ivory-ladder/core';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { Select } from '../../shared/components/Select.tsx';
import styles from './LinePanel.module.css';
import { lineCaptions } from './lineCaptions.ts';
import type { Composer } from './useComposer.ts';

interface LookFieldsProps {
  readonly composer: Composer;
  readonly lineKey: string;
  readonly kind: OwnLine['kind'] | 'followed';
  readonly look: OwnLine['look'];
  readonly shown: OwnLine['shown'];
  readonly hiddenIn: string | null;
  readonly note: string;
  readonly disabled: boolean;
  readonly onChange: (changes: Partial<Pick<OwnLine, 'look' | 'shown' | 'hiddenIn' | 'note'>>, what: string, merges?: boolean) => void;
}

/** How a line is printed, and when it is. */
export function LookFields({ composer, lineKey, kind, look, shown, hiddenIn, note, disabled, onChange }: LookFieldsProps) {
  const captions = lineCaptions(composer.expanded);
  return (
    <>
      {kind !== 'space' && (
        <Segmented
          label="Rules and weight"
          value={look.weight}
          disabled={disabled}
          choices={[
            { value: 'usual', label: 'Usual', says: 'As its kind is printed' },
            { value: 'plain', label: 'Plain' },
            { value: 'strong', label: 'Strong' },
            { value: 'ruled', label: 'Ruled', says: 'A rule above its figures' },
            { value: 'final', label: 'Final', says: 'A double rule under its figures' },
          ]}
          onChange={(weight) => onChange({ look: { ...look, weight } }, 'Weight')}
        />
      )}
      <label className={styles.field}>
        <span className={styles.label}>Shown</span>
        <Select
          wide
          value={shown === 'never' && hiddenIn !== null ? `in ${hiddenIn}` : shown}
          disabled={disabled}
          onChange={({ target: { value } }) =>
            onChange(
              value.startsWith('in ') ? { shown: 'never', hiddenIn: value.slice(3) } : { shown: value as OwnLine['shown'], hiddenIn: null },
              'When it is shown',
            )
          }
        >
          <option value="with_amounts">with amounts</option>
          <option value="always">always</option>
          {kind === 'sum' && <option value="differs">where it differs from the sum above</option>}
          {(kind === 'sum' || kind === 'calculation' || kind === 'memo') && <option value="never">never: a helper</option>}
          <optgroup label="Within the figure of a line beside it">
            {besideOf(composer, lineKey).map((key) => (
              <option key={key} value={`in ${key}`}>
                {captions.get(key) ?? key}
              </option>
            ))}
          </optgroup>
        </Select>
      </label>
      <div className={styles.pair}>
        <label className={styles.field}>
          <span className={styles.label}>Note</span>
          <input
            className={styles.input}
            value={note}
            disabled={disabled}
            maxLength={20}
            onChange={({ target: { value } }) => onChange({ note: value }, 'Note', true)}
          />
        </label>
        <label className={styles.field}>
          <span className={styles.label}>Indent</span>
          <input
            className={styles.input}
            type="number"
            min={0}
            max={6}
            value={look.indent}
            disabled={disabled}
            onChange={({ target: { value } }) =>
              onChange({ look: { ...look, indent: Math.min(6, Math.max(0, Math.round(Number(value) || 0))) } }, 'Indent', true)
            }
          />
        </label>
      </div>
      {kind !== 'space' && kind !== 'text' && kind !== 'heading' && (
        <label className={styles.field}>
          <span className={styles.label}>A higher figure is</span>
          <Select
            wide
            value={look.better ?? ''}
            disabled={disabled}
            onChange={({ target: { value } }) => {
              const { better: _, ...others } = look;
              const better = figureNatures.find((nature) => nature === value);
              onChange({ look: better === undefined ? others : { ...others, better } }, 'Better or worse');
            }}
          >
            <option value="">as what it holds says</option>
            <option value="higher">better</option>
            <option value="lower">worse</option>
            <option value="neither">neither better nor worse</option>
          </Select>
        </label>
      )}
      <fieldset className={styles.checks} disabled={disabled}>
        <label>
          <input
            type="checkbox"
            checked={look.spaceBefore}
            onChange={({ target: { checked } }) => onChange({ look: { ...look, spaceBefore: checked } }, 'Space')}
          />
          space before it
        </label>
        <label>
          <input
            type="checkbox"
            checked={look.breakBefore}
            onChange={({ target: { checked } }) => onChange({ look: { ...look, breakBefore: checked } }, 'Page break')}
          />
          a new page before it
        </label>
      </fieldset>
    </>
  );
}

/** Lines in whose figure one can be shown: those that stand beside it and have an amount of their own. */
function besideOf({ expanded }: Composer, own: string): string[] {
  return linesIn(expanded, expanded.groupOf.get(own) ?? null).flatMap(({ key, kind }) =>
    key !== own && (kind === 'accounts' || kind === 'group' || kind === 'result') ? [key] : [],
  );
}
