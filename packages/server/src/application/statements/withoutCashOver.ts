import {
  type AccountFlows,
  apartFromOperating,
  type CashMoves,
  type CashPlaces,
  cashMovesOf,
  type Day,
  type KnownWithoutCash,
  type Layer,
  type Outcome,
  placesOfCash,
  type Span,
  succeed,
  translationAccountId,
} from '@ivory-ladder/core';
import { accountsById, inClassification } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { directed, runsOfDays, summingFlows } from './flowsOver.ts';
import { groundOf } from './groundOf.ts';

interface Read {
  readonly ledger: Pick<Ports['ledger'], 'entriesOn' | 'broughtIn'>;
}

interface WithoutCashOver {
  readonly net: BigInt64Array;
  readonly flows: AccountFlows;
  readonly known: KnownWithoutCash;
}

/** For each of the spans what moved without cash between activities, as a classification has them; days that follow one another are read together. */
export function withoutCashReader(
  ports: Read,
  books: Books,
  spans: readonly Span[],
): (classificationId: number, span: Span, chosen: readonly Layer[]) => Promise<Outcome<WithoutCashOver, Failure>> {
  const runs = runsOfDays(spans);
  let broughtIn: Promise<readonly Day[]> | null = null;
  let sums: ReturnType<typeof summingFlows> | null = null;
  return async (classificationId, span, chosen) => {
    const classified = inClassification(books, classificationId);
    if (!classified.ok) return classified;
    const over = runs.find(({ firstDay, lastDay }) => firstDay <= span.firstDay && span.lastDay <= lastDay);
    if (!over) throw new Error('what moved without cash is asked for of a span that was not told');
    sums ??= summingFlows(books);
    broughtIn ??= broughtInDays(ports, books);
    const { beyond, without } = await movesWithoutCash(ports, classified.value, over);
    const isOfSpan = (day: Day): boolean => span.firstDay <= day && day <= span.lastDay;
    const isWithin = ({ day, layer }: { readonly day: Day; readonly layer: Layer }): boolean => isOfSpan(day) && chosen.includes(layer);
    const { net, increases, raised } = directed(beyond.filter(isWithin), sums);
    return succeed({
      known: { entries: without.filter(isWithin), broughtIn: (await broughtIn).filter(isOfSpan) },
      net: balanced(books, net),
      flows: { increases, raised, exchange: sums.none, transfers: { raised: sums.none, lowered: sums.none } },
    });
  };
}

/** Of one state of the ledger: more are asked for by nobody who looks at statements. */
const mostSpans = 40;

/** By the state of the ledger, then by the days. */
const movesOf = new WeakMap<CashPlaces, WeakMap<Books['cube'], Map<string, Promise<CashMoves>>>>();

/** What entries of a span moved without cash, as the classification of the books has the activities. Once for each state of ledger and placement. */
function movesWithoutCash({ ledger }: Read, books: Books, span: Span): Promise<CashMoves> {
  const { cube, adjusting } = books;
  const places = placesOfCash(groundOf(books));
  const ofPlaces = movesOf.get(places) ?? new WeakMap<Books['cube'], Map<string, Promise<CashMoves>>>();
  movesOf.set(places, ofPlaces);
  const known = ofPlaces.get(cube) ?? new Map<string, Promise<CashMoves>>();
  ofPlaces.set(cube, known);
  const key = [span.firstDay, span.lastDay, adjusting ? `${adjusting.which} ${adjusting.year} ${adjusting.number}` : ''].join(' ');
  const there = known.get(key);
  if (there) return there;
  const made = readMoves(ledger, books, span, places);
  if (known.size >= mostSpans) known.clear();
  known.set(key, made);
  // What failed is asked for again.
  made.catch(() => known.delete(key));
  return made;
}

async function readMoves(ledger: Read['ledger'], books: Books, span: Span, places: CashPlaces): Promise<CashMoves> {
  const byId = accountsById(books);
  const { accountIds } = books.cube;
  // What counts whole whatever it moved is most of a ledger, and is not read. Accounts of cash are settled with, whatever their category says.
  const settledLater = accountIds.flatMap((id, at) => (places.isSettledLater(at) && byId.get(id)?.role !== 'cash' ? [at] : []));
  const entries = await ledger.entriesOn(books, span, apartFromOperating(places, accountIds.length), settledLater);
  const isResult = (account: number): boolean => ['income', 'expense'].includes(byId.get(accountIds[account] as number)?.element ?? '');
  return cashMovesOf(entries, places, isResult, new Map());
}

/** On which trial balances are in the ledger, but for those that it begins with. */
async function broughtInDays({ ledger }: Read, { company, firstBalances }: Books): Promise<readonly Day[]> {
  const first = new Set(firstBalances.map(({ day }) => day));
  return [...new Set((await ledger.broughtIn(company.id)).flatMap(({ day, takenBack }) => (takenBack === null && !first.has(day) ? [day] : [])))].sort();
}

/** In another currency both sides of an entry are not rounded alike; what that leaves is what rates did, so that lines still come to the change in cash. */
function balanced({ cube, translation, selected }: Books, net: BigInt64Array): BigInt64Array {
  const at = translation && selected === null ? cube.indexOf.get(translationAccountId) : undefined;
  if (at === undefined) return net;
  const even = net.slice();
  even[at] = (even[at] as bigint) - net.reduce((sum, amount) => sum + amount, 0n);
  return even;
}
