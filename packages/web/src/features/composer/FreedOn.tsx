import { Select } from '../../shared/components/Select.tsx';
import styles from './LinePanel.module.css';
import { accountLines } from './lineCaptions.ts';
import type { Composer } from './useComposer.ts';

interface FreedOnProps {
  readonly composer: Composer;
  readonly label: string;
  /** What no line means. */
  readonly none: string;
  /** Key of a line of accounts. */
  readonly value: string | undefined;
  readonly disabled: boolean;
  readonly onChange: (key: string | undefined) => void;
}

/** The line of accounts on which profit is freed of something that is in it and is no cash. */
export function FreedOn({ composer, label, none, value, disabled, onChange }: FreedOnProps) {
  return (
    <label className={styles.field}>
      <span className={styles.label}>{label}</span>
      <Select wide value={value ?? ''} disabled={disabled} onChange={({ target }) => onChange(target.value === '' ? undefined : target.value)}>
        <option value="">{none}</option>
        {[...accountLines(composer.expanded)].map(([key, caption]) => (
          <option key={key} value={key}>
            {caption}
          </option>
        ))}
      </Select>
    </label>
  );
}
