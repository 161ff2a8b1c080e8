import { type CompiledLayout, fail, type Outcome, type SetPart, type SetProof, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import { composedLayout } from './composedLayouts.ts';
import type { Failure } from './failure.ts';
import { mainLanguage } from './mainLanguage.ts';
import { openBooks, withFreshBooks } from './openBooks.ts';
import type { Books, CommentRecord, Ports, StatementSetRecord } from './ports/index.ts';
import { comparisonOf, type SpanChoice } from './prepareStatement.ts';
import { proveSet } from './proveSet.ts';
import { runStatement, type Statement } from './runStatement.ts';
import { findSet } from './sets.ts';
import { translatedBooks } from './translatedBooks.ts';

/** A statement of a set, or why it cannot be run: the others are run all the same. */
export interface RanPart {
  readonly part: SetPart;
  readonly statement: Outcome<Statement, Failure>;
}

export interface RanSet {
  readonly set: StatementSetRecord;
  readonly books: Books;
  readonly parts: readonly RanPart[];
  readonly proofs: readonly SetProof[];
  readonly comments: readonly CommentRecord[];
  /** Of the last day before this one that has any. */
  readonly earlier: readonly CommentRecord[];
}

/** Every statement at one state of the ledger and the structure, and what they prove together. */
export async function runSet(
  ports: Ports,
  access: Access,
  id: number,
  choice: Pick<SpanChoice, 'from' | 'to' | 'compare' | 'compareFrom' | 'compareTo'>,
): Promise<Outcome<RanSet, Failure>> {
  const found = await findSet(ports, access, id);
  if (!found.ok) return found;
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const set = found.value;
  const { now: comments, earlier } = await ports.comments.list(access.companyId, id, choice.to);
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, access.companyId);
    if (!opened.ok) return opened;
    const { company, cube } = opened.value;
    const parts: RanPart[] = [];
    const { presentation } = set.definition;
    const books = presentation?.method === 'own_rates' ? await translatedBooks(ports, opened.value, presentation.currency) : opened;
    if (!books.ok) return books;
    const sheet = await ownSheet(ports, books.value, set.definition.parts);
    for (const part of set.definition.parts) {
      const statement = await runStatement(ports, access, part.statement, {
        ...choice,
        ...(part.columns ? { plan: part.columns.plan, planId: part.columns.plan === 'composed' ? part.columns.planId : undefined } : {}),
        language: set.definition.language ?? undefined,
        detail: part.detail,
        open: [],
        shut: [],
        zero: part.zeroLines,
        scale: set.definition.scale.unit,
        rounding: set.definition.scale.rounding,
        sheet,
        presentation,
      });
      const ran = statement.ok ? statement.value.books : opened.value;
      if (ran.cube.revision !== cube.revision || ran.company.structureVersion !== company.structureVersion) return fail({ code: 'ledger_moved_on' });
      parts.push({ part, statement: statement.ok && part.title !== '' ? succeed(entitled(statement.value, part.title)) : statement });
    }
    const proofs = await proveSet(ports, parts);
    if (!proofs.ok) return proofs;
    return succeed({ set, books: books.value, parts, proofs: proofs.value, comments, earlier });
  });
}

/** The first balance sheet of the set where somebody composed it over the main categories: the others foot to it. */
async function ownSheet(ports: Ports, books: Books, parts: readonly SetPart[]): Promise<CompiledLayout | undefined> {
  const { company, classificationId } = books;
  for (const { statement } of parts) {
    if (statement === 'balance_sheet') return undefined;
    const record = typeof statement === 'number' ? await ports.layouts.record(company.id, statement) : null;
    if (record?.kind !== 'balance_sheet' || record.classificationId !== classificationId) continue;
    const composed = await composedLayout(ports, books, record, mainLanguage(company));
    if (composed) return composed.compiled;
  }
  return undefined;
}

function entitled(statement: Statement, title: string): Statement {
  const { compiled } = statement;
  return { ...statement, compiled: { ...compiled, layout: { ...compiled.layout, title } } };
}
