import type { EvidenceBody, ProofList, StatementBody, StatementRowBody } from '@ivory-ladder/contract';
import { bearsFigures, type DocumentColumn, type Proof, type ProofAccount, type StatementDocument, toldAccount } from '@ivory-ladder/core';
import { accountsById } from '../application/accountsById.ts';
import type { Evidence } from '../application/findEvidence.ts';
import type { Books } from '../application/ports/index.ts';
import { text, textOrNull } from './amountText.ts';

/** What the screen shows of a document. */
export function toStatement({ content, view, provenance }: StatementDocument): StatementBody {
  const { kind, title, language, currency, scale, rounding, columns, transfers, notes, isDraft = false } = content;
  const { layoutId = null, planId = null, rate } = provenance;
  const byKey = new Map(content.rows.flatMap((row) => (row.exact ? [[row.key, row] as const] : [])));
  const nothing = columns.map(() => null);
  return {
    kind,
    layoutId,
    title,
    language,
    currency: currency.code,
    exponent: currency.exponent,
    presentation: rate ? { from: rate.from, rate: rate.text === undefined || rate.day === undefined ? null : { text: rate.text, day: rate.day } } : null,
    scale,
    rounding,
    columns: columns.map(toColumn),
    plan: { plan: provenance.plan, planId },
    rows: view.rows.map((row): StatementRowBody => {
      const held = bearsFigures(row) ? byKey.get(row.key) : undefined;
      return {
        key: row.key,
        lineKey: row.lineKey ?? row.key,
        accountId: row.accountId ?? null,
        role: row.role,
        caption: row.caption,
        depth: row.depth,
        opens: row.opens === true,
        open: row.isOpen === true,
        values: [...(held?.printed ?? held?.exact ?? nothing)],
        ...(held?.unit === undefined || held.unit === 'amount' ? {} : { unit: held.unit }),
        ...(held?.faults === undefined ? {} : { faults: held.faults.map((fault) => fault && { ...fault }) }),
        ...(row.look === undefined ? {} : { look: row.look }),
        ...(row.note === undefined ? {} : { note: row.note }),
        ...(row.better === undefined ? {} : { better: row.better }),
      };
    }),
    rungs: view.rungs,
    notes: [...notes],
    isDraft,
    transfers: transfers.map(({ values, ...transfer }) => ({ ...transfer, values: [...values] })),
    revision: provenance.revision,
  };
}

function toColumn(column: DocumentColumn): StatementBody['columns'][number] {
  const { caption: _, ...rest } = column;
  switch (rest.kind) {
    case 'amount': {
      const { total: __, budget = null, ...amount } = rest;
      return { ...amount, lines: [...amount.lines], budget };
    }
    case 'calculation': {
      const { formula, operands: __, days: ___, ...calculation } = rest;
      return { ...calculation, lines: [...calculation.lines], text: formula };
    }
    default:
      return { ...rest, lines: [...rest.lines] };
  }
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
