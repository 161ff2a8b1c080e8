import type { Day, Span } from '../calendar/day.ts';
import type { Adjusting } from '../cube/adjustingPeriod.ts';
import { type FacetFilter, facetKey } from '../facet/facetFilter.ts';

/** Where amounts come from. A new kind is added here and in whatever provides vectors, nowhere else. */
export type Amounts =
  | { readonly of: 'posted' }
  | { readonly of: 'budget'; readonly id: number }
  /** Of what was posted, the part that moved without cash between activities, as a classification has them. */
  | { readonly of: 'without_cash'; readonly classificationId: number };

/** What is taken of them. Balances are net with what is carried over; `flows`: what moved by direction, within equity and by exchange rates. */
export type Taken =
  | { readonly take: 'balance'; readonly day: Day; readonly at: 'begin' | 'end' }
  | { readonly take: 'movement'; readonly span: Span }
  | { readonly take: 'flows'; readonly span: Span };

/** `moved`: what moves is translated as it moves (IAS 7.26), `held`: by what accounts hold (IAS 21.39). */
export type Money = { readonly in: 'own' } | { readonly in: 'other'; readonly code: string; readonly manner: 'held' | 'moved' };

/** One amount of every account that a run asks for; two that are written the same are the same. */
export interface VectorNeed {
  readonly amounts: Amounts;
  /** Lines with these facet values alone. */
  readonly filter: FacetFilter;
  readonly layers: 'ledger' | 'all';
  readonly take: Taken;
  readonly money: Money;
  /** Of days that end a year with a period for adjustments: without its lines, or with them alone. */
  readonly adjusting?: { readonly which: Adjusting; readonly lastDay: Day };
}

/** Vectors over the same lines of the ledger, in the same money, have the same. */
export function linesKey({ amounts, filter, money, adjusting }: VectorNeed): string {
  return [
    amounts.of === 'budget' ? `budget ${amounts.id}` : amounts.of === 'without_cash' ? `without cash ${amounts.classificationId}` : 'posted',
    facetKey(filter),
    money.in === 'own' ? '' : `${money.code} ${money.manner}`,
    adjusting ? `${adjusting.which} ${adjusting.lastDay}` : '',
  ].join('|');
}

export function needKey(need: VectorNeed): string {
  const written = keys.get(need) ?? writeKey(need);
  keys.set(need, written);
  return written;
}

/** Asked for at every step from the plan to the run. */
const keys = new WeakMap<VectorNeed, string>();

function writeKey(need: VectorNeed): string {
  const { take, layers } = need;
  const taken = take.take === 'balance' ? `${take.day} ${take.at}` : `${take.span.firstDay} ${take.span.lastDay}`;
  return `${linesKey(need)}|${layers}|${take.take} ${taken}`;
}
