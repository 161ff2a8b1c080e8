import type { EvidenceBody, ProofList, StatementBody } from '@ivory-ladder/contract';
import { type Proof, type ProofAccount, rowInText, type StatementColumn, toldAccount } from '@ivory-ladder/core';
import { accountsById } from '../application/accountsById.ts';
import type { Evidence } from '../application/findEvidence.ts';
import type { Books } from '../application/ports/index.ts';
import type { Statement } from '../application/runStatement.ts';
import { text, textOrNull } from './amountText.ts';

export function toStatement({
  ground,
  layoutId,
  compiled,
  columns,
  rows,
  rungs,
  transfers,
  scale,
  currency,
  planned,
  presentation,
  notes,
  isDraft,
}: Statement): StatementBody {
  return {
    kind: compiled.layout.kind,
    layoutId,
    title: compiled.layout.title,
    language: compiled.layout.language,
    currency: currency.code,
    exponent: currency.exponent,
    presentation: presentation && { from: presentation.from.code, rate: presentation.rate },
    scale: scale.unit,
    rounding: scale.rounding,
    columns: columns.map(toColumn),
    plan: { plan: planned.plan, planId: planned.planId ?? null },
    rows: rows.map(rowInText),
    rungs,
    notes: [...notes],
    isDraft,
    transfers: transfers.map((one) => ({ ...one, values: one.values.map(textOrNull) })),
    revision: ground.revision,
  };
}

export function toColumn(column: StatementColumn): StatementBody['columns'][number] {
  const { heading, group, width, format } = column;
  const head = {
    ...(heading === undefined ? {} : { heading }),
    ...(group === undefined ? {} : { group }),
    ...(width === undefined ? {} : { width }),
    ...(format === undefined ? {} : { format }),
  };
  if (column.kind === 'calculation') return { kind: column.kind, text: column.text, result: column.result, ...head };
  if (column.kind !== 'amount') return column;
  const { kind, measure, span, budget = null, placedOn, began, adjusting } = column;
  return {
    kind,
    measure,
    firstDay: span.firstDay,
    lastDay: span.lastDay,
    budget,
    ...(placedOn === undefined ? {} : { placedOn }),
    ...(began === undefined ? {} : { began }),
    ...(adjusting === undefined ? {} : { adjusting }),
    ...head,
  };
}

export function toEvidence({
  caption,
  column,
  facets,
  layer,
  amount,
  unit,
  climb,
  accounts,
  carried,
  formula,
  entries,
  entryCount,
  currency,
}: Evidence): EvidenceBody {
  return {
    caption,
    measure: column.measure,
    facets: Object.fromEntries(Object.entries(facets).map(([key, values]) => [key, [...values]])),
    layer,
    firstDay: column.span.firstDay,
    lastDay: column.span.lastDay,
    budget: column.budget ?? null,
    budgetId: column.budgetId ?? null,
    amount: textOrNull(amount),
    unit,
    climb: climb.map((rung) => ({ ...rung, amount: text(rung.amount) })),
    accounts: accounts.map((account) => ({ ...account, net: text(account.net) })),
    carried: carried.map((item) => ({ ...item, net: text(item.net) })),
    formula: formula && { text: formula.text, operands: formula.operands.map((operand) => ({ ...operand, amount: textOrNull(operand.amount) })) },
    entryCount,
    currency: currency.code,
    exponent: currency.exponent,
    ledgerAccountId: entries?.accountId ?? null,
  };
}

export function toProofs(books: Books, proofs: readonly Proof[]): ProofList {
  return {
    proofs: proofs.map((proof) => ({
      name: proof.name,
      state: proof.state,
      difference: text(proof.difference),
      figures: proof.figures.map((figure) => ({ name: figure.name, day: figure.day, net: text(figure.net) })),
      accounts: toProofAccounts(books, proof.accounts),
    })),
    revision: books.cube.revision,
  };
}

export function toProofAccounts(books: Books, accounts: readonly ProofAccount[]): ProofList['proofs'][number]['accounts'] {
  const byId = accountsById(books);
  return accounts.flatMap(({ account, reason, net }) => {
    const found = byId.get(books.cube.accountIds[account] as number);
    return found ? [{ accountId: found.id, ...toldAccount(books, found), element: found.element, reason, net: text(net) }] : [];
  });
}
