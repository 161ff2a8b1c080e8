import {
  type AmountColumn,
  accountLabel,
  addDays,
  balanceAt,
  type CalculationLine,
  type CalculationResult,
  type CompiledLayout,
  type Currency,
  climb,
  contributionsOf,
  type FacetFilter,
  fail,
  isIncomeOrExpense,
  type Layer,
  layers,
  neededBy,
  type Outcome,
  type RunColumn,
  renderFormula,
  resultOf,
  runIndexOf,
  type Side,
  type Span,
  shownAmount,
  shownSign,
  shownValue,
  succeed,
  translationAccountId,
  unitOf,
  yearOf,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import { accountsById } from './accountsById.ts';
import { commonFilter } from './commonFilter.ts';
import { differenceOver } from './differenceOver.ts';
import type { Failure } from './failure.ts';
import { partialsFor } from './partialLines.ts';
import type { Ports } from './ports/index.ts';
import { type ColumnChoice, captionOfTotal, type PreparedStatement, prepareStatement, type StatementName } from './prepareStatement.ts';
import { sideAgainstIn } from './sideAgainstIn.ts';
import { toldAccount } from './toldAccount.ts';

export interface EvidenceChoice extends ColumnChoice {
  readonly column: number;
  readonly line: string;
  readonly account?: number | undefined;
}

export interface Evidence {
  readonly caption: string;
  readonly measure: 'opening' | 'closing' | 'movement';
  /** Lines with these values alone are in it. */
  readonly facets: FacetFilter;
  /** Lines of this layer alone are in it; `null`: of both. */
  readonly layer: Layer | null;
  readonly span: Span;
  /** Name of the budget that the figure is of. */
  readonly budget: string | null;
  readonly budgetId: number | null;
  /** As shown in the cell, in its unit; `null` where it has no value. */
  readonly amount: bigint | null;
  readonly unit: CalculationResult;
  readonly climb: readonly { key: string; caption: string; amount: bigint }[];
  readonly accounts: readonly { accountId: number; number: string; name: string; net: bigint; sideAgainst: Side | null }[];
  readonly carried: readonly { caption: string; net: bigint }[];
  /** Of a calculation: read out with captions, and what it names. */
  readonly formula: {
    readonly text: string;
    readonly operands: readonly { key: string; caption: string; unit: CalculationResult; amount: bigint | null }[];
  } | null;
  readonly entryCount: number;
  /** Of its amounts. */
  readonly currency: Currency;
  /** Where one account is opened: that whose entries are behind it; `null` where there are none. */
  readonly ledgerAccountId: number | null;
}

/** What one cell is made of: the climb above it, the accounts in it, and for one account the entries behind it. */
export async function findEvidence(ports: Ports, { companyId }: Access, name: StatementName, choice: EvidenceChoice): Promise<Outcome<Evidence, Failure>> {
  const prepared = await prepareStatement(ports, companyId, name, choice);
  if (!prepared.ok) return prepared;
  const { compiled, columns, runs, books, selected } = prepared.value;
  const at = runIndexOf(columns, choice.column);
  const run = runs[at];
  const column = columns[choice.column];
  const lineAt = compiled.indexOf.get(choice.line);
  if (!run || column?.kind !== 'amount' || lineAt === undefined) return fail({ code: 'line_unknown', line: choice.line });
  const facets = commonFilter(books.lists, choice.facets ?? {}, column.facets ?? {});
  const layer: Layer | null = column.withoutAdjustments ? 'ledger' : null;
  const line = compiled.lines[lineAt] as (typeof compiled.lines)[number];
  const sign = shownSign(line);
  const shown = (index: number): bigint => shownSign(compiled.lines[index] as typeof line) * shownAmount(compiled, run.amounts, index);
  const rungs = climb(compiled, choice.line)
    .map((index) => ({ key: compiled.lines[index]?.key ?? '', caption: captionOfTotal(compiled.lines[index]), amount: shown(index) }))
    .reverse();
  const parts = contributionsOf(compiled, run, choice.line);
  const byId = accountsById(books);
  const accounts = parts.accounts
    .map(({ account, net }) => ({ account: byId.get(books.cube.accountIds[account] as number), net }))
    .flatMap(({ account, net }) =>
      account ? [{ accountId: account.id, ...toldAccount(books, account), net, sideAgainst: sideAgainstIn(books, account) }] : [],
    )
    .sort((a, b) => size(b.net) - size(a.net));
  const ofColumn = {
    measure: column.measure,
    facets,
    layer,
    span: column.span,
    budget: column.budget ?? null,
    budgetId: column.budgetId ?? null,
    currency: books.company.currency,
    ledgerAccountId: null,
  };
  if (line.kind === 'calculation') {
    const told = { caption: line.caption, amount: shownValue(compiled, run, lineAt), unit: line.result, formula: formulaOf(compiled, run, line.formula) };
    return succeed({ ...ofColumn, ...told, climb: [], accounts: [], carried: [], entryCount: 0 });
  }
  const base = { ...ofColumn, unit: 'amount' as const, formula: null, climb: rungs };
  if (choice.account === undefined) {
    const ofLines = [...parts.results, ...parts.calculations].map(({ key, net }) => ({
      caption: compiled.lines[compiled.indexOf.get(key) ?? -1]?.caption ?? key,
      net,
    }));
    const carried = [...ofLines, ...parts.transfers.map(({ text, net }) => ({ caption: text, net }))];
    // Of a profit line and a loss line one is nil, whatever the accounts have.
    const isResult = line.kind === 'result' && line.of === 'year_to_date' && (line.only === undefined || run.amounts[lineAt] !== 0n);
    return succeed({
      ...base,
      caption: captionOfTotal(line),
      amount: shownValue(compiled, run, lineAt),
      accounts: isResult ? incomeAccounts(prepared.value, run.net) : accounts,
      carried: isResult ? [] : carried,
      entryCount: 0,
    });
  }
  const account = byId.get(choice.account);
  if (!account) return fail({ code: 'account_unknown', accountId: choice.account });
  const below = line.kind === 'accounts' && line.byTree !== undefined ? accounts.filter(({ accountId }) => isBelow(byId, accountId, account.id)) : [];
  if (below.length > 0) {
    // A sum of sub-accounts: it opens to them.
    const within = accounts.filter(({ accountId }) => accountId === account.id || below.some((one) => one.accountId === accountId));
    const amount = sign * within.reduce((sum, { net }) => sum + net, 0n);
    const caption = accountLabel(toldAccount(books, account));
    return succeed({
      ...base,
      caption,
      amount,
      climb: [...rungs, { key: `${choice.line}/${account.id}`, caption, amount }],
      accounts: within,
      carried: [],
      entryCount: 0,
    });
  }
  const own = accounts.find(({ accountId }) => accountId === account.id)?.net ?? 0n;
  const told = toldAccount(books, account);
  const caption = accountLabel(told);
  const year = yearOf(books.calendar, column.span.lastDay);
  const to = column.measure === 'opening' ? addDays(column.span.firstDay, -1) : column.span.lastDay;
  const from = column.measure === 'movement' ? column.span.firstDay : isIncomeOrExpense(account.element) && year ? year.firstDay : null;
  const ledgerAccountId = books.standIns?.standFor.get(account.id) ?? account.id;
  const asked = { accountId: ledgerAccountId, from, to, sort: 'date', selected: selected[at] ?? null, layer, after: null, limit: 1 } as const;
  const entryCount = column.budget === undefined ? (await ports.ledger.accountLines(companyId, asked)).total : 0;
  const carried = await carriedTo(ports, prepared.value, { accountId: ledgerAccountId, net: own }, column);
  return succeed({
    ...base,
    caption,
    amount: sign * own,
    climb: [...rungs, { key: `${choice.line}/${account.id}`, caption, amount: sign * own }],
    accounts: [{ accountId: account.id, ...told, net: own, sideAgainst: null }],
    carried,
    entryCount,
    ledgerAccountId: account.id === translationAccountId ? null : ledgerAccountId,
  });
}

/** What a formula says, in captions, and the figures of the lines that it names. */
function formulaOf(compiled: CompiledLayout, run: RunColumn, formula: CalculationLine['formula']): Evidence['formula'] {
  if (!('kind' in formula)) return null;
  const captionOf = (key: string): string => captionOfTotal(compiled.lines[compiled.indexOf.get(key) ?? -1]) || key;
  const operands = [...new Set(neededBy(formula, compiled))].map((key) => {
    const index = compiled.indexOf.get(key);
    const operand = compiled.lines[index ?? -1];
    return { key, caption: captionOf(key), unit: operand ? unitOf(operand) : 'amount', amount: index === undefined ? null : shownValue(compiled, run, index) };
  });
  return { text: renderFormula(formula, captionOf), operands };
}

const size = (net: bigint): number => Math.abs(Number(net));

/** What an account bears beside its own entries. */
async function carriedTo(
  ports: Ports,
  prepared: PreparedStatement,
  { accountId, net }: { readonly accountId: number; readonly net: bigint },
  { measure, span }: Pick<AmountColumn, 'measure' | 'span'>,
): Promise<Evidence['carried']> {
  if (accountId === translationAccountId) return differenceIn(ports, prepared, net, measure, span);
  return measure === 'closing' && accountId === prepared.books.retainedEarningsId ? carriedInto(ports, prepared, span) : [];
}

/** What the difference of translation is: of a balance what there was when its fiscal year began, and what the rates did since. */
async function differenceIn(
  ports: Ports,
  { books }: PreparedStatement,
  net: bigint,
  measure: AmountColumn['measure'],
  span: Span,
): Promise<Evidence['carried']> {
  const firstDay = measure === 'movement' ? span.firstDay : (yearOf(books.calendar, span.lastDay)?.firstDay ?? span.firstDay);
  const found = measure === 'opening' ? null : await differenceOver(ports, books, { firstDay, lastDay: span.lastDay });
  if (!found) return [];
  const { ofNetAssets, ofProfit, ofEquity, total } = found.explained;
  const earlier = measure === 'closing' ? -net - found.moved : 0n;
  const told = [
    { caption: 'At the beginning of the fiscal year', net: -earlier },
    { caption: 'Net assets at the beginning × change of the closing rate', net: -ofNetAssets },
    { caption: 'Profit × (closing rate − its average rates)', net: -ofProfit },
    { caption: 'Entries on equity × (closing rate − their rates)', net: -ofEquity },
    { caption: 'Rounding', net: total - found.moved },
  ];
  return told.filter(({ net }) => net !== 0n);
}

/** Profit of completed years, which no entry put on retained earnings: what is there beyond the account's own lines. */
async function carriedInto(ports: Ports, { books }: PreparedStatement, span: Span): Promise<{ caption: string; net: bigint }[]> {
  const partial = await partialsFor(ports, books, [span]);
  const without = balanceAt(books.cube, { ...books.traits, retainedEarnings: -1 }, layers, span.lastDay, partial);
  return without.notAllotted === 0n ? [] : [{ caption: 'Profit of completed years, carried over', net: without.notAllotted }];
}

function incomeAccounts({ books }: PreparedStatement, net: BigInt64Array): Evidence['accounts'] {
  if (resultOf(net, books.traits.resets) === 0n) return [];
  return books.accounts
    .flatMap((account) => {
      const amount = net[books.cube.indexOf.get(account.id) as number] as bigint;
      return isIncomeOrExpense(account.element) && amount !== 0n
        ? [{ accountId: account.id, ...toldAccount(books, account), net: amount, sideAgainst: sideAgainstIn(books, account) }]
        : [];
    })
    .sort((a, b) => size(b.net) - size(a.net));
}

function isBelow(byId: ReadonlyMap<number, { readonly parentId: number | null }>, id: number, aboveId: number): boolean {
  for (let at = byId.get(id)?.parentId ?? null; at !== null; at = byId.get(at)?.parentId ?? null) if (at === aboveId) return true;
  return false;
}
