import { type AccountFlows, type GrossVector, increasesOf, type Layer, periodIndexOf, type Span, toPresentation } from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import type { Books, FlowOfDay, Ports } from './ports/index.ts';

/** What moved by direction, within equity and by exchange rates. `gross`: of the same span and layers. */
export async function flowsOver(
  { ledger }: Pick<Ports, 'ledger'>,
  books: Books,
  span: Span,
  chosen: readonly Layer[],
  gross: GrossVector,
): Promise<AccountFlows> {
  const [reversing, exchange, within] = await Promise.all([
    ledger.reversingLines(books, span),
    ledger.exchangeOnCash(books, span),
    ledger.withinEquity(books, span),
  ]);
  const byId = accountsById(books);
  const length = books.cube.accountIds.length;
  const presented = presenting(books);
  const sum = (flows: readonly FlowOfDay[], amountOf: (flow: FlowOfDay) => bigint): BigInt64Array => {
    const sums = new BigInt64Array(length);
    for (const flow of flows) if (chosen.includes(flow.layer)) sums[flow.account] = (sums[flow.account] as bigint) + amountOf(presented(flow));
    return sums;
  };
  const debitOf = ({ debit }: FlowOfDay): bigint => debit;
  const creditOf = ({ credit }: FlowOfDay): bigint => credit;
  const bothOf = ({ debit, credit }: FlowOfDay): bigint => debit + credit;
  const accounts = books.cube.accountIds.map((id) => byId.get(id));
  const isCreditNormal = accounts.map((account) => account?.normalSide === 'credit');
  const isRaisedByCredit = accounts.map((account) => (account?.element === 'equity' ? true : account?.normalSide === 'credit'));
  const reversed = sum(reversing, bothOf);
  const transfers = { debit: sum(within, debitOf), credit: sum(within, creditOf) };
  const transfersReversed = sum(
    within.filter(({ isReversing }) => isReversing),
    bothOf,
  );
  const raised = increasesOf(transfers, transfersReversed, (account) => isRaisedByCredit[account] === true);
  const lowered = raised.map((amount, at) => (transfers.debit[at] as bigint) - (transfers.credit[at] as bigint) - amount);
  return {
    increases: increasesOf(gross, reversed, (account) => isCreditNormal[account] === true),
    raised: increasesOf(gross, reversed, (account) => isRaisedByCredit[account] === true),
    exchange: sum(exchange, ({ debit, credit }) => debit - credit),
    transfers: { raised, lowered },
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
