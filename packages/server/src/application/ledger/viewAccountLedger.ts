import {
  balanceAt,
  type Day,
  type FacetFilter,
  fail,
  filterText,
  layers,
  numberKey,
  type Outcome,
  rangeTest,
  readRangeText,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooksOf, partialsFor } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { AccountLedger, Books, ChartAccount, LedgerLine, LedgerOfAccount, Ports } from '../ports/index.ts';
import { balancesAfter } from './viewLines.ts';

export interface AccountLedgerChoice {
  readonly from: Day;
  readonly to: Day;
  readonly facets: FacetFilter;
  readonly account?: number | undefined;
  /** Account numbers, as `4000 to 4999`; empty for all. */
  readonly accounts: string;
}

/** Accounts one after another in chart order, each with its lines and the balance after each: those with lines in the span or a balance at its end. */
export async function viewAccountLedger(
  ports: Ports,
  { companyId }: Access,
  choice: AccountLedgerChoice,
  mostLines: number,
): Promise<Outcome<AccountLedger, Failure>> {
  const { from, to } = choice;
  if (from > to) return fail({ code: 'span_reversed', from, to });
  const opened = await openBooksOf(ports, companyId, choice.facets);
  if (!opened.ok) return opened;
  const books = opened.value;
  const wanted = wantedAccounts(books, choice);
  if (!wanted.ok) return wanted;
  const partial = await partialsFor(ports, books, [{ firstDay: from, lastDay: to }]);
  const [opening, closing] = [
    balanceAt(books.cube, books.traits, layers, from, partial, { atBeginning: true }).net,
    balanceAt(books.cube, books.traits, layers, to, partial).net,
  ];
  const accounts: LedgerOfAccount[] = [];
  let left = mostLines;
  for (const [at, account] of wanted.value.entries()) {
    const index = books.cube.indexOf.get(account.id) as number;
    const page = await ports.ledger.accountLines(companyId, {
      accountId: account.id,
      from,
      to,
      openedOn: books.cube.openings.has(from) ? from : null,
      sort: 'date',
      selected: books.selected,
      layer: null,
      after: null,
      limit: left + 1,
    });
    if (page.lines.length > left)
      return succeed({ books, from, to, accounts, part: filterText(choice.facets, books.lists), leftOut: wanted.value.length - at });
    left -= page.lines.length;
    const [before, after] = [opening[index] as bigint, closing[index] as bigint];
    if (page.lines.length === 0 && before === 0n && after === 0n && choice.account === undefined) continue;
    const balances = await balancesAfter(ports, books, { accountId: account.id, layer: null }, page.lines, 0n);
    const counterparts = await ports.ledger.counterparts(
      companyId,
      account.id,
      page.lines.map(({ entryId }) => entryId),
    );
    const lines = page.lines
      .map((line, position): LedgerLine => {
        const { debits = [], credits = [] } = counterparts.get(line.entryId) ?? {};
        return { ...line, balance: balances[position] as bigint, counterparts: line.debit > 0n ? credits : debits };
      })
      .reverse();
    accounts.push({ account, opening: before, closing: after, lines, periods: periodsOf(books, lines) });
  }
  return succeed({ books, from, to, accounts, part: filterText(choice.facets, books.lists), leftOut: 0 });
}

function wantedAccounts({ tree, company }: Books, { account, accounts }: AccountLedgerChoice): Outcome<ChartAccount[], Failure> {
  const all = tree.order as readonly ChartAccount[];
  if (account !== undefined) {
    const found = all.filter(({ id }) => id === account);
    return found.length > 0 ? succeed(found) : fail({ code: 'account_unknown', accountId: account });
  }
  if (accounts.trim() === '') return succeed([...all]);
  const read = readRangeText(accounts, company.digitOrder);
  if (!read.ok) return fail({ code: 'facet_range_malformed', field: 'accounts', at: read.failure.at, reason: read.failure.reason });
  const holds = rangeTest(read.value, company.digitOrder);
  return succeed(all.filter(({ number }) => holds(numberKey(number, company.digitOrder))));
}

function periodsOf({ calendar }: Books, lines: readonly LedgerLine[]): LedgerOfAccount['periods'] {
  const found: { year: number; number: number; lastDay: Day; debit: bigint; credit: bigint; closing: bigint }[] = [];
  for (const { date, debit, credit, closesYear, balance } of lines) {
    if (closesYear !== null) continue;
    const last = found.at(-1);
    if (last && date <= last.lastDay) {
      last.debit += debit;
      last.credit += credit;
      last.closing = balance;
      continue;
    }
    const period = calendar.periods.find(({ isAdjusting, firstDay, lastDay }) => !isAdjusting && firstDay <= date && date <= lastDay);
    if (period) found.push({ year: period.year, number: period.number, lastDay: period.lastDay, debit, credit, closing: balance });
  }
  return found;
}
