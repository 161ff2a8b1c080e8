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
  const states = new Map<number, KnownState>();
  return async (classificationId, span, chosen) => {
    const classified = inClassification(books, classificationId);
    if (!classified.ok) return classified;
    const over = runs.find(({ firstDay, lastDay }) => firstDay <= span.firstDay && span.lastDay <= lastDay);
    if (!over) throw new Error('what moved without cash is asked for of a span that was not told');
    const state = states.get(classificationId) ?? stateOf(classified.value);
    states.set(classificationId, state);
    const key = [span.firstDay, span.lastDay, over.firstDay, over.lastDay, ...chosen].join(' ');
    const summed = await once(state.sums, key, () => sumOver(ports, classified.value, state, over, span, chosen));
    return succeed(dense(summed, books.cube.accountIds.length));
  };
}

/** What is known of one state of ledger and placement. */
interface KnownState {
  readonly places: CashPlaces;
  readonly moves: Map<string, Promise<CashMoves>>;
  readonly sums: Map<string, Promise<Summed>>;
  readonly broughtIn: Map<string, Promise<readonly Day[]>>;
}

/** Of the few accounts that moved without cash, so that it takes little room. */
interface Summed {
  readonly accounts: readonly { readonly at: number; readonly net: bigint; readonly increases: bigint; readonly raised: bigint }[];
  readonly known: KnownWithoutCash;
}

/** Of one state: more are asked for by nobody who looks at statements. */
const mostSpans = 80;

const knownOf = new WeakMap<CashPlaces, WeakMap<Books['cube'], Map<string, KnownState>>>();

function stateOf(books: Books): KnownState {
  const { cube, adjusting } = books;
  const places = placesOfCash(groundOf(books));
  const ofPlaces = knownOf.get(places) ?? new WeakMap<Books['cube'], Map<string, KnownState>>();
  knownOf.set(places, ofPlaces);
  const ofCube = ofPlaces.get(cube) ?? new Map<string, KnownState>();
  ofPlaces.set(cube, ofCube);
  const key = adjusting ? `${adjusting.which} ${adjusting.year} ${adjusting.number}` : '';
  const state = ofCube.get(key) ?? { places, moves: new Map(), sums: new Map(), broughtIn: new Map() };
  ofCube.set(key, state);
  return state;
}

/** What failed is asked for again. */
function once<Value>(kept: Map<string, Promise<Value>>, key: string, make: () => Promise<Value>): Promise<Value> {
  const there = kept.get(key);
  if (there) return there;
  if (kept.size >= mostSpans) kept.clear();
  const made = make();
  kept.set(key, made);
  made.catch(() => kept.delete(key));
  return made;
}

async function sumOver(ports: Read, books: Books, state: KnownState, over: Span, span: Span, chosen: readonly Layer[]): Promise<Summed> {
  const { beyond, without } = await once(state.moves, `${over.firstDay} ${over.lastDay}`, () => readMoves(ports, books, over, state.places));
  const broughtIn = await once(state.broughtIn, '', () => broughtInDays(ports, books));
  const isOfSpan = (day: Day): boolean => span.firstDay <= day && day <= span.lastDay;
  const isWithin = ({ day, layer }: { readonly day: Day; readonly layer: Layer }): boolean => isOfSpan(day) && chosen.includes(layer);
  const known = { entries: without.filter(isWithin), broughtIn: broughtIn.filter(isOfSpan) };
  const moved = beyond.filter(isWithin);
  if (moved.length === 0) return { accounts: [], known };
  const { net: each, increases, raised } = directed(moved, summingFlows(books));
  const net = balanced(books, each);
  const accounts = Array.from(net, (amount, at) => ({ at, net: amount, increases: increases[at] as bigint, raised: raised[at] as bigint }));
  return { accounts: accounts.filter((one) => one.net !== 0n || one.increases !== 0n || one.raised !== 0n), known };
}

function dense({ accounts, known }: Summed, length: number): WithoutCashOver {
  const [net, increases, raised, none] = Array.from({ length: 4 }, () => new BigInt64Array(length)) as [
    BigInt64Array,
    BigInt64Array,
    BigInt64Array,
    BigInt64Array,
  ];
  for (const one of accounts) {
    net[one.at] = one.net;
    increases[one.at] = one.increases;
    raised[one.at] = one.raised;
  }
  return { known, net, flows: { increases, raised, exchange: none, transfers: { raised: none, lowered: none } } };
}

async function readMoves({ ledger }: Read, books: Books, span: Span, places: CashPlaces): Promise<CashMoves> {
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
