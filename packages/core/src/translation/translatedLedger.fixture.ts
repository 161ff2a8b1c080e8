import type { Day } from '../calendar/day.ts';
import { makeCalendar, makeMonthlyYear, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { type Element, isIncomeOrExpense } from '../chart/element.ts';
import { buildCube } from '../cube/cube.ts';
import { type FacetBalances, groupFacetBalances } from '../cube/facetBalances.ts';
import type { GrossVector } from '../cube/grossVector.ts';
import type { Layer } from '../cube/layer.ts';
import { buildPairCube } from '../cube/pairCube.ts';
import type { PartialLines } from '../cube/vector.ts';
import type { SelectedSets } from '../facet/facetFilter.ts';
import type { ExchangeRate } from '../rates/rate.ts';
import type { LinesOfSets } from './linesOfSets.ts';
import { presentationRates } from './presentationRates.ts';
import { type TranslatedFrom, translateCube } from './translateCube.ts';
import { translateParts } from './translateParts.ts';

// A small ledger over two years, for the tests of translation.
export const calendar = makeCalendar([2024, 2025].flatMap((year) => makeMonthlyYear(year, 1).periods));
export const euro = { code: 'EUR', exponent: 2 };
export const kroner = { code: 'NOK', exponent: 2 };
/** Cash, receivables, a loan, capital, retained earnings, sales, wages; numbered from 1. */
const elements: readonly Element[] = ['asset', 'asset', 'liability', 'equity', 'equity', 'income', 'expense'];
export const [cash, receivable, loan, capital, retained, sales, wages] = [1, 2, 3, 4, 5, 6, 7] as const;
export const traits = { resets: Uint8Array.from([...elements, 'equity' as const], (element) => (isIncomeOrExpense(element) ? 1 : 0)), retainedEarnings: 4 };
export const months = calendar.periods.map(({ firstDay }) => firstDay);

export interface Posting {
  readonly day: Day;
  readonly debit: number;
  readonly credit: number;
  readonly amount: bigint;
  readonly layer?: Layer;
  readonly closes?: number;
  /** Facet sets of both lines; 0 for none. */
  readonly sets?: readonly [ofDebit: number, ofCredit: number];
}

interface Line {
  readonly accountId: number;
  readonly facetSetId: number;
  readonly day: Day;
  readonly layer: Layer;
  readonly debit: bigint;
  readonly credit: bigint;
  readonly closes: number | undefined;
}

function linesOf(postings: readonly Posting[]): Line[] {
  return postings.flatMap(({ day, debit, credit, amount, layer = 'ledger', closes, sets: [ofDebit, ofCredit] = [0, 0] }) => [
    { accountId: debit, facetSetId: ofDebit, day, layer, debit: amount, credit: 0n, closes },
    { accountId: credit, facetSetId: ofCredit, day, layer, debit: 0n, credit: amount, closes },
  ]);
}

function balancesOf(postings: readonly Posting[]) {
  return linesOf(postings).map(({ closes, day, ...line }) => ({
    ...line,
    origin: closes === undefined ? ('ordinary' as const) : ('closing' as const),
    periodIndex: periodIndexOf(calendar, closes === undefined ? day : `${closes}-12-31`),
  }));
}

/** `isWanted`: by facet set; all lines where it is not given. */
export function given(
  postings: readonly Posting[],
  rates: readonly ExchangeRate[],
  { isFlow = null, isWanted = () => true }: { readonly isFlow?: TranslatedFrom['isFlow']; readonly isWanted?: (set: number) => boolean } = {},
): TranslatedFrom {
  const isEquity = ({ accountId, closes }: Line): boolean => elements[accountId - 1] === 'equity' && closes === undefined;
  return {
    cube: buildCube(
      1,
      calendar,
      elements.map((_, at) => at + 1),
      balancesOf(postings).filter(({ facetSetId }) => isWanted(facetSetId)),
    ),
    from: euro,
    rates: presentationRates(rates, kroner, calendar),
    elements,
    retainedEarnings: 4,
    openingLines: [],
    equityLines: linesOf(postings)
      .filter((line) => isEquity(line) && isWanted(line.facetSetId))
      .map(({ accountId, ...line }) => ({ ...line, account: accountId - 1 })),
    isFlow,
  };
}

/** The balances of lines with facet values. */
function facetBalancesOf(from: TranslatedFrom, postings: readonly Posting[]): FacetBalances {
  return groupFacetBalances(
    from.cube,
    balancesOf(postings).filter(({ facetSetId }) => facetSetId !== 0),
  );
}

function isWithin(position: { readonly day: Day; readonly partialFrom: Day | null }, { day, closes }: Line): boolean {
  return closes === undefined && day >= (position.partialFrom ?? '') && day <= position.day;
}

/** Lines inside periods, as the ledger would give them. */
export function partialOf(postings: readonly Posting[], isWanted: (set: number) => boolean = () => true): PartialLines {
  return (position, wanted) => {
    const sums: GrossVector = { debit: new BigInt64Array(elements.length), credit: new BigInt64Array(elements.length) };
    for (const line of linesOf(postings)) {
      if (!isWithin(position, line) || line.layer !== wanted || !isWanted(line.facetSetId)) continue;
      const at = line.accountId - 1;
      sums.debit[at] = (sums.debit[at] as bigint) + line.debit;
      sums.credit[at] = (sums.credit[at] as bigint) + line.credit;
    }
    return sums;
  };
}

/** Those with facet values. */
function linesOfSets(postings: readonly Posting[]): LinesOfSets {
  return (position) =>
    linesOf(postings)
      .filter((line) => line.facetSetId !== 0 && isWithin(position, line))
      .map(({ accountId, ...line }) => ({ ...line, account: accountId - 1 }));
}

export function translated(from: TranslatedFrom) {
  const made = translateCube(from);
  if (!made.ok) throw new Error(made.failure.code);
  return made.value;
}

export const rate = (kind: ExchangeRate['kind'], day: Day, text: string, accountId: number | null = null): ExchangeRate => ({
  currency: 'NOK',
  kind,
  day,
  accountId,
  rate: text,
});
/** The same average in every period of a year. */
export const averages = (year: number, text: string): ExchangeRate[] =>
  months.filter((day) => day.startsWith(String(year))).map((day) => rate('average', day, text));

/** Of the company with one asset: 1.20 at the end of the first year, 1.50 of the second; a dividend at 1.30. */
export const exampleRates: readonly ExchangeRate[] = [
  rate('closing', '2024-01-01', '1.00'),
  rate('closing', '2024-12-31', '1.20'),
  rate('historical', '2025-05-10', '1.30', retained),
  rate('closing', '2025-12-31', '1.50'),
  ...averages(2024, '1.10'),
  ...averages(2025, '1.40'),
];

/** The books of all lines and of those of some sets, as statements are run over them. */
export function partsOf(from: TranslatedFrom, postings: readonly Posting[]) {
  const whole = translated(from);
  const parts = translateParts(from, whole, buildPairCube(from.cube, facetBalancesOf(from, postings)));
  const of = (...sets: number[]) => {
    const selected: SelectedSets = { ids: new Set(sets), withoutAny: sets.includes(0) };
    return { cube: parts.cubeOf(selected), within: parts.within(selected, partialOf(postings), linesOfSets(postings)) };
  };
  return { whole: { cube: whole.cube, within: whole.within(partialOf(postings)) }, of };
}
