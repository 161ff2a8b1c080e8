import type { StatementRow } from './statement.ts';

/** A row as it goes over a wire: figures as text, nothing that says no more than its absence. `parts` stay behind. */
export function rowInText({ parts: _, partsAreWithin: __, values, unit, faults, look, note, ...row }: StatementRow) {
  return {
    ...row,
    values: values.map((value) => (value === null ? null : value.toString())),
    ...(unit === undefined || unit === 'amount' ? {} : { unit }),
    ...(faults === undefined ? {} : { faults: faults.map((fault) => fault && { ...fault }) }),
    ...(look === undefined ? {} : { look }),
    ...(note === undefined || note === '' ? {} : { note }),
  };
}
