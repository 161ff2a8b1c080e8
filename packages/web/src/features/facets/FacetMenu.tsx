import type { CodeListBody } from '@ivory-ladder/contract';
import { type FacetFilter, filterText, type ListKey } from '@ivory-ladder/core';
import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useFacetFilter } from '../../shared/state/useFacetFilter.ts';
import styles from './FacetMenu.module.css';
import { nestedValues } from './nestedValues.ts';

/** The facets of the company, read once one of them is asked about; `null` until then. */
function useFacets(isNeeded: boolean): readonly CodeListBody[] | null {
  const company = useCompany();
  const { data } = useListCodeListsQuery(isNeeded && company.facets > 0 ? { companyId: company.id } : skipToken);
  return data?.lists.filter(({ kind }) => kind === 'facet') ?? null;
}

/** Chooses the facet values that the figures are made of alone; not there in a company without facets. */
export function FacetMenu() {
  const company = useCompany();
  const { filter, choose } = useFacetFilter();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const isFiltered = Object.keys(filter).length > 0;
  const facets = useFacets(anchor !== null || isFiltered);
  if (company.facets === 0) return null;
  return (
    <>
      <Button
        variant="outlined"
        endIcon={<ExpandMore />}
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {isFiltered ? `Facets: ${Object.keys(filter).length} chosen` : 'Facets'}
      </Button>
      <Popover
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { 'aria-label': 'Facets', role: 'dialog' } }}
      >
        <div className={styles.facets}>
          {facets?.map((facet) => (
            <Values key={facet.key} facet={facet} chosen={filter[facet.key] ?? []} onChange={(values) => choose(withValues(filter, facet.key, values))} />
          ))}
        </div>
        <div className={styles.foot}>
          <span>A value holds all nested below it.</span>
          <Button disabled={!isFiltered} onClick={() => choose({})}>
            All lines
          </Button>
        </div>
      </Popover>
    </>
  );
}

interface ValuesProps {
  readonly facet: CodeListBody;
  readonly chosen: readonly string[];
  readonly onChange: (values: readonly string[]) => void;
}

function Values({ facet, chosen, onChange }: ValuesProps) {
  const box = (value: string, caption: string, depth: number) => (
    <label key={value} style={{ paddingLeft: depth * 18 }}>
      <input
        type="checkbox"
        checked={chosen.includes(value)}
        onChange={(event) => onChange(event.target.checked ? [...chosen, value] : chosen.filter((one) => one !== value))}
      />
      {caption}
    </label>
  );
  return (
    <fieldset className={styles.values}>
      <legend>{facet.name}</legend>
      {nestedValues(facet).map(({ code, caption, depth }) => box(code, caption || code, depth))}
      {box('', 'lines without one', 0)}
    </fieldset>
  );
}

function withValues(filter: FacetFilter, key: ListKey, values: readonly string[]): FacetFilter {
  return { ...filter, [key]: values };
}

/** What the figures are made of alone, in words, where a filter is chosen: then they are a part, and nothing they show can be proven. */
export function FacetNote() {
  const { filter, choose } = useFacetFilter();
  const isFiltered = Object.keys(filter).length > 0;
  const facets = useFacets(isFiltered);
  if (!isFiltered) return null;
  return (
    <p className={styles.note}>
      <span>
        <strong>{facets ? `${filterText(filter, facets)}.` : ' '}</strong> A part of the ledger: totals need not tie.
      </span>
      <button type="button" onClick={() => choose({})}>
        Show all lines
      </button>
    </p>
  );
}
