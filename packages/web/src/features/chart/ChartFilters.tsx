import type { CodeListBody } from '@ivory-ladder/contract';
import { elements } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { Select } from '../../shared/components/Select.tsx';
import type { AddressChange } from '../../shared/state/useAddress.ts';
import styles from './ChartScreen.module.css';
import type { ChartAddress } from './chartAddress.ts';
import { chartFilters, filterNames } from './chartFilter.ts';
import { type NumberSought, quoted, unquoted } from './numberSought.ts';

interface ChartFiltersProps {
  readonly address: ChartAddress;
  /** What is sought, where it means numbers. */
  readonly numbers: NumberSought | null;
  readonly since: string;
  /** Every category, its path as text. */
  readonly categories: readonly { readonly id: number; readonly path: string }[];
  readonly lists: readonly CodeListBody[];
  /** What is sought stands in the address; `replace` while one types. */
  readonly onChange: (changes: AddressChange, replace?: boolean) => void;
  /** From the field down into the table. */
  readonly onDown: () => void;
}

/** What is sought in the chart. */
export function ChartFilters({ address, numbers, since, categories, lists, onChange, onDown }: ChartFiltersProps) {
  const isFiltered = address.find !== '' || address.element !== '' || address.categoryId !== null || address.show !== 'all';
  const between = unquoted(address.find);
  const words = between !== null && /\d/.test(between) ? between : null;
  return (
    <search className={styles.filters}>
      <input
        className={styles.filter}
        type="search"
        placeholder="Find"
        title="By what its number begins with, a range of numbers, or words in its name, purpose, external number or notes"
        aria-label="Find accounts"
        value={address.find}
        onChange={(event) => onChange({ find: event.target.value }, true)}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown') return;
          event.preventDefault();
          onDown();
        }}
      />
      <Select className={styles.choice} aria-label="Filter by element" value={address.element} onChange={(event) => onChange({ element: event.target.value })}>
        <option value="">every element</option>
        {elements.map((value) => (
          <option key={value} value={value}>
            {value}
          </option>
        ))}
      </Select>
      <Select
        className={styles.choice}
        aria-label="Filter by category"
        value={String(address.categoryId ?? '')}
        onChange={(event) => onChange({ category: event.target.value })}
      >
        <option value="">every category</option>
        {categories.map(({ id, path }) => (
          <option key={id} value={id}>
            {path}
          </option>
        ))}
      </Select>
      <Select
        className={styles.choice}
        aria-label="Show"
        value={address.show}
        onChange={(event) => onChange({ show: event.target.value === 'all' ? '' : event.target.value })}
      >
        {chartFilters.map((value) => (
          <option key={value} value={value}>
            {filterNames[value]}
          </option>
        ))}
        {lists.map(({ key, name }) => (
          <option key={key} value={`without:${key}`}>
            without {name}
          </option>
        ))}
      </Select>
      {address.show === 'unused_since' && (
        <DayInput className={styles.filter} aria-label="Unused since" value={since} onChange={(day) => day !== '' && onChange({ since: day })} />
      )}
      {(numbers !== null || words !== null) && (
        <span className={styles.meant} role="status">
          {numbers ? numbers.words : `the words ${words}`}
          <button type="button" className={styles.meantAct} onClick={() => onChange({ find: numbers ? quoted(address.find) : (words ?? '') })}>
            {numbers ? 'as words' : 'as numbers'}
          </button>
        </span>
      )}
      {isFiltered && <Button onClick={() => onChange({ find: '', element: '', category: '', show: '', since: '' })}>Show all</Button>}
    </search>
  );
}
