import type { Account } from '../chart/account.ts';
import { groundOfTest } from '../run/lines.fixture.ts';
import { Vectors } from '../run/vectors.ts';
import { span } from '../statement/statementsOf.fixture.ts';
import { type RehearsedLedger, rehearsalNeeds } from './placementFigures.ts';

/** One span with balances that are movements too, by the accounts' order; nobody left anything out. */
export function rehearsedLedger(accounts: readonly Account[], net: readonly bigint[]): RehearsedLedger {
  const ground = groundOfTest({ categories: [], accounts, places: [] });
  const spans = [{ moved: span, day: span.lastDay }];
  const vectors = new Vectors();
  for (const need of rehearsalNeeds(ground, spans)) vectors.give(need, { net: BigInt64Array.from(net), notAllotted: 0n, carried: 0n });
  return { ground, spans, vectors, leftOut: new Set() };
}
