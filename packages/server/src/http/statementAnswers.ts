import type { EvidenceBody, ProofList, StatementBody, StatementRowBody } from '@ivory-ladder/contract';
import {
  bearsFigures,
  type DocumentColumn,
  type DocumentRow,
  type Proof,
  type ProofAccount,
  type StatementDocument,
  toldAccount,
  type ViewedRow,
} from '@ivory-ladder/core';
import { accountsById } from '../application/books/index.ts';
import type { Books } from '../application/ports/index.ts';
import type { Evidence } from '../application/statements/index.ts';
import { text, textOrNull } from './amountText.ts';

/** What the screen shows of a document. */
export function toStatement({ content, view, provenance }: StatementDocument): StatementBody {
  const { kind, title, language, currency, scale, rounding, columns, transfers, notes, exceptions, isDraft = false } = content;
  const { layoutId = null, planId = null, rate } = provenance;
  const isWhole = view.rows !== content.rows;
  const byKey = new Map<string, DocumentRow>();
  if (isWhole) for (const row of content.rows) if (row.exact) byKey.set(row.key, row);
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
    rows: view.rows.map((row) => toRow(row, isWhole ? (bearsFigures(row) ? byKey.get(row.key) : undefined) : (row as DocumentRow), nothing)),
    rungs: view.rungs,
    notes: [...notes],
    exceptions: exceptions.map((one) => ({ ...one })),
    isDraft,
    transfers: transfers.map(({ values, ...transfer }) => ({ ...transfer, values: [...values] })),
    revision: provenance.revision,
  };
}

/** Field by field, since there may be thousands. `held`: the row of the content that has its figures. */
function toRow(row: ViewedRow, held: DocumentRow | undefined, nothing: readonly null[]): StatementRowBody {
  const made: StatementRowBody = {
    key: row.key,
    lineKey: row.lineKey ?? row.key,
    accountId: row.accountId ?? null,
    role: row.role,
    caption: row.caption,
    depth: row.depth,
    opens: row.opens === true,
    open: row.isOpen === true,
    values: (held?.printed ?? held?.exact ?? nothing) as StatementRowBody['values'],
  };
  if (held?.unit !== undefined && held.unit !== 'amount') made.unit = held.unit;
  if (held?.faults !== undefined) made.faults = held.faults as StatementRowBody['faults'] & object;
  if (row.look !== undefined) made.look = row.look;
  if (row.note !== undefined) made.note = row.note;
  if (row.better !== undefined) made.better = row.better;
  return made;
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
      ...(proof.layouts && {
        layouts: proof.layouts.map(({ id, name, inScope, faults }) => ({
          layoutId: id,
          name,
          inScope,
          faults: faults.map(({ account, state, net }) => ({ accountId: books.cube.accountIds[account] as number, state, net: text(net) })),
        })),
      }),
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
