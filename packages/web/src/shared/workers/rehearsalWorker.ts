import type { Company, PlacementView } from '@ivory-ladder/contract';
import {
  type AccountProposals,
  type DigitOrder,
  type Element,
  effectOf,
  figuresOver,
  groundOfView,
  isEmptyDraft,
  type Place,
  type PlacedElsewhere,
  type Placement,
  type PlacementDraft,
  type PlacementEffect,
  type PlacementFigures,
  placementOf,
  proposePlaces,
  rehearsalNeeds,
  type StandingInTree,
  soundDraft,
  standingFollower,
  Vectors,
} from '@ivory-ladder/core';
import { leftOutOf } from '../api/leftOutOf.ts';
import { writeEffect } from './effectText.ts';
import { writeAnswer } from './sharedAnswer.ts';

export type RehearsalAsked =
  /** Where the latest effect is put beside its message. */
  | { readonly kind: 'shared'; readonly memory: SharedArrayBuffer }
  | { readonly kind: 'ledger'; readonly view: PlacementView; readonly company: Company }
  | { readonly kind: 'elsewhere'; readonly placed: readonly PlacedElsewhere[] }
  | { readonly kind: 'draft'; readonly number: number; readonly draft: PlacementDraft };

/** To the draft with the number: first what it does, then what is proposed beside it. */
export type RehearsalAnswer =
  | { readonly kind: 'effect'; readonly number: number; readonly effect: PlacementEffect | null }
  | { readonly kind: 'proposals'; readonly number: number; readonly proposals: readonly AccountProposals[] };

interface Held {
  readonly view: PlacementView;
  readonly order: DigitOrder;
  readonly elementOf: ReadonlyMap<number, Element>;
  readonly figuresOf: ReturnType<typeof figuresOver>;
  readonly placement: Placement;
  readonly stand: ReturnType<typeof standingFollower>;
  readonly before: PlacementFigures;
}

/** While moves follow one another quickly, nobody reads what is proposed. */
const millisecondsBeforeProposing = 60;

let held: Held | null = null;
let shared: SharedArrayBuffer | null = null;
let elsewhere: readonly PlacedElsewhere[] = [];
let proposing: ReturnType<typeof setTimeout> | undefined;
const say = (answer: RehearsalAnswer): void => self.postMessage(answer);

/** Both statements before and after a draft, over the amounts of the view that was given last. */
self.onmessage = ({ data }: MessageEvent<RehearsalAsked>) => {
  if (data.kind === 'shared') shared = data.memory;
  else if (data.kind === 'ledger') held = hold(data.view, data.company);
  else if (data.kind === 'elsewhere') elsewhere = data.placed;
  else if (held) answer(held, data.number, data.draft);
};

function answer({ figuresOf, placement, stand, before, elementOf, order, view }: Held, number: number, draft: PlacementDraft): void {
  const sound = soundDraft(placement, draft, elementOf, order);
  const standing = stand(sound.placement);
  const effect = isEmptyDraft(sound.draft) ? null : effectOf(before, figuresOf(standing));
  if (shared) writeAnswer(shared, number, writeEffect(effect));
  say({ kind: 'effect', number, effect });
  clearTimeout(proposing);
  proposing = setTimeout(() => say({ kind: 'proposals', number, proposals: propose(view, standing, order) }), millisecondsBeforeProposing);
}

/** Parents without amounts of their own have nothing to place. */
function propose({ accounts }: PlacementView, { portions, tree }: StandingInTree, order: DigitOrder): AccountProposals[] {
  const bare = new Set(accounts.filter(({ isParent, amount }) => isParent && amount === '0').map(({ id }) => id));
  return proposePlaces(accounts, portions, tree, order, elsewhere).filter(({ accountId }) => !bare.has(accountId));
}

function hold(view: PlacementView, company: Company): Held {
  const { accounts, categories, span, comparative, balanceComparative, notAllotted } = view;
  const { digitOrder: order } = company;
  // The generated statements are the same in every classification that has these categories.
  const ground = groundOfView(view, company, [], 0);
  const spans = [
    { moved: span, day: span.lastDay },
    { moved: comparative, day: balanceComparative },
  ];
  const vectors = new Vectors();
  const amountsOf = (one: 'amount' | 'balance' | 'comparative' | 'balanceBefore') => BigInt64Array.from(accounts, (account) => BigInt(account[one]));
  // Of accounts that keep their balances the view has no movement, and an income statement asks for none.
  const moved = [amountsOf('amount'), amountsOf('comparative')] as const;
  const balances = [amountsOf('balance'), amountsOf('balanceBefore')] as const;
  const missing = [BigInt(notAllotted.amount), BigInt(notAllotted.comparative)] as const;
  for (const need of rehearsalNeeds(ground, spans)) {
    const { take } = need;
    const at = take.take === 'balance' ? Number(take.day !== span.lastDay) : Number(take.span.firstDay !== span.firstDay || take.span.lastDay !== span.lastDay);
    const net = (take.take === 'balance' ? balances : moved)[at as 0 | 1];
    vectors.give(need, { net, notAllotted: missing[at as 0 | 1], carried: 0n });
  }
  const placement = placementOf(
    categories.map(({ version: _, ...category }) => category),
    accounts.flatMap(({ id, places }): Place[] => places.map((place) => ({ ...place, accountId: id }))),
  );
  const stand = standingFollower(accounts, order);
  const standing = stand(placement);
  const figuresOf = figuresOver({ ground, spans, vectors, leftOut: leftOutOf(view) });
  let before = figuresOf(standing);
  // Run some times, so that the first draft is not the first run.
  for (let run = 0; run < 5; run++) before = figuresOf(standing);
  return { view, order, elementOf: new Map(accounts.map(({ id, element }) => [id, element])), figuresOf, placement, stand, before };
}
