import { type Element, elements } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useMay } from '../../app/useCompany.ts';
import { ChoiceMenu } from '../../components/ChoiceMenu.tsx';
import { ChartFileMenu } from '../chartfile/ChartFileMenu.tsx';
import styles from './ChartScreen.module.css';
import { type ChartFilter, chartFilters, filterNames } from './chartModel.ts';

interface ChartToolsProps {
  readonly text: string;
  readonly element: Element | '';
  readonly filter: ChartFilter;
  /** What is sought stands in the address; `replace` while one types. */
  readonly onChange: (changes: Record<string, string>, replace?: boolean) => void;
  readonly onLoad: (() => void) | null;
  readonly onRenumber: () => void;
  readonly onChangeMany: () => void;
  readonly onAdd: () => void;
}

/** Find and filter, files, and what is done with the chart as a whole. */
export function ChartTools({ text, element, filter, onChange, onLoad, onRenumber, onChangeMany, onAdd }: ChartToolsProps) {
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
          <ChoiceMenu
            label="Many"
            choices={[
              { value: 'change', label: 'Change many accounts…' },
              { value: 'renumber', label: 'Renumber…' },
            ]}
            chosen={[]}
            onChoose={(value) => (value === 'renumber' ? onRenumber() : onChangeMany())}
          />
          <Button variant="contained" onClick={onAdd}>
            Add account…
          </Button>
        </>
      )}
    </div>
  );
}
