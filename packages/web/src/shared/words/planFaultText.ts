import type { PlanFault } from '@ivory-ladder/core';
import { formulaFaultText } from './formulaFaultText.ts';

/** Why a layout cannot be run with a column plan. */
export function planFaultText(fault: PlanFault): string {
  const column = `The column «${fault.column}»`;
  switch (fault.code) {
    case 'column_key_twice':
      return `Two columns have the key «${fault.column}».`;
    case 'column_unknown':
      return fault.named === '' ? `${column} names no other column yet.` : `${column} names «${fault.named}», which is not there or has no amounts.`;
    case 'column_span_reversed':
      return `${column} has no days: its first is behind its last, or is not given.`;
    case 'column_list_unknown':
      return `${column} is repeated over a facet that has gone.`;
    case 'column_needs_movement':
      return `${column} holds balances, and every column of a cash flow or of changes in equity is a movement.`;
    case 'column_placed_today':
      return `${column} is by an earlier placement, which a cash flow, changes in equity and a budget are not.`;
    case 'column_formula':
      return `${column}: ${formulaFaultText(fault.fault).replaceAll('line', 'column')}.`;
    case 'column_needs_equity':
      return `${column} is repeated over categories of equity, which only changes in equity have as columns.`;
  }
}
