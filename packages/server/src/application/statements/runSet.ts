import {
  type FootedTo,
  type Outcome,
  planPrint,
  planStatement,
  printNeeds,
  proveSetOf,
  type RanInSet,
  runStatement as run,
  type SetDefinition,
  type SetPart,
  type SetProof,
  type SetTranslation,
  type StatementPlan,
  setProofNeeds,
  succeed,
  translatedSpans,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, CommentRecord, Ports, StatementSetRecord } from '../ports/index.ts';
import { differenceOver } from './differenceOver.ts';
import { PlanningDesk } from './planningDesk.ts';
import { comparisonOf, requestFor, type SpanChoice } from './prepareStatement.ts';
import { provideVectors } from './provideVectors.ts';
import { type DetailChoice, printedBy, type Statement } from './runStatement.ts';
import { findSet } from './sets.ts';
import { translatedBooks } from './translatedBooks.ts';

/** A statement of a set, or why it cannot be run: the others are run all the same. */
interface RanPart {
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

type SetChoice = Pick<SpanChoice, 'from' | 'to' | 'compare' | 'compareFrom' | 'compareTo'>;

/** Every statement at one state of the ledger and the structure, and what they prove together. */
export async function runSet(ports: Ports, access: Access, id: number, choice: SetChoice): Promise<Outcome<RanSet, Failure>> {
  const found = await findSet(ports, access, id);
  if (!found.ok) return found;
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const set = found.value;
  const { now: comments, earlier } = await ports.comments.list(access.companyId, id, choice.to);
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, access.companyId);
    if (!opened.ok) return opened;
    const desk = new PlanningDesk(ports, opened.value);
    const { presentation, parts: chosen } = set.definition;
    const books = presentation?.method === 'own_rates' ? await translatedBooks(ports, opened.value, presentation.currency) : opened;
    if (!books.ok) return books;
    const plans: { readonly part: SetPart; readonly plan: Outcome<StatementPlan, Failure> }[] = [];
    for (const part of chosen) {
      const request = requestFor(
        opened.value,
        part.statement,
        { ...choice, ...columnsOf(part), language: set.definition.language ?? undefined, presentation },
        comparison.value,
      );
      plans.push({ part, plan: await desk.plan(() => planStatement(desk, request)) });
    }
    const footedTo = footedToIn(plans.flatMap(({ plan }) => (plan.ok ? [plan.value] : [])));
    const parts: RanPart[] = [];
    for (const { part, plan } of plans) {
      const statement = plan.ok ? await runPart(ports, desk, plan.value, part, set.definition, footedTo) : plan;
      if (!statement.ok && statement.failure.code === 'ledger_moved_on') return statement;
      parts.push({ part, statement });
    }
    const proofs = await proveParts(ports, opened.value, books.value, parts);
    return proofs.ok ? succeed({ set, books: books.value, parts, proofs: proofs.value, comments, earlier }) : proofs;
  });
}

function columnsOf({ columns }: SetPart) {
  return columns ? { plan: columns.plan, planId: columns.plan === 'composed' ? columns.planId : undefined } : {};
}

async function runPart(
  ports: Ports,
  { books }: PlanningDesk,
  plan: StatementPlan,
  part: SetPart,
  { scale }: SetDefinition,
  footedTo: (plan: StatementPlan) => FootedTo,
): Promise<Outcome<Statement, Failure>> {
  const detail: DetailChoice = { detail: part.detail, open: [], shut: [], zero: part.zeroLines, scale: scale.unit, rounding: scale.rounding };
  const print = planPrint(plan, printedBy(detail, footedTo(plan)));
  const vectors = await provideVectors(ports, books, printNeeds(print), plan.ratesNeeded);
  if (!vectors.ok) return vectors;
  const statement = { ...run(print, vectors.value), companyId: books.company.id, company: books.company.name };
  return succeed(part.title === '' ? statement : entitled(statement, part.title));
}

/** The first balance sheet and income statement of the set over the same categories: what they print the others print too. */
function footedToIn(plans: readonly StatementPlan[]): (plan: StatementPlan) => FootedTo {
  const first = (kind: StatementPlan['compiled']['layout']['kind'], { ground }: StatementPlan) =>
    plans.find((one) => one.compiled.layout.kind === kind && one.ground.classificationId === ground.classificationId);
  return (plan) => {
    const [sheet, income] = [first('balance_sheet', plan), first('income_statement', plan)];
    return { sheet, income: income === plan ? undefined : income };
  };
}

function entitled(statement: Statement, title: string): Statement {
  const { compiled } = statement;
  return { ...statement, compiled: { ...compiled, layout: { ...compiled.layout, title } } };
}

/** `books`: in the currency of the set. */
async function proveParts(ports: Ports, whole: Books, books: Books, parts: readonly RanPart[]): Promise<Outcome<readonly SetProof[], Failure>> {
  const statements = parts.flatMap(({ part, statement }): RanInSet[] => (statement.ok ? [{ key: part.key, statement: statement.value }] : []));
  const vectors = await provideVectors(ports, whole, setProofNeeds(statements));
  if (!vectors.ok) return vectors;
  const translations: SetTranslation[] = [];
  for (const one of statements) {
    if (one.statement.compiled.layout.kind !== 'balance_sheet') continue;
    for (const { column, span } of translatedSpans(one)) {
      const explained = await differenceOver(ports, books, span, column.withoutAdjustments ? ['ledger'] : undefined);
      if (explained) translations.push({ part: one.key, day: span.lastDay, ...explained });
    }
  }
  return succeed(proveSetOf(statements, vectors.value, translations));
}
