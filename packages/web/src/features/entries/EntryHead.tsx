import type { Company, DocumentSeriesBody } from '@ivory-ladder/contract';
import type { Layer } from '@ivory-ladder/core';
import TextField from '@mui/material/TextField';
import { DayTextField } from '../../shared/components/dayfield/DayTextField.tsx';
import { SeriesChoice } from '../series/index.ts';
import styles from './NewEntryScreen.module.css';
import type { EntryDraft } from './useEntryDraft.ts';

type Period = Company['years'][number]['periods'][number];

interface EntryHeadProps {
  readonly draft: EntryDraft;
  /** Where the day is the last of a year that has one. */
  readonly adjustingPeriod: Period | null;
  readonly lock: Period['lock'];
  readonly series: readonly DocumentSeriesBody[];
  readonly onChange: (changes: Partial<EntryDraft>) => void;
}

/** Day, text, layer and series of an entry that is written. */
export function EntryHead({ draft, adjustingPeriod, lock, series, onChange }: EntryHeadProps) {
  return (
    <div className={styles.facts}>
      <DayTextField
        label="Date"
        value={draft.date}
        onChange={(date) => onChange({ date })}
        error={lock !== null}
        helperText={lock === null ? undefined : `Locked by ${lock.by}`}
        required
      />
      <TextField
        label="Text"
        value={draft.description}
        onChange={(event) => onChange({ description: event.target.value })}
        slotProps={{ htmlInput: { maxLength: 500 } }}
      />
      <fieldset className={styles.layers}>
        <legend>Layer</legend>
        {(['ledger', 'adjustment'] as const satisfies readonly Layer[]).map((layer) => (
          <label key={layer}>
            <input type="radio" name="layer" checked={draft.layer === layer} onChange={() => onChange({ layer })} />{' '}
            {layer === 'ledger' ? 'ledger' : 'adjustment for the statements'}
          </label>
        ))}
        {adjustingPeriod && (
          <label>
            <input type="checkbox" checked={draft.isAdjusting === true} onChange={(event) => onChange({ isAdjusting: event.target.checked })} /> in period{' '}
            {adjustingPeriod.number}
          </label>
        )}
        <SeriesChoice series={series} chosen={draft.series ?? 0} onChoose={(id) => onChange({ series: id })} />
      </fieldset>
    </div>
  );
}
