import {
  comparisonSpan,
  coverageOf,
  findAgainstNormalSide,
  findPostingsOnParents,
  isInScope,
  type Outcome,
  type Proof,
  type ProofAccount,
  proveAllotted,
  proveBalanceSheet,
  proveBalances,
  proveCoverage,
  proveProfit,
  proveTrialBalance,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { hasOtherPlace } from './hasOtherPlace.ts';
import { openClassified } from './inClassification.ts';
import type { Books, Ports } from './ports/index.ts';
import { accountsInOrder, balancesFor, comparisonOf, layoutsOf, partialsFor, runBalances, type SpanChoice } from './prepareStatement.ts';

export interface Proofs {
  readonly books: Books;
  readonly proofs: readonly Proof[];
}

/** Every proof of the balance sheet and income statement, for the chosen day and its comparative. */
export async function proveStatements(ports: Ports, { companyId }: Access, choice: SpanChoice): Promise<Outcome<Proofs, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openClassified(ports, companyId, choice.classification);
  if (!opened.ok) return opened;
  const books = opened.value;
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const comparative = comparisonSpan(comparison.value, 'balance_sheet', span, books.calendar);
  const spans = comparative ? [span, comparative] : [span];
  const partial = await partialsFor(ports, books, spans);
  const layouts = layoutsOf(books);
  const columns = spans.map(({ lastDay }) => {
    const balances = balancesFor(books, lastDay, partial);
    const sheet = runBalances(layouts.balance_sheet, books, balances);
    const income = runBalances(layouts.income_statement, books, balances);
    const profit = income.amounts[layouts.income_statement.indexOf.get('profit') as number] as bigint;
    const result = sheet.amounts[layouts.balance_sheet.indexOf.get('result') as number] as bigint;
    return { day: lastDay, ...balances, amounts: sheet.amounts, profit, result };
  });
  const accounts = accountsInOrder(books);
  const current = columns[0] as (typeof columns)[number];
  const coverage = (['balance_sheet', 'income_statement'] as const).map((kind) =>
    coverageOf(
      kind,
      accounts.map(({ account, index, isParent }) => ({ account: index, element: account.element, isParent })),
      layouts[kind].lineOfDebit,
      layouts[kind].lineOfCredit,
      current.net,
    ),
  );
  const atFault = (kind: 'balance_sheet' | 'income_statement'): ProofAccount[] =>
    coverage
      .flatMap(({ faults }) => faults)
      .filter(({ account, net }) => net !== 0n && isInScope(kind, accounts.find(({ index }) => index === account)?.account.element ?? 'asset'))
      .map(({ account, state, net }) => ({ account, reason: state, net }));
  const differences = await ports.ledger.differencesFromLines(books);
  return succeed({
    books,
    proofs: [
      proveTrialBalance(columns),
      proveBalanceSheet(layouts.balance_sheet, columns, atFault('balance_sheet')),
      proveProfit(columns, atFault('income_statement')),
      proveCoverage(current.day, coverage),
      findPostingsOnParents(accounts, current.net),
      findAgainstNormalSide(accounts, current.net, (id) => hasOtherPlace(books, id)),
      proveAllotted(columns),
      ...(differences ? [proveBalances([...differences].map(([accountId, net]) => ({ account: books.cube.indexOf.get(accountId) as number, net })))] : []),
    ],
  });
}
