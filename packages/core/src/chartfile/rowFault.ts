import type { Element } from '../chart/element.ts';
import type { ChartColumn } from './chartFields.ts';

/** Why a row cannot be applied; `field` is the column at fault. */
export interface RowFault {
  readonly field: ChartColumn;
  readonly reason:
    | 'missing'
    | 'too_long'
    | 'unknown_word'
    | 'repeated_in_file'
    | 'malformed_number'
    | 'number_taken'
    | 'name_taken'
    | 'no_such_account'
    | 'parent_unknown'
    | 'parent_of_other_element'
    | 'nested_in_itself'
    | 'nested_too_deep'
    | 'parent_inactive'
    | 'sub_accounts_of_other_element'
    | 'balance_not_zero'
    | 'sub_accounts_active'
    | 'role_not_for_element'
    | 'role_of_inactive'
    | 'role_needed'
    | 'role_twice'
    | 'category_of_other_element'
    | 'category_beside_sides'
    | 'no_such_code';
  /** The row, account or element that the reason speaks of. */
  readonly about: string | null;
}

export function faultIn(field: ChartColumn, reason: RowFault['reason'], about: string | number | Element | null = null): RowFault {
  return { field, reason, about: about === null ? null : String(about) };
}
