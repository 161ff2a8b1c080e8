import {
  accountLabel,
  balanceAt,
  type Day,
  fail,
  type Layer,
  type ListKey,
  layers,
  type Outcome,
  periodIndexOf,
  placesByAccount,
  placesOf,
  roleRules,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, ChartAccount, Classification, MergePlan, PlacesByHand, Ports, PostingOutcome, Request } from '../ports/index.ts';
import { booksAfter, placementsKeeping, type WholeEffect, wholeEffect } from '../statements/index.ts';

export interface MergeCheck {
  readonly from: ChartAccount;
  readonly into: ChartAccount;
  /** What the reclassification entries move, by layer; debit positive. None where the account is nil. */
  readonly moves: readonly { readonly layer: Layer; readonly amount: bigint }[];
  /** Which of the two stands elsewhere from now on, in each classification where one does; `null` is the main one. */
  readonly moved: readonly { readonly classification: string | null; readonly which: 'from' | 'into' }[];
  readonly role: ChartAccount['role'];
  /** Codes that the other gets, each with the name of its list. */
  readonly codes: readonly { readonly list: string; readonly code: string }[];
  readonly effect: WholeEffect;
  readonly structureVersion: number;
  readonly revision: number;
}

/**
 * What merging one account into another would do: entries stay, an entry moves what the account holds, both stand in
 * one place, with all their history, and it is retired. Nothing is changed.
 */
export async function checkMerge(
  ports: Ports,
  { companyId }: Access<'keep_chart'>,
  fromId: number,
  intoId: number,
  day: Day,
  span: Span,
): Promise<Outcome<MergeCheck, Failure>> {
  const planned = await planMerge(ports, companyId, fromId, intoId, day);
  if (!planned.ok) return planned;
  const { books, from, into, moves, plan } = planned.value;
  const effect = await wholeEffect(ports, books, mergedBooks(books, plan), span, { entries: plan.entries });
  if (!effect.ok) return effect;
  const { structureVersion, mainClassification } = books.company;
  const nameOf = (id: number) => (id === mainClassification ? null : (books.classifications.find((one) => one.id === id)?.name ?? null));
  return succeed({
    from,
    into,
    moves,
    moved: plan.moved.map(({ accountId, classificationId }) => ({
      classification: nameOf(classificationId),
      which: accountId === fromId ? ('from' as const) : ('into' as const),
    })),
    role: plan.role,
    codes: books.lists.flatMap(({ key, name }) => (plan.codes[key] === undefined ? [] : [{ list: name, code: plan.codes[key] }])),
    effect: effect.value,
    structureVersion,
    revision: books.cube.revision,
  });
}

/** Done whole or not at all, and only on the books that the check showed. */
export async function mergeAccounts(
  ports: Ports,
  { companyId }: Access<'keep_chart'>,
  fromId: number,
  asked: { intoId: number; day: Day; structureVersion: number; revision: number },
  request: Request,
): Promise<Outcome<PostingOutcome, Failure>> {
  const before = await ports.ledger.earlierOutcome(companyId, request);
  if (before) return before as Outcome<PostingOutcome, Failure>;
  const planned = await planMerge(ports, companyId, fromId, asked.intoId, asked.day);
  if (!planned.ok) return planned;
  const { books, plan } = planned.value;
  if (books.company.structureVersion !== asked.structureVersion || books.cube.revision !== asked.revision) return fail({ code: 'chart_moved_on' });
  const merged = await ports.ledger.mergeAccounts(books, plan, request);
  return !merged.ok && merged.failure.code === 'ledger_moved_on' ? fail({ code: 'chart_moved_on' }) : merged;
}

interface PlannedMerge {
  readonly books: Books;
  readonly from: ChartAccount;
  readonly into: ChartAccount;
  readonly moves: MergeCheck['moves'];
  readonly plan: MergePlan;
}

