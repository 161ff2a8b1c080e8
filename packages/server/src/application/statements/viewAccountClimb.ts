import {
  AccountsOnLines,
  type CompiledLayout,
  captionOfTotal,
  climb,
  divideHalfAwayFromZero,
  fail,
  generatedOn,
  isIncomeOrExpense,
  type LayoutKind,
  layers,
  movementOver,
  naturalSide,
  type Outcome,
  type PlaceSide,
  presentedAccounts,
  type RunColumn,
  runBalances,
  runColumns,
  type Span,
  shownAmount,
  shownSign,
  succeed,
  vectorsNeeded,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { accountsById, balancesFor, inClassification, openBooks, partialsFor } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, ChartAccount, Ports } from '../ports/index.ts';
import { groundOf } from './groundOf.ts';
import { provideVectors } from './provideVectors.ts';

interface Rung {
  readonly key: string;
  readonly caption: string;
  /** As the statement shows it. */
  readonly amount: bigint;
  /** Of the account in it, in tenths of a percent; `null` where there is nothing to divide by. */
  readonly share: bigint | null;
}

/** Where one account climbs in one statement of one classification. */
interface StatementClimb {
  readonly classification: { readonly id: number; readonly name: string; readonly isMain: boolean };
  readonly kind: LayoutKind | 'cash_flow';
  readonly measure: 'closing' | 'movement';
  /** As the line shows it. */
  readonly amount: bigint;
  /** Which of its balances the line takes; `null` where no line takes this one, or where it is a part of the result. */
  readonly side: PlaceSide | null;
  /** From the line that takes it up to the totals; none where no line does. */
  readonly rungs: readonly Rung[];
}

export interface AccountClimbView {
  readonly account: ChartAccount;
  readonly label: string;
  readonly climbs: readonly StatementClimb[];
}

/** The rungs of an account up to the totals of each statement, in each classification, the main one first. */
export async function viewAccountClimb(ports: Ports, { companyId }: Access, accountId: number, span: Span): Promise<Outcome<AccountClimbView, Failure>> {
  if (span.firstDay > span.lastDay) return fail({ code: 'span_reversed', from: span.firstDay, to: span.lastDay });
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const account = accountsById(books).get(accountId);
  if (!account) return fail({ code: 'account_unknown', accountId });
  const partial = await partialsFor(ports, books, [span]);
  const balances = balancesFor(books, span.lastDay, partial);
  const movements = { net: movementOver(books.cube, layers, span, partial), notAllotted: 0n };
  const inOrder = [...books.classifications].sort((a, b) => Number(b.id === books.classificationId) - Number(a.id === books.classificationId));
  const cashFlow = await cashFlowClimbs(ports, books, account, span);
  if (!cashFlow.ok) return cashFlow;
  const climbs = inOrder.flatMap(({ id, name }): StatementClimb[] => {
    const classified = inClassification(books, id);
    if (!classified.ok) return [];
    const layouts = generatedOn(groundOf(classified.value));
    const classification = { id, name, isMain: id === books.company.mainClassification };
    const sheet = { classification, kind: 'balance_sheet', measure: 'closing' } as const;
    const onSheet = runBalances(classified.value, layouts.balance_sheet, balances);
    if (!isIncomeOrExpense(account.element)) return [{ ...sheet, ...climbOf(classified.value, layouts.balance_sheet, onSheet, account) }];
    const income = runBalances(classified.value, layouts.income_statement, movements);
    const net = balances.net[books.cube.indexOf.get(account.id) as number] as bigint;
    return [
      { classification, kind: 'income_statement', measure: 'movement', ...climbOf(classified.value, layouts.income_statement, income, account) },
      // What an income or expense account brought this year is a part of the result in equity.
      { ...sheet, side: null, ...rungsFrom(layouts.balance_sheet, onSheet, layouts.balance_sheet.indexOf.get('result') ?? -1, net) },
    ];
  });
  return succeed({ account, label: books.labels.get(account.id) ?? account.name, climbs: [...climbs, ...cashFlow.value] });
}

/** In the cash flow of the main classification, line by line: one takes what an account increased by, another what it decreased by. None of cash, and none where nothing moved. */
async function cashFlowClimbs(ports: Ports, books: Books, account: ChartAccount, span: Span): Promise<Outcome<StatementClimb[], Failure>> {
  const ground = groundOf(books);
  const { cash_flow: compiled } = generatedOn(ground);
  const plan = { ground, compiled, columns: [{ kind: 'amount' as const, measure: 'movement' as const, span }], facets: {}, presented: null };
  const vectors = await provideVectors(ports, books, vectorsNeeded([plan]));
  if (!vectors.ok) return vectors;
  const [run] = runColumns(plan, vectors.value);
  const id = books.company.mainClassification;
  const classification = { id, name: books.classifications.find((one) => one.id === id)?.name ?? '', isMain: true };
  const onLines = new AccountsOnLines(compiled, presentedAccounts(ground));
  const at = books.cube.indexOf.get(account.id) as number;
  return succeed(
    compiled.lines.flatMap((line, index): StatementClimb[] => {
      const net = run && line.kind === 'accounts' && !line.isMemo ? onLines.amountOn(index, at, run) : 0n;
      return run && net !== 0n ? [{ classification, kind: 'cash_flow', measure: 'movement', side: null, ...rungsFrom(compiled, run, index, net) }] : [];
    }),
  );
}

function climbOf(
  { cube, portions }: Books,
  compiled: CompiledLayout,
  run: RunColumn,
  { id, element }: ChartAccount,
): Pick<StatementClimb, 'amount' | 'side' | 'rungs'> {
  const at = cube.indexOf.get(id) as number;
  const net = run.net[at] as bigint;
  const taker = (net < 0n ? compiled.lineOfCredit : compiled.lineOfDebit)[at] as number;
  const own = portions.get(id);
  const side = own && own.debit === own.credit ? 'any' : net < 0n ? 'credit' : 'debit';
  if (taker < 0) return { side: null, amount: naturalSide(element) === 'credit' ? -net : net, rungs: [] };
  return { side, ...rungsFrom(compiled, run, taker, net) };
}

function rungsFrom(compiled: CompiledLayout, run: RunColumn, taker: number, net: bigint): Pick<StatementClimb, 'amount' | 'rungs'> {
  const line = compiled.lines[taker];
  if (!line) return { amount: net, rungs: [] };
  const sign = (index: number) => shownSign(compiled.lines[index] as typeof line);
  const own = sign(taker) * net;
  return {
    amount: own,
    rungs: climb(compiled, line.key).map((index): Rung => {
      const amount = sign(index) * shownAmount(compiled, run.amounts, index);
      const rung = compiled.lines[index];
      return { key: rung?.key ?? '', caption: captionOfTotal(rung), amount, share: amount === 0n ? null : divideHalfAwayFromZero(own * 1000n, amount) };
    }),
  };
}
