import type { CodeListBody } from '@ivory-ladder/contract';
import type { FacetsOfLine, ListKey } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import type { KeyboardEvent } from 'react';
import styles from './NewEntryScreen.module.css';

interface FacetFieldProps {
  readonly facet: CodeListBody;
  /** From 1. */
  readonly line: number;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** Chosen with Enter. */
  readonly onChosen: () => void;
  readonly onEnter: (event: KeyboardEvent<HTMLInputElement>) => void;
}

type Value = CodeListBody['codes'][number];

const few = createFilterOptions<Value>({ limit: 40, stringify: ({ code, caption }) => `${code} ${caption}` });

/** The value that a line has of a facet, by its code or caption; retired ones are not offered. */
export function FacetField({ facet, line, value, onChange, onChosen, onEnter }: FacetFieldProps) {
  const options = facet.codes.filter(({ retired, code }) => !retired || code === value);
  return (
    <Autocomplete
      options={options}
      filterOptions={few}
      getOptionLabel={({ code }) => code}
      renderOption={({ key, ...props }, { code, caption }) => (
        <li key={key} {...props}>
          {code} <span className={styles.caption}>{caption}</span>
        </li>
      )}
      value={options.find(({ code }) => code === value) ?? null}
      onChange={(event, chosen, reason) => {
        onChange(chosen?.code ?? '');
        if (reason === 'selectOption' && event.type === 'keydown') onChosen();
      }}
      isOptionEqualToValue={(a, b) => a.code === b.code}
      autoHighlight
      slotProps={{ popper: { style: { width: 240 }, placement: 'bottom-start' } }}
      renderInput={({ slotProps }) => (
        <div ref={slotProps.input.ref}>
          <input
            {...slotProps.htmlInput}
            className={styles.cell}
            aria-label={`${facet.name} of line ${line}`}
            title={options.find(({ code }) => code === value)?.caption}
            onKeyDown={(event) => {
              if (event.currentTarget.getAttribute('aria-expanded') !== 'true') onEnter(event);
            }}
          />
        </div>
      )}
    />
  );
}

/** No value takes the facet off the line. */
export function withFacet(facets: FacetsOfLine, key: ListKey, value: string): FacetsOfLine {
  const { [key]: _, ...others } = facets;
  return value === '' ? others : { ...others, [key]: value };
}
