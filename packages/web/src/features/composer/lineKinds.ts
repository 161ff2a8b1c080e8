import type { OwnLineKind } from '@ivory-ladder/core';

/** What each kind of line is for, as the menu says it. */
export const lineKinds: readonly { readonly kind: OwnLineKind; readonly caption: string; readonly says: string }[] = [
  { kind: 'accounts', caption: 'Accounts', says: 'the sum of accounts, by number, category, code or one by one' },
  { kind: 'follows', caption: 'Categories', says: 'follows a part of the category tree, and grows and shrinks with it' },
  { kind: 'group', caption: 'Group', says: 'its lines, then their subtotal' },
  { kind: 'heading', caption: 'Heading', says: 'words above lines, without a subtotal' },
  { kind: 'sum', caption: 'Sum', says: 'named lines added or taken off' },
  { kind: 'calculation', caption: 'Calculation', says: 'a formula over other lines' },
  { kind: 'result', caption: 'Result', says: 'profit or loss' },
  { kind: 'remainder', caption: 'Remainder', says: 'what no other line takes' },
  { kind: 'memo', caption: 'Memo', says: 'amounts that stand elsewhere; counts in no total' },
  { kind: 'cash', caption: 'Cash', says: 'cash at the beginning or the end, or the effect of exchange rates on it' },
  { kind: 'text', caption: 'Text', says: 'words across the page' },
  { kind: 'space', caption: 'Space', says: 'an empty row' },
];

export function kindCaption(kind: OwnLineKind): string {
  return lineKinds.find((one) => one.kind === kind)?.caption ?? kind;
}