async function planMerge({ ledger, chart }: Ports, companyId: number, fromId: number, intoId: number, day: Day): Promise<Outcome<PlannedMerge, Failure>> {
  const opened = await openBooks({ ledger }, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const [from, into] = [fromId, intoId].map((id) => books.accounts.find((account) => account.id === id));
  if (!from || !into) return fail({ code: 'not_found', thing: 'account', id: from ? intoId : fromId });
  const refuse = (reason: Extract<Failure, { code: 'merge_refused' }>['reason'], about: string | null = null) =>
    fail({ code: 'merge_refused' as const, reason, about });
  if (fromId === intoId) return refuse('same_account');
  if (from.element !== into.element) return refuse('other_element', into.element);
  if (books.accounts.some(({ parentId }) => parentId === fromId)) return refuse('has_sub_accounts', from.number);
  if (books.accounts.some(({ parentId }) => parentId === intoId)) return refuse('has_sub_accounts', into.number);
  if (!into.active) return refuse('inactive', into.number);
  if (!from.active) return refuse('inactive', from.number);
  if (from.role !== null && roleRules[from.role].isNeeded) return refuse('role_needed', from.role);
  const period = books.calendar.periods[periodIndexOf(books.calendar, day)];
  if (!period) return fail({ code: 'day_outside_calendar', day, year: day.slice(0, 4) });
  const { lastDay } = await chart.useOf(companyId, fromId);
  if (lastDay !== null && lastDay > day) return refuse('used_later', lastDay);
  // No line of the account stands behind the day, so what it holds there is what it holds at the end of the period.
  const at = books.cube.indexOf.get(fromId) as number;
  const moves = layers.flatMap((layer) => {
    const amount = balanceAt(books.cube, books.traits, [layer], period.lastDay).net[at] as bigint;
    return amount === 0n ? [] : [{ layer, amount }];
  });
  const plan: MergePlan = {
    from,
    into,
    moved: books.classifications.flatMap((one) => movedIn(one, fromId, intoId)),
    role: from.role !== null && into.role === null ? from.role : null,
    day,
    codes: Object.fromEntries(Object.entries(from.codes).filter(([key]) => into.codes[key as ListKey] === undefined)),
    entries: moves.map(({ layer, amount }) => ({
      date: day,
      description: `${accountLabel(from)} merged into ${accountLabel(into)}`,
      layer,
      source: 'reclassification',
      closesYear: null,
      reversesEntryId: null,
      lines: [
        { accountId: fromId, debit: amount < 0n ? -amount : 0n, credit: amount > 0n ? amount : 0n, text: '' },
        { accountId: intoId, debit: amount > 0n ? amount : 0n, credit: amount < 0n ? -amount : 0n, text: '' },
      ],
    })),
    period,
  };
  return succeed({ books, from, into, moves, plan });
}

/** The account that goes stands where the other does, or the other takes its place where it has none. */
function movedIn({ id: classificationId, places, byRange }: Classification, fromId: number, intoId: number): PlacesByHand[] {
  const placed = placesByAccount(places);
  const [from, into] = [placesOf(fromId, placed, byRange), placesOf(intoId, placed, byRange)];
  if (JSON.stringify(from.toSorted(bySide)) === JSON.stringify(into.toSorted(bySide))) return [];
  return into.length === 0
    ? [{ classificationId, accountId: intoId, before: [], after: from }]
    : [{ classificationId, accountId: fromId, before: placed.get(fromId) ?? [], after: into }];
}

/** Role, codes and places as the merge leaves them; what its entries move comes on top. */
function mergedBooks(books: Books, { from, into, role, codes, moved, day }: MergePlan): Books {
  return booksAfter(books, {
    accounts: [
      { id: from.id, active: false, ...(from.role === 'cash' ? { cashUntil: day } : { role: null }) },
      { id: into.id, role: role ?? into.role, ...(role === 'cash' ? { cashFrom: day } : {}), codes: { ...codes, ...into.codes } },
    ],
    placements: placementsKeeping(books, moved),
  });
}

const bySide = (a: { side: string }, b: { side: string }): number => (a.side < b.side ? -1 : 1);
