import type { DocumentSeriesBody } from '@ivory-ladder/contract';
import { Select } from '../../shared/components/Select.tsx';
import styles from './SeriesChoice.module.css';

interface SeriesChoiceProps {
  readonly series: readonly DocumentSeriesBody[];
  /** By id; 0 for plain numbers. */
  readonly chosen: number;
  readonly onChoose: (id: number) => void;
}

/** What a document is numbered in, and the number that it is going to get. Nothing where the company has no series. */
export function SeriesChoice({ series, chosen, onChoose }: SeriesChoiceProps) {
  const open = series.filter(({ active, id }) => active || id === chosen);
  if (open.length === 0) return null;
  return (
    <label>
      numbered in{' '}
      <Select className={styles.choice} value={chosen} onChange={(event) => onChoose(Number(event.target.value))}>
        <option value={0}>plain numbers</option>
        {open.map(({ id, code, name }) => (
          <option key={id} value={id}>
            {code} · {name}
          </option>
        ))}
      </Select>
    </label>
  );
}
