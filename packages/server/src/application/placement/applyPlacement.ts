import {
  amendDraft,
  applyDraft,
  checkDraft,
  type DescribedCategory,
  type DigitOrder,
  effectOf,
  emptyDraft,
  fail,
  figuresOver,
  invertDraft,
  isEmptyDraft,
  makeMonthlyYear,
  type Outcome,
  type Placement,
  type PlacementChange,
  type PlacementDraft,
  type PlacementEffect,
  placementOf,
  rangesRewritten,
  rebaseDraft,
  soundDraft,
  standingFollower,
  succeed,
  yearOf,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { accountsById, openClassified, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Actor, Books, PastPlacement, PlacementRecord, PlacementRecordDetail, Ports } from '../ports/index.ts';
import { booksAfter, noEffect, type PlacementAfter, type SpanChoice, type WholeEffect, wholeEffect } from '../statements/index.ts';
import { rehearsedLedger } from './placement.ts';

export interface AppliedPlacement {
  readonly recordId: number;
  readonly ids: ReadonlyMap<number, number>;
  readonly accounts: number;
  readonly categories: number;
  readonly changedLines: number;
}

/** Changes the placement as a whole or not at all; refused where something is not any more as the draft found it. */
export function applyPlacement(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  draft: PlacementDraft,
  reason: string,
  choice: SpanChoice,
  undoes: number | null = null,
): Promise<Outcome<AppliedPlacement, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openClassified(ports, companyId, choice.classification);
    return opened.ok ? applyTo(ports, opened.value, actor, draft, { reason, choice, undoes }) : opened;
  });
}

/** What a draft would do to every statement and layout in use, of every classification, as far as it can be applied; nothing is changed. */
export async function rehearseDraft(
  ports: Ports,
  { companyId }: Access<'keep_placement'>,
  draft: PlacementDraft,
  choice: SpanChoice,
): Promise<Outcome<WholeEffect, Failure>> {
  const opened = await openClassified(ports, companyId, choice.classification);
  if (!opened.ok) return opened;
  const books = opened.value;
  const byId = accountsById(books);
  const { draft: sound, placement } = soundDraft(
    placementOf(books.categories, books.places),
    draft,
    new Map([...byId].map(([id, { element }]) => [id, element])),
    books.company.digitOrder,
  );
  if (isEmptyDraft(sound)) return succeed(noEffect);
  const after = booksAfter(books, { placements: new Map([[books.classificationId, asPlaced(placement)]]) });
  return wholeEffect(ports, books, after, { firstDay: choice.from, lastDay: choice.to });
}

function asPlaced({ categories, places }: Placement): PlacementAfter {
  return {
    categories: [...categories.values()],
    places: [...places].flatMap(([accountId, own]) => own.map((place) => ({ ...place, accountId }))),
  };
}

/** A change made directly, with the figures of the fiscal year up to the last entry on record. */
export async function applyChange(
  ports: Ports,
  books: Books,
  actor: Actor,
  change: PlacementChange,
  reason = '',
): Promise<Outcome<AppliedPlacement | null, Failure>> {
  const draft = amendDraft(placementOf(books.categories, books.places), emptyDraft, change);
  if (isEmptyDraft(draft)) return succeed(null);
  return applyTo(ports, books, actor, draft, { reason, choice: await lastSpan(ports, books), undoes: null });
}

interface Applying {
  readonly reason: string;
  readonly choice: SpanChoice;
  readonly undoes: number | null;
}

async function applyTo(
  ports: Ports,
  books: Books,
  actor: Actor,
  draft: PlacementDraft,
  { reason, choice, undoes }: Applying,
): Promise<Outcome<AppliedPlacement, Failure>> {
  const current = placementOf(books.categories, books.places);
  const { draft: rebased, conflicts } = rebaseDraft(current, draft, accountsById(books));
  if (conflicts.length > 0)
    return fail({
      code: 'place_conflict',
      accountIds: conflicts.flatMap((conflict) => (conflict.thing === 'account' ? [conflict.drafted.accountId] : [])),
      categoryIds: conflicts.flatMap((conflict) => (conflict.thing === 'category' ? [conflict.drafted.id] : [])),
    });
  const kept = withKeptRanges(rebased, books.company.digitOrder);
  if (isEmptyDraft(kept)) return fail({ code: 'placement_unchanged' });
  const after = applyDraft(current, kept);
  const byId = accountsById(books);
  const [fault] = checkDraft(after, kept, (accountId) => byId.get(accountId)?.element, books.company.digitOrder);
  if (fault) return fail(fault);
  const effect = await effectOfPlacement(ports, books, after, choice);
  if (!effect.ok) return effect;
  const applied = await ports.placement.apply(
    books.company.id,
    { classificationId: books.classificationId, draft: kept, effect: effect.value, reason, undoes },
    books.company.structureVersion,
    actor,
  );
  if (!applied.ok) return applied;
  return succeed({ ...applied.value, accounts: kept.places.length, categories: kept.categories.length, changedLines: effect.value.lines.length });
}

