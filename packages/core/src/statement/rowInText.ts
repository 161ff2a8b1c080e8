import type { StatementRow } from './statement.ts';

/** A row as it goes over a wire: figures as text, nothing that says no more than its absence. `parts` stay behind. */
export function rowInText(row: StatementRow) {
  const { key, lineKey, accountId, role, caption, depth, opens, open, values, unit, faults, look, note, better } = row;
  // Written out, since a statement down to its accounts has thousands: taking the rest of each costs as much as all else here.
  const text = {
    key,
    lineKey,
    accountId,
    role,
    caption,
    depth,
    opens,
    open,
    values: values.map((value) => (value === null ? null : value.toString())),
  };
  if (unit === undefined && faults === undefined && look === undefined && note === undefined && better === undefined) return text;
  return {
    ...text,
    ...(unit === undefined || unit === 'amount' ? {} : { unit }),
    ...(faults === undefined ? {} : { faults: faults.map((fault) => fault && { ...fault }) }),
    ...(look === undefined ? {} : { look }),
    ...(note === undefined || note === '' ? {} : { note }),
    ...(better === undefined ? {} : { better }),
  };
}
