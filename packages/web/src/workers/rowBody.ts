import type { StatementRowBody } from '@ivory-ladder/contract';
import type { StatementRow } from '@ivory-ladder/core';

/** A row as the server would give it. */
export function rowBody({ parts: _, values, unit, faults, look, note, ...row }: StatementRow): StatementRowBody {
  return {
    ...row,
    values: values.map((value) => (value === null ? null : value.toString())),
    ...(unit === undefined || unit === 'amount' ? {} : { unit }),
    ...(faults === undefined ? {} : { faults: faults.map((fault) => fault && { ...fault }) }),
    ...(look === undefined ? {} : { look }),
    ...(note === undefined || note === '' ? {} : { note }),
  };
}