/** What a placement in the place of the one that stands does to the statements. */
async function effectOfPlacement(ports: Ports, books: Books, after: Placement, choice: SpanChoice): Promise<Outcome<PlacementEffect, Failure>> {
  const ledger = await rehearsedLedger(ports, books, choice);
  if (!ledger.ok) return ledger;
  const stand = standingFollower(books.accounts, books.company.digitOrder);
  const before = { tree: books.categoryTree, portions: books.portions, byRange: books.byRange };
  const figuresOf = figuresOver(ledger.value);
  return succeed(effectOf(figuresOf(before), figuresOf(stand(after))));
}

/** Ranges in the form that is kept; a category is the one that its draft is of. */
function withKeptRanges({ places, categories }: PlacementDraft, order: DigitOrder): PlacementDraft {
  const kept = (category: DescribedCategory | null, id: number) => category && { ...category, id, ranges: rangesRewritten(category.ranges, order) };
  return { places, categories: categories.map(({ id, before, after }) => ({ id, before, after: kept(after, id) })) };
}

/** The fiscal year up to the last entry; of a company without years any, since there is nothing in it. */
async function lastSpan({ ledger }: Ports, { company, calendar }: Books): Promise<SpanChoice> {
  const day = await ledger.lastEntryDay(company.id);
  const year = (day === null ? undefined : yearOf(calendar, day)) ?? calendar.years[0] ?? makeMonthlyYear(2000, 1);
  return { from: year.firstDay, to: day ?? year.lastDay, compare: 'usual' };
}

const recordsShown = 100;

export async function listPlacementRecords(
  ports: Ports,
  { companyId }: Access,
  { before = null, classification }: { readonly before?: number | null | undefined; readonly classification?: number | undefined },
): Promise<Outcome<{ readonly records: readonly PlacementRecord[]; readonly next: number | null }, Failure>> {
  const opened = await openClassified(ports, companyId, classification);
  if (!opened.ok) return opened;
  const found = await ports.placement.records(companyId, opened.value.classificationId, before, recordsShown + 1);
  const records = found.slice(0, recordsShown);
  return succeed({ records, next: found.length > recordsShown ? (records.at(-1)?.id ?? null) : null });
}

export async function viewPlacementRecord(ports: Ports, { companyId }: Access, recordId: number): Promise<Outcome<PlacementRecordDetail, Failure>> {
  const record = await ports.placement.record(companyId, recordId);
  return record ? succeed(record) : fail({ code: 'not_found', thing: 'placement_record', id: recordId });
}

/** As it stood at a moment. */
export async function viewPastPlacement(
  ports: Ports,
  { companyId }: Access,
  { moment, classification }: { readonly moment: string; readonly classification?: number | undefined },
): Promise<Outcome<PastPlacement, Failure>> {
  const opened = await openClassified(ports, companyId, classification);
  return opened.ok ? succeed(await ports.placement.at(companyId, opened.value.classificationId, moment)) : opened;
}

/** Refused where what it changed has been changed again. */
export async function undoPlacement(
  ports: Ports,
  access: Access<'keep_placement'>,
  recordId: number,
  choice: SpanChoice,
): Promise<Outcome<AppliedPlacement, Failure>> {
  const record = await viewPlacementRecord(ports, access, recordId);
  if (!record.ok) return record;
  if (record.value.undoneBy !== null) return fail({ code: 'placement_undone_already', recordId });
  const { draft, classificationId } = record.value;
  const undone = await applyPlacement(ports, access, invertDraft(draft), '', { ...choice, classification: classificationId }, recordId);
  if (undone.ok) return undone;
  // Whoever took it back in this moment has left nothing of it to take back.
  const now = await viewPlacementRecord(ports, access, recordId);
  return now.ok && now.value.undoneBy !== null ? fail({ code: 'placement_undone_already', recordId }) : undone;
}
