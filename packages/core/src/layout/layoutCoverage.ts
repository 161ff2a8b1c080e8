import type { CodeList, ListKey } from '../chart/codeList.ts';
import type { Element, Side } from '../chart/element.ts';
import { valuesBelow } from '../facet/facetFilter.ts';
import type { CoverageAccount } from '../placement/coverage.ts';
import { type CompiledLayout, isMemoLine, type Take } from './compileLayout.ts';
import { directionsOf } from './line.ts';

/** An account that does not stand exactly once in a layout. */
export interface LayoutFault {
  /** Dense number. */
  readonly account: number;
  readonly state: 'unplaced' | 'half_placed' | 'doubled';
  /** The only one that no line takes; `null` where it is both, neither, or some facet values of them. */
  readonly missingSide: Side | null;
  /** The balance that is missed or counted again, debit positive; nil where it is another side's. */
  readonly net: bigint;
  /** Keys of the lines that take a part of it. */
  readonly lines: readonly string[];
}

export interface LayoutCoverage {
  /** `null`: the layout names no elements, so that nothing is claimed. */
  readonly inScope: number | null;
  readonly faults: readonly LayoutFault[];
  readonly leftOut: readonly LayoutFault[];
  /** Accounts that only a remainder line takes. */
  readonly byRemainder: readonly { readonly account: number; readonly net: bigint; readonly line: string }[];
  readonly atStake: bigint;
  readonly netEffect: bigint;
}

/** Combinations of facet values that are looked at one by one; an account in more is not said to be whole. */
const mostCombinations = 20_000;

/**
 * Whether every account of the elements in scope stands in the layout exactly once, side by side and facet value by facet
 * value: posting accounts, and parents that bear an amount of their own. Memo lines do not count. `readings`: what lines take instead of
 * `net`, where it is known; then of lines that take some facet values only what is doubled or missing is at stake, and an account without any of it is at no fault. Cost: accounts + portions taken.
 */
export function layoutCoverage(
  compiled: CompiledLayout,
  scope: readonly Element[],
  accounts: readonly CoverageAccount[],
  net: BigInt64Array,
  facets: readonly CodeList[],
  readings: readonly BigInt64Array[] = [],
): LayoutCoverage {
  const takesOf = new Map<number, Take[]>();
  for (const take of compiled.takes) {
    if (take.isTransfer || isMemoLine(compiled.lines[take.line])) continue;
    const there = takesOf.get(take.account);
    if (there) there.push(take);
    else takesOf.set(take.account, [take]);
  }
  const count = counter(compiled, facets);
  const { cash } = compiled.layout;
  const cashSides = new Map(Array.from(cash?.accounts ?? [], (account, place) => [account, cash?.sides[place] ?? 0]));
  let inScope = 0;
  let [atStake, netEffect] = [0n, 0n];
  const [faults, leftOut]: [LayoutFault[], LayoutFault[]] = [[], []];
  const byRemainder: { account: number; net: bigint; line: string }[] = [];
  for (const { account, element, isParent, isLeftOut = false } of accounts) {
    const amount = net[account] as bigint;
    if (!scope.includes(element) || (isParent && amount === 0n)) continue;
    const asCash = cashSides.get(account) ?? 0;
    if (!isLeftOut && asCash !== 3) inScope++;
    const [debit, credit] = [compiled.lineOfDebit[account] as number, compiled.lineOfCredit[account] as number];
    const takes = takesOf.get(account);
    const first = compiled.lines[debit];
    if (debit === credit && first?.kind === 'accounts' && first.isRemainder && !takes) byRemainder.push({ account, net: amount, line: first.key });
    if (debit >= 0 && credit >= 0 && !takes && asCash === 0) continue;
    const [ofDebit, ofCredit] = [count(debit, takes ?? [], 1, asCash), count(credit, takes ?? [], 2, asCash)];
    const [most, least] = [Math.max(ofDebit.most, ofCredit.most), Math.min(ofDebit.least, ofCredit.least)];
    if (most === 1 && least === 1) continue;
    const state = most > 1 ? 'doubled' : most === 0 ? 'unplaced' : 'half_placed';
    const now = amount < 0n ? ofCredit : ofDebit;
    const isAtFault = state === 'doubled' ? now.most > 1 : now.least === 0;
    const lines = [...new Set([debit, credit, ...(takes ?? []).map((take) => take.line)])].flatMap((at) => compiled.lines[at]?.key ?? []);
    const isByParts = takes !== undefined && ofDebit.most === ofCredit.most && ofDebit.least === ofCredit.least;
    const stake = isByParts ? stakeOf(compiled, takes, readings, { account, amount, line: amount < 0n ? credit : debit, state }) : null;
    // No line of the account is of the values that are doubled or missing.
    if (stake === 0n) continue;
    const missingSide = state === 'half_placed' ? sideMissing(ofDebit, ofCredit) : null;
    const fault: LayoutFault = { account, state, missingSide, net: stake ?? (isAtFault ? amount : 0n), lines };
    if (isLeftOut && state !== 'doubled') {
      leftOut.push(fault);
      continue;
    }
    faults.push(fault);
    atStake += fault.net < 0n ? -fault.net : fault.net;
    netEffect += state === 'doubled' ? -fault.net : fault.net;
  }
  return { inScope: scope.length === 0 ? null : inScope, faults, leftOut, byRemainder, atStake, netEffect };
}

