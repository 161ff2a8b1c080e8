import { type AccountFlows, addDays, type Day, type GrossVector, increasesOf, type Layer, periodIndexOf, type Span, toPresentation } from '@ivory-ladder/core';
import { accountsById } from '../books/index.ts';
import type { Books, FlowOfDay, Ports } from '../ports/index.ts';

type Read = Pick<Ports['ledger'], 'reversingLines' | 'exchangeOnCash' | 'withinEquity'>;

interface FlowsOfDays {
  readonly reversing: readonly FlowOfDay[];
  readonly exchange: readonly FlowOfDay[];
  readonly within: Awaited<ReturnType<Read['withinEquity']>>;
}

/** For each of the spans what moved by direction, within equity and by exchange rates; days that follow one another are read together. `gross`: of the same span and layers. */
export function flowsReader(
  { ledger }: { readonly ledger: Read },
  books: Books,
  spans: readonly Span[],
): (span: Span, chosen: readonly Layer[], gross: GrossVector) => Promise<AccountFlows> {
  const read = runsOfDays(spans).map((days) => ({ days, flows: null as Promise<FlowsOfDays> | null }));
  const readDays = async (days: Span): Promise<FlowsOfDays> => {
    const [reversing, exchange, within] = await Promise.all([
      ledger.reversingLines(books, days),
      ledger.exchangeOnCash(books, days),
      ledger.withinEquity(books, days),
    ]);
    return { reversing, exchange, within };
  };
  let over: ReturnType<typeof flowsOver> | null = null;
  return async (span, chosen, gross) => {
    const run = read.find(({ days }) => days.firstDay <= span.firstDay && span.lastDay <= days.lastDay);
    if (!run) throw new Error('flows are asked for of a span that was not told');
    run.flows ??= readDays(run.days);
    over ??= flowsOver(books);
    return over(await run.flows, span, chosen, gross);
  };
}

/** Spans that touch or overlap as one. */
export function runsOfDays(spans: readonly Span[]): Span[] {
  const runs: { firstDay: Day; lastDay: Day }[] = [];
  for (const { firstDay, lastDay } of spans.toSorted((a, b) => (a.firstDay < b.firstDay ? -1 : Number(a.firstDay > b.firstDay)))) {
    const last = runs.at(-1);
    if (!last || firstDay > addDays(last.lastDay, 1)) runs.push({ firstDay, lastDay });
    else if (lastDay > last.lastDay) last.lastDay = lastDay;
  }
  return runs;
}

/** Flows added up by account in the currency of the books, and on which side an account rises. */
export function summingFlows(books: Books) {
  const byId = accountsById(books);
  const { length } = books.cube.accountIds;
  const none = new BigInt64Array(length);
  const presented = presenting(books);
  const sum = (flows: readonly FlowOfDay[], amountOf: (flow: FlowOfDay) => bigint): BigInt64Array => {
    if (flows.length === 0) return none;
    const sums = new BigInt64Array(length);
    for (const flow of flows) sums[flow.account] = (sums[flow.account] as bigint) + amountOf(presented(flow));
    return sums;
  };
  const accounts = books.cube.accountIds.map((id) => byId.get(id));
  const isCreditNormal = Uint8Array.from(accounts, (account) => Number(account?.normalSide === 'credit'));
  const isRaisedByCredit = Uint8Array.from(accounts, (account, at) => Number(account?.element === 'equity' || isCreditNormal[at] === 1));
  return { none, sum, isCreditNormal, isRaisedByCredit };
}

const debitOf = ({ debit }: FlowOfDay): bigint => debit;
const creditOf = ({ credit }: FlowOfDay): bigint => credit;
const bothOf = ({ debit, credit }: FlowOfDay): bigint => debit + credit;

/** Sums of flows of which some are reversing: net and by direction. */
export function directed(
  flows: readonly (FlowOfDay & { readonly isReversing: boolean })[],
  { sum, isCreditNormal, isRaisedByCredit }: ReturnType<typeof summingFlows>,
) {
  const [gross, reversed] = [
    { debit: sum(flows, debitOf), credit: sum(flows, creditOf) },
    sum(
      flows.filter(({ isReversing }) => isReversing),
      bothOf,
    ),
  ];
  const net = gross.debit.map((amount, at) => amount - (gross.credit[at] as bigint));
  return { net, increases: increasesOf(gross, reversed, isCreditNormal), raised: increasesOf(gross, reversed, isRaisedByCredit) };
}

function flowsOver(books: Books): (read: FlowsOfDays, span: Span, chosen: readonly Layer[], gross: GrossVector) => AccountFlows {
  const sums = summingFlows(books);
  const { none, sum, isCreditNormal, isRaisedByCredit } = sums;
  const moveWithin = (within: FlowsOfDays['within']): AccountFlows['transfers'] => {
    if (within.length === 0) return { raised: none, lowered: none };
    const { net, raised } = directed(within, sums);
    return { raised, lowered: raised.map((amount, at) => (net[at] as bigint) - amount) };
  };
  return (read, { firstDay, lastDay }, chosen, gross) => {
    const isWithin = ({ day, layer }: FlowOfDay): boolean => firstDay <= day && day <= lastDay && chosen.includes(layer);
    const reversed = sum(read.reversing.filter(isWithin), bothOf);
    return {
      increases: increasesOf(gross, reversed, isCreditNormal),
      raised: increasesOf(gross, reversed, isRaisedByCredit),
      exchange: sum(read.exchange.filter(isWithin), ({ debit, credit }) => debit - credit),
      transfers: moveWithin(read.within.filter(isWithin)),
    };
  };
}

/** A flow in the currency of the books: on equity at the rate of its day, else at the average of its period. */
function presenting({ translation, calendar }: Books): (flow: FlowOfDay) => FlowOfDay {
  if (!translation) return (flow) => flow;
  const { cube, elements, from, rates } = translation.given;
  return (flow) => {
    const rate =
      elements[flow.account] === 'equity'
        ? rates.ofEquity(cube.accountIds[flow.account] as number, flow.day)
        : rates.averageOf(periodIndexOf(calendar, flow.day));
    // A rate that is missing keeps a statement from being run.
    const presented = (amount: bigint): bigint => (rate === null ? 0n : toPresentation(amount, from, rates.to, rate));
    return { ...flow, debit: presented(flow.debit), credit: presented(flow.credit) };
  };
}
