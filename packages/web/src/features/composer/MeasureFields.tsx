import { type AccountsOwnLine, type Direction, valuesBelow } from '@ivory-ladder/core';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { SelectField } from '../../shared/components/SelectField.tsx';
import styles from './LinePanel.module.css';
import type { Composer } from './useComposer.ts';

interface MeasureFieldsProps {
  readonly composer: Composer;
  readonly line: AccountsOwnLine;
  readonly disabled: boolean;
  readonly onChange: (line: AccountsOwnLine, what: string) => void;
}

/** Which amount of its accounts a line takes, and lines with which facet values. */
export function MeasureFields({ composer, line, disabled, onChange }: MeasureFieldsProps) {
  const facets = composer.lists.filter(({ kind }) => kind === 'facet');
  const setDirection = (value: Direction | 'both') => {
    const { direction: _, ...others } = line;
    onChange(value === 'both' ? others : { ...others, direction: value }, 'Direction');
  };
  return (
    <>
      <SelectField
        label="Amount"
        value={line.measure}
        choices={[
          { value: 'column', label: 'what the column holds' },
          { value: 'closing', label: 'balance at the end' },
          { value: 'opening', label: 'balance at the beginning' },
          { value: 'mean', label: 'mean of both' },
          { value: 'movement', label: 'movement over the span' },
        ]}
        disabled={disabled}
        onChange={(measure) => onChange({ ...line, measure }, 'Amount')}
      />
      {line.takes === 'any' && composer.layout.kind !== 'changes_in_equity' && (
        <Segmented
          label="Movements"
          value={line.direction ?? 'both'}
          disabled={disabled}
          choices={[
            { value: 'both', label: 'Net' },
            { value: 'increase', label: 'Increases', says: 'What was posted on the normal side of each account; a reversal counts against what it reverses' },
            { value: 'decrease', label: 'Decreases', says: 'What was posted on the other side' },
          ]}
          onChange={setDirection}
        />
      )}
      {line.takes === 'any' && composer.layout.kind === 'changes_in_equity' && (
        <SelectField
          label="Movements"
          value={line.direction ?? 'both'}
          choices={[
            { value: 'both', label: 'net' },
            { value: 'increase', label: 'increases, without transfers' },
            { value: 'decrease', label: 'decreases, without transfers' },
            { value: 'transfer', label: 'transfers between accounts of equity' },
          ]}
          disabled={disabled}
          onChange={setDirection}
        />
      )}
      {facets.length > 0 && (
        <details className={styles.facets} open={Object.keys(line.facets).length > 0}>
          <summary className={styles.label}>
            Facets: {Object.keys(line.facets).length === 0 ? `all ${facets.map(({ name }) => name.toLowerCase()).join(', ')}` : 'some values'}
          </summary>
          {facets.map(({ key, name, codes }) => {
            const chosen = line.facets[key as keyof typeof line.facets] ?? [];
            const set = (values: readonly string[]) => {
              const { [key as keyof typeof line.facets]: _, ...others } = line.facets;
              onChange({ ...line, facets: values.length === 0 ? others : { ...others, [key]: values } }, 'Facets');
            };
            const below = new Set(chosen.flatMap((value) => valuesBelow({ codes }, value).slice(1)));
            return (
              <fieldset key={key} className={styles.checks} disabled={disabled}>
                <legend className={styles.label}>{name}</legend>
                {[...codes.filter(({ retired }) => !retired), { code: '', caption: 'none' }].map(({ code, caption }) => (
                  <label key={code} title={caption}>
                    <input
                      type="checkbox"
                      checked={chosen.includes(code) || below.has(code)}
                      disabled={below.has(code)}
                      onChange={({ target: { checked } }) => set(checked ? [...chosen, code] : chosen.filter((one) => one !== code))}
                    />
                    {caption}
                  </label>
                ))}
              </fieldset>
            );
          })}
        </details>
      )}
    </>
  );
}
