import type {
  AccountBody,
  AccountPeriods,
  AttachmentList,
  CategoryBody,
  ChartCheckBody,
  ChartView,
  MergeCheckBody,
  NoteList,
  PlacedAccount,
  PlacementView,
  SavedChartView,
  SavedChartViews,
  StatementEffect,
} from '@ivory-ladder/contract';
import { type Account, hasLinesIn, type PlacesOfAccount, pathOf, placesByAccount } from '@ivory-ladder/core';
import { accountsById } from '../application/books/index.ts';
import type { AccountPeriod, ChartCheck, ChartOverview, MergeCheck, ViewsOfPerson } from '../application/chart/index.ts';
import type { PlacementOverview } from '../application/placement/index.ts';
import type { AccountNote, Attachment, ChartAccount, SavedView, VersionedCategory } from '../application/ports/index.ts';
import type { WholeEffect } from '../application/statements/index.ts';
import { text, textOrNull } from './amountText.ts';

export function toCategory({ ranges, captions, ...category }: VersionedCategory): CategoryBody {
  return { ...category, ranges: ranges.map((range) => ({ ...range })), captions: captions.map((caption) => ({ ...caption })) };
}

export function toAccount({
  id,
  number,
  name,
  element,
  normalSide,
  parentId,
  active,
  role,
  purpose,
  externalNumber,
  codes,
  cashFrom,
  cashUntil,
  version,
}: ChartAccount): AccountBody {
  return { id, number, name, element, normalSide, parentId, active, role, purpose, externalNumber, codes: { ...codes }, cashFrom, cashUntil, version };
}

export function toChart(overview: ChartOverview): ChartView {
  const { books, lastUsed, notes } = overview;
  const kept = new Map(books.accounts.map((account) => [account.id, account]));
  const placesByHand = placesByAccount(books.places);
  const accounts = books.tree.order.map((account, at) => toPlaced(overview, placesByHand, account, at));
  const held = new Set(
    accounts.flatMap(({ places, placesByRange, doubledIn }) => [...[...places, ...placesByRange].map(({ categoryId }) => categoryId), ...doubledIn]),
  );
  return {
    ...toSpans(overview),
    accounts: accounts.map((account, at) => {
      const { active, purpose, externalNumber, codes, cashFrom, cashUntil, version } = kept.get(account.id) as ChartAccount;
      return Object.assign(account, {
        depth: books.tree.depth[at] as number,
        active,
        purpose,
        externalNumber,
        codes: { ...codes },
        cashFrom,
        cashUntil,
        version,
        lastUsed: lastUsed.get(account.id) ?? null,
        notes: [...(notes.get(account.id) ?? [])],
      });
    }),
    paths: Object.fromEntries(
      [...held].flatMap((id) => {
        const node = books.categoryTree.nodes.get(id);
        return node ? [[String(id), pathOf(node)]] : [];
      }),
    ),
  };
}

export function toPlacement(overview: PlacementOverview): PlacementView {
  const { books, columns } = overview;
  const [now, before] = columns;
  const placesByHand = placesByAccount(books.places);
  const accountOf = accountsById(books);
  const ofClassification = `classification:${books.classificationId}`;
  return {
    categories: books.categories.map(toCategory),
    exclusions: books.exclusions.filter(({ scope }) => scope === ofClassification || !scope.startsWith('classification:')),
    accounts: books.tree.order.map((account, at) => {
      const index = books.cube.indexOf.get(account.id) as number;
      const { codes = {}, cashFrom = null, cashUntil = null } = accountOf.get(account.id) ?? {};
      // Not spread: what stands behind a spread is added field by field, which takes twenty times as long.
      const placed: PlacementView['accounts'][number] = Object.assign(toPlaced(overview, placesByHand, account, at), {
        active: account.active,
        codes: { ...codes },
        balance: text(now.balances[index] as bigint),
        balanceBefore: text(before.balances[index] as bigint),
      });
      if (cashFrom !== null) placed.cashFrom = cashFrom;
      if (cashUntil !== null) placed.cashUntil = cashUntil;
      return placed;
    }),
    ...toSpans(overview),
    notAllotted: { amount: text(now.notAllotted), comparative: text(before.notAllotted) },
    options: { ...books.options, subtotalsOff: [...books.options.subtotalsOff] },
    ledger: {
      firstBalances: books.firstBalances.map(({ day, isOpening }) => ({ day, isOpening })),
      openings: [...books.cube.openings.keys()],
      adjusted: books.calendar.periods.flatMap(({ isAdjusting }, at) => (isAdjusting && hasLinesIn(books.cube, at) ? [at] : [])),
    },
    structureVersion: books.company.structureVersion,
  };
}

