import type { Element } from './element.ts';

const likely = [
  /retained (earnings|profits?)/i,
  /profits? (brought|carried) forward/i,
  /accumulated (profits?|deficit|surplus|funds?)/i,
  /unappropriated|undistributed/i,
  /(profit|result|surplus).*(earlier|previous|prior|kept)/i,
  /^profit and loss( account)?$/i,
];

/** The account whose name says that profit of completed years stands there; `undefined` when none or nothing is sure. */
export function proposeRetainedEarnings<Item extends { readonly name: string; readonly element: Element | null }>(accounts: readonly Item[]): Item | undefined {
  for (const pattern of likely) {
    const found = accounts.find((account) => account.element === 'equity' && pattern.test(account.name));
    if (found) return found;
  }
  return undefined;
}
