import type { Element } from './element.ts';

/** Why an element is proposed; the facts stand beside the code. */
export type ElementReason =
  | { readonly from: 'parent'; readonly number: string }
  | { readonly from: 'neighbours'; readonly numbers: readonly string[] }
  | { readonly from: 'word'; readonly word: string }
  | { readonly from: 'prefix'; readonly prefix: string };

export interface ElementProposal {
  readonly element: Element;
  readonly reason: ElementReason;
}

/** An account whose element is known, as evidence for another's. */
export interface KnownAccount {
  readonly number: string;
  readonly element: Element;
}

/**
 * Words of the trade, longest first where one holds another: `interest payable` is a liability, `interest
 * received` income. Common practice.
 */
const words: readonly (readonly [Element, string])[] = [
  [
    'asset',
    'accumulated depreciation|accumulated amortisation|accumulated amortization|allowance for|prepaid|prepayments?|receivables?|accrued income|deferred tax assets?|in transit|inventor(y|ies)|stocks?|debtors?|in progress|under construction|at (cost|valuation|fair value)|goodwill|deposits? paid|right of use|investments? in',
  ],
  [
    'liability',
    'payables?|creditors?|deferred income|deferred revenue|unearned|accruals?|accrued|provisions?|overdraft|loans? from|borrowings?|mortgage|lease liabilit(y|ies)|deferred tax liabilit(y|ies)|not yet sailed|received in advance|advances from|taxes? owed|long-term debt|bonds?',
  ],
  ['equity', 'share capital|capital stock|paid-in|share premium|retained earnings|reserves?|dividends? (paid|declared)|drawings?|owner|equity|profit brought forward|accumulated (profit|deficit)|capital'],
  [
    'expense',
    'expenses?|costs?|charges?|wages?|salar(y|ies)|rent|depreciation|amortisation|amortization|insurance|repairs?|maintenance|purchases?|fees paid|interest paid|bank charges|losses|loss|consumed|consumption|fuel|electricity|postage|travel|advertising|bad debts?|pension|training|cleaning|hire|audit|taxes on income|income tax|dues|stationery|telephone|utilities|administrative',
  ],
  ['income', 'sales|revenues?|income|fares?|fees|turnover|subsidy|gains?|commission|interest received|rent received|grants?|services rendered'],
  ['asset', 'bank|cash|petty|buildings?|land|vessels?|vehicles?|equipment|furniture|plant|machinery|property|computers?|investments?|loans? to|fixtures|tools'],
  ['liability', 'vat|taxes payable|tax|loans?|debt|leases?'],
];
const patterns = words.map(([element, alternatives]) => [element, new RegExp(`(?<![a-z])(${alternatives})(?![a-z])`, 'i')] as const);

/**
 * Proposes an element from the parent, else from the neighbours in number order when both sides agree, else from
 * words in the name, else from the nearest accounts that share the longest beginning of the number.
 * `before` and `after` are the nearest accounts in number order whose element is known.
 */
export function proposeElement(account: { readonly number: string; readonly name: string }, parent: KnownAccount | undefined, before: KnownAccount | undefined, after: KnownAccount | undefined): ElementProposal | null {
  if (parent) return { element: parent.element, reason: { from: 'parent', number: parent.number } };
  if (before && after && before.element === after.element && sharedBeginning(before.number, after.number) > 0) return { element: before.element, reason: { from: 'neighbours', numbers: [before.number, after.number] } };
  const word = elementFromName(account.name);
  if (word) return word;
  const nearest = [before, after]
    .filter((candidate) => candidate !== undefined)
    .map((candidate) => ({ candidate, shared: sharedBeginning(candidate.number, account.number) }))
    .sort((a, b) => b.shared - a.shared)[0];
  if (nearest && nearest.shared > 0) return { element: nearest.candidate.element, reason: { from: 'prefix', prefix: account.number.slice(0, nearest.shared) } };
  return null;
}

export function elementFromName(name: string): ElementProposal | null {
  for (const [element, pattern] of patterns) {
    const found = pattern.exec(name);
    if (found) return { element, reason: { from: 'word', word: (found[1] ?? '').toLowerCase() } };
  }
  return null;
}

function sharedBeginning(a: string, b: string): number {
  let length = 0;
  while (length < a.length && length < b.length && a[length] === b[length]) length++;
  return length;
}
