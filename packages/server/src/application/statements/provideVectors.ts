import {
  type BalanceVector,
  balanceAt,
  grossOver,
  type Layer,
  layers,
  linesKey,
  movementOver,
  type Outcome,
  positionAt,
  positionBefore,
  type RatesNeeded,
  ratesMissing,
  succeed,
  type VectorNeed,
  Vectors,
} from '@ivory-ladder/core';
import { booksOfAdjusting, partialsAt } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { budgetOver } from './budgetOver.ts';
import { flowsReader } from './flowsOver.ts';
import { asFlows, missingRates, movingBooks, translatedBooks } from './translatedBooks.ts';
import { withoutCashReader } from './withoutCashOver.ts';

type Providing = Pick<Ports, 'ledger' | 'rates' | 'budgets' | 'memory'>;

/**
 * The vectors that a plan needs, all of the state of the books; `ledger_moved_on` where somebody has posted since. Needs over the same lines are
 * made from the same arrays. `whole`: all lines of the ledger, in the company's currency.
 */
export async function provideVectors(
  ports: Providing,
  whole: Books,
  needs: readonly VectorNeed[],
  rates: RatesNeeded | null = null,
): Promise<Outcome<Vectors, Failure>> {
  const vectors = new Vectors();
  const groups = new Map<string, VectorNeed[]>();
  for (const need of needs) {
    const key = linesKey(need);
    const there = groups.get(key);
    if (there) there.push(need);
    else groups.set(key, [need]);
  }
  if (rates !== null) {
    const refused = await refusedInCurrency(ports, whole, rates);
    if (refused) return refused;
  }
  for (const group of groups.values()) {
    const opened = await booksFor(ports, whole, group[0] as VectorNeed);
    if (!opened.ok) return opened;
    const provided = await provideFrom(ports, opened.value, group, vectors);
    if (!provided.ok) return provided;
  }
  return succeed(vectors);
}

/** What a run in another currency lacks. */
async function refusedInCurrency(ports: Providing, whole: Books, needed: RatesNeeded): Promise<Outcome<never, Failure> | null> {
  const translated = await translatedBooks(ports, whole, needed.currency);
  if (!translated.ok) return translated;
  const missing = [...missingRates(needed.manner === 'moved' ? asFlows(translated.value) : translated.value, needed), ...needed.missing];
  return missing.length === 0 ? null : { ok: false, failure: ratesMissing(needed.currency, missing) as Failure };
}

/** Those with the lines alone, in the money, that vectors are of. */
async function booksFor(ports: Providing, whole: Books, { filter, money, adjusting }: VectorNeed): Promise<Outcome<Books, Failure>> {
  const narrowed = Object.keys(filter).length === 0 ? whole : await ports.ledger.narrow(whole, filter);
  if (!narrowed || narrowed.cube.revision !== whole.cube.revision) return { ok: false, failure: { code: 'ledger_moved_on' } };
  const presented = money.in === 'own' ? succeed(narrowed) : await translatedBooks(ports, narrowed, money.code);
  if (!presented.ok) return presented;
  const books = money.in === 'other' && money.manner === 'moved' ? asFlows(presented.value) : presented.value;
  return succeed(adjusting === undefined ? books : booksOfAdjusting(books, adjusting.lastDay, adjusting.which));
}

async function provideFrom(ports: Providing, books: Books, needs: readonly VectorNeed[], vectors: Vectors): Promise<Outcome<null, Failure>> {
  const { calendar } = books.cube;
  const positionsOf = ({ take, amounts }: VectorNeed) => {
    if (amounts.of !== 'posted') return [];
    if (take.take === 'balance') return [take.at === 'begin' ? positionBefore(calendar, take.day) : positionAt(calendar, take.day)];
    return [positionAt(calendar, take.span.lastDay), positionBefore(calendar, take.span.firstDay)];
  };
  const isHeld = ({ take }: VectorNeed): boolean => take.take === 'balance';
  const moving = movingBooks(books);
  const partial = await partialsAt(ports, books, (moving === books ? needs : needs.filter(isHeld)).flatMap(positionsOf));
  const ofMoving = moving === books ? partial : await partialsAt(ports, moving, needs.filter((need) => !isHeld(need)).flatMap(positionsOf));
  const flowsOver = flowsReader(
    ports,
    books,
    needs.flatMap(({ take, amounts }) => (take.take === 'flows' && amounts.of === 'posted' ? [take.span] : [])),
  );
  const withoutCash = withoutCashReader(
    ports,
    books,
    needs.flatMap(({ amounts, take }) => (amounts.of === 'without_cash' && take.take !== 'balance' ? [take.span] : [])),
  );
  for (const need of needs) {
    const { amounts, take } = need;
    const chosen: readonly Layer[] = need.layers === 'ledger' ? ['ledger'] : layers;
    if (amounts.of === 'budget') {
      if (take.take !== 'movement') throw new Error('a budget is asked for what it moves');
      const budgeted = await budgetOver(ports, books, amounts.id, take.span);
      if (!budgeted.ok) return budgeted;
      vectors.give(need, moved(budgeted.value.net));
    } else if (amounts.of === 'without_cash') {
      if (take.take === 'balance') throw new Error('what moved without cash is no balance');
      const apart = await withoutCash(amounts.classificationId, take.span, chosen);
      if (!apart.ok) return apart;
      if (take.take === 'movement') {
        vectors.give(need, moved(apart.value.net));
        vectors.giveWithoutCash(need, apart.value.known);
      } else vectors.giveFlows(need, apart.value.flows);
    } else if (take.take === 'balance')
      vectors.give(need, balanceAt(books.cube, books.traits, chosen, take.day, partial, take.at === 'begin' ? { atBeginning: true } : {}));
    else if (take.take === 'movement') vectors.give(need, moved(movementOver(moving.cube, chosen, take.span, ofMoving)));
    else vectors.giveFlows(need, await flowsOver(take.span, chosen, grossOver(moving.cube, chosen, take.span, ofMoving)));
  }
  return succeed(null);
}

function moved(net: BigInt64Array): BalanceVector {
  return { net, notAllotted: 0n, carried: 0n };
}