function toSpans({ books, span, comparative, balanceComparative }: PlacementOverview) {
  return {
    span: { firstDay: span.firstDay, lastDay: span.lastDay },
    comparative: { firstDay: comparative.firstDay, lastDay: comparative.lastDay },
    balanceComparative,
    revision: books.cube.revision,
  };
}

function toPlaced(
  { books, columns: [now, before] }: PlacementOverview,
  placesByHand: ReadonlyMap<number, PlacesOfAccount>,
  account: Account,
  at: number,
): PlacedAccount {
  const index = books.cube.indexOf.get(account.id) as number;
  const { id, number, name, element, normalSide, parentId, role } = account;
  const ranged = books.byRange.get(id);
  return {
    id,
    number,
    name,
    label: books.labels.get(id) ?? name,
    element,
    normalSide,
    parentId,
    role,
    isParent: books.tree.isParent[at] as boolean,
    places: [...(placesByHand.get(id) ?? [])],
    placesByRange: [...(ranged?.places ?? [])],
    doubledIn: [...(ranged?.doubledIn ?? [])],
    oddIn: [...(ranged?.oddIn ?? [])],
    amount: text(now.net[index] as bigint),
    comparative: text(before.net[index] as bigint),
  };
}

export function toEffect({ lookedAt, rows }: WholeEffect): StatementEffect {
  return {
    lookedAt: lookedAt.map((one) => ({ ...one })),
    rows: rows.map((row) => ({ ...row, before: textOrNull(row.before), after: textOrNull(row.after) })),
  };
}

export function toChartCheck({
  fileName,
  comparison,
  unknownColumns,
  listHeadings,
  effect,
  codesAtOdds,
  structureVersion,
  revision,
}: ChartCheck): ChartCheckBody {
  return {
    fileName,
    rows: comparison.rows.map((row) => ({ ...row, changes: row.changes.map((change) => ({ ...change })), faults: row.faults.map((fault) => ({ ...fault })) })),
    missing: comparison.missing.map(({ id, number, name }) => ({ id, number, name })),
    newCategories: comparison.newCategories.map(({ element, path }) => ({ element, path: [...path] })),
    unknownColumns: [...unknownColumns],
    listHeadings,
    effect: toEffect(effect),
    codesAtOdds: codesAtOdds.map(({ list, account, code, reason }) => ({
      list,
      number: account.number,
      name: account.name,
      code: code.code,
      caption: code.caption,
      meantFor: (reason === 'element' ? code.element : code.side) ?? '',
      account: reason === 'element' ? account.element : account.normalSide,
    })),
    structureVersion,
    revision,
  };
}

export function toNotes(notes: readonly AccountNote[]): NoteList {
  return { notes: notes.map(({ id, content, writtenAt, writtenBy }) => ({ id, content, writtenAt, writtenBy })) };
}

export function toAccountPeriods(periods: readonly AccountPeriod[]): AccountPeriods {
  return { periods: periods.map((period) => ({ ...period, movement: text(period.movement), closing: text(period.closing) })) };
}

export function toMergeCheck({ moves, moved, role, codes, effect, structureVersion, revision }: MergeCheck): MergeCheckBody {
  return {
    moves: moves.map(({ layer, amount }) => ({ layer, amount: text(amount) })),
    moved: moved.map((one) => ({ ...one })),
    role,
    codes: codes.map((listed) => ({ ...listed })),
    effect: toEffect(effect),
    structureVersion,
    revision,
  };
}

export function toView({ id, name, isShared, personId: by, content, version }: SavedView, personId: number | null): SavedChartView {
  return { id, name, isShared, isMine: by === personId, content: { ...content, columns: [...content.columns] }, version };
}

export function toViews({ personId, columns, views }: ViewsOfPerson): SavedChartViews {
  return { columns: [...columns], views: views.map((view) => toView(view, personId)) };
}

export function toAttachments(attachments: readonly Attachment[]): AttachmentList {
  return { attachments: attachments.map(({ id, name, bytes, addedAt, addedBy }) => ({ id, name, bytes, addedAt, addedBy })) };
}