function sideMissing(debit: { readonly most: number; readonly least: number }, credit: { readonly most: number; readonly least: number }): Side | null {
  if (debit.most === 0 && credit.least === 1) return 'debit';
  return credit.most === 0 && debit.least === 1 ? 'credit' : null;
}

/** What of an account is taken twice, or by no line, where lines take some facet values of it; `null` where that is not known. */
function stakeOf(
  compiled: CompiledLayout,
  takes: readonly Take[],
  readings: readonly BigInt64Array[],
  { account, amount, line, state }: { readonly account: number; readonly amount: bigint; readonly line: number; readonly state: LayoutFault['state'] },
): bigint | null {
  const factors = new Map<number, bigint>();
  for (const { reading, factor } of takes) factors.set(reading, (factors.get(reading) ?? 0n) + factor);
  let taken = line >= 0 ? amount : 0n;
  for (const [reading, factor] of factors) {
    const { facets = {}, direction, measure } = compiled.readings[reading] ?? {};
    const part = readings[reading]?.[account];
    if (part === undefined || direction !== undefined || measure !== 'column' || Object.keys(facets).length === 0) return null;
    taken += factor * part;
  }
  return state === 'doubled' ? taken - amount : amount - taken;
}

/** How often a side of an account is taken, over all facet values and directions that lines tell apart. */
function counter({ layout, readings }: CompiledLayout, facets: readonly CodeList[]) {
  const wanted = readings.map((reading): { readonly key: ListKey | 'direction'; readonly values: ReadonlySet<string> }[] => [
    ...(Object.entries(reading.facets) as [ListKey, readonly string[]][]).map(([key, values]) => {
      const list = facets.find((one) => one.key === key);
      return { key, values: new Set(values.flatMap((value) => (value === '' || !list ? [value] : valuesBelow(list, value)))) };
    }),
    ...(reading.direction ? [{ key: 'direction' as const, values: new Set<string>([reading.direction]) }] : []),
  ]);
  return (line: number, takes: readonly Take[], side: 1 | 2, asCash: number): { readonly least: number; readonly most: number } => {
    const own = takes.filter(({ sides }) => (sides & side) !== 0);
    const isWhole = ({ reading }: Take): boolean => reading < 0 || (wanted[reading]?.length ?? 0) === 0;
    const whole = (line >= 0 ? 1 : 0) + ((asCash & side) !== 0 ? 1 : 0) + own.reduce((sum, take) => sum + (isWhole(take) ? Number(take.factor) : 0), 0);
    const parts = own.filter((take) => !isWhole(take));
    if (parts.length === 0) return { least: whole, most: whole };
    const keys = [...new Set(parts.flatMap(({ reading }) => wanted[reading]?.map(({ key }) => key) ?? []))];
    const values = keys.map((key) =>
      key === 'direction' ? [...directionsOf(layout.kind)] : ['', ...(facets.find((list) => list.key === key)?.codes.map(({ code }) => code) ?? [])],
    );
    if (values.reduce((product, { length }) => product * length, 1) > mostCombinations) return { least: 0, most: 1 };
    let [least, most] = [Number.MAX_SAFE_INTEGER, 0];
    const visit = (at: number, chosen: ReadonlyMap<string, string>): void => {
      const key = keys[at];
      if (key === undefined) {
        const taken = parts.reduce(
          (sum, { reading, factor }) => sum + (wanted[reading]?.every((one) => one.values.has(chosen.get(one.key) ?? '')) ? Number(factor) : 0),
          whole,
        );
        [least, most] = [Math.min(least, taken), Math.max(most, taken)];
        return;
      }
      for (const value of values[at] as string[]) visit(at + 1, new Map([...chosen, [key, value]]));
    };
    visit(0, new Map());
    return { least, most };
  };
}
