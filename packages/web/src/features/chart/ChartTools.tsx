import { type Element, elements } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useMay } from '../../app/useCompany.ts';
import { ChartFileMenu } from '../chartfile/ChartFileMenu.tsx';
import styles from './ChartScreen.module.css';
import { type ChartFilter, chartFilters, filterNames } from './chartModel.ts';

interface ChartToolsProps {
  readonly text: string;
  readonly element: Element | '';
  readonly filter: ChartFilter;
  readonly isEmpty: boolean;
  /** What is sought stands in the address; `replace` while one types. */
  readonly onChange: (changes: Record<string, string>, replace?: boolean) => void;
  readonly onLoad: (() => void) | null;
  readonly onRenumber: () => void;
  readonly onAdd: () => void;
}

/** Find and filter, files, and what is done with the chart as a whole. */
export function ChartTools({ text, element, filter, isEmpty, onChange, onLoad, onRenumber, onAdd }: ChartToolsProps) {
  const mayKeep = useMay('preparer');
  return (
    <div className={styles.tools}>
      <input
        className={styles.filter}
        type="search"
        placeholder="Find"
        title="By number, name, purpose, external number or notes"
        aria-label="Find accounts"
        value={text}
        onChange={(event) => onChange({ find: event.target.value }, true)}
      />
      <select className={styles.filter} aria-label="Element" value={element} onChange={(event) => onChange({ element: event.target.value })}>
        <option value="">every element</option>
        {elements.map((value) => (
          <option key={value} value={value}>
            {value}
          </option>
        ))}
      </select>
      <select
        className={styles.filter}
        aria-label="Show"
        value={filter}
        onChange={(event) => onChange({ show: event.target.value === 'all' ? '' : event.target.value })}
      >
        {chartFilters.map((value) => (
          <option key={value} value={value}>
            {filterNames[value]}
          </option>
        ))}
      </select>
      <ChartFileMenu onLoad={onLoad} />
      {mayKeep && (
        <>
          <Button disabled={isEmpty} onClick={onRenumber}>
            Renumber…
          </Button>
          <Button variant="contained" onClick={onAdd}>
            Add account…
          </Button>
        </>
      )}
    </div>
  );
}
