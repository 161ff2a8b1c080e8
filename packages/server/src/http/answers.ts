import type {
  AccountBody,
  AccountLines,
  AccountPeriods,
  BroughtInList,
  CategoryBody,
  ChartRehearsalBody,
  ChartView,
  Company,
  CompanyList,
  EntryBody,
  EvidenceBody,
  LinkView,
  MergeRehearsalBody,
  NoteList,
  PersonList,
  PlacementView,
  PostingBody,
  ProofList,
  RehearsalBody,
  Session,
  StatementBody,
  StatementEffect,
  TrialBalanceViewBody,
} from '@ivory-ladder/contract';
import { type Proof, pathOf, placesByAccount, type Role } from '@ivory-ladder/core';
import type { ChartRehearsal } from '../application/chartFile.ts';
import type { CompanyView } from '../application/companies.ts';
import type { EffectRow } from '../application/effectOnStatements.ts';
import type { Evidence } from '../application/findEvidence.ts';
import type { MergeRehearsal } from '../application/mergeAccounts.ts';
import type { PlacementOverview } from '../application/placement.ts';
import type {
  AccountLineRecord,
  AccountNote,
  Books,
  BroughtInRecord,
  ChartAccount,
  EntryRecord,
  Member,
  OneTimeLink,
  Person,
  PostingOutcome,
  VersionedCategory,
} from '../application/ports/index.ts';
import type { Rehearsal } from '../application/rehearseTrialBalance.ts';
import type { Statement } from '../application/runStatement.ts';
import type { AccountPeriod } from '../application/viewAccountPeriods.ts';
import type { ChartOverview } from '../application/viewChart.ts';
import type { TrialBalanceView } from '../application/viewTrialBalance.ts';

const text = (amount: bigint): string => amount.toString();

export function toSession(person: Person | null, demoRoles: readonly Role[]): Session {
  if (!person) return { person: null, demoRoles: [...demoRoles] };
  const { id, name, email, mayAddCompanies, hasPassword } = person;
  return { person: { id, name, email, mayAddCompanies, hasPassword }, demoRoles: [...demoRoles] };
}

export function toLink({ person }: OneTimeLink): LinkView {
  return { isFirst: person === null, name: person?.name ?? '', email: person?.email ?? '' };
}

export function toPeople(people: readonly Member[]): PersonList {
  return {
    people: people.map(({ personId, name, email, role, version, hasPassword, lastSignIn }) => ({
      personId,
      name,
      email,
      role,
      version,
      hasPassword,
      lastSignIn,
    })),
  };
}

export function toCompanies(companies: { id: number; name: string; currency: string; role: Role }[]): CompanyList {
  return { companies };
}

export function toCompany({ role, books, years, lastEntryDay, unplaced }: CompanyView): Company {
  const { company } = books;
  return {
    id: company.id,
    name: company.name,
    currency: company.currency.code,
    exponent: company.currency.exponent,
    fiscalYearFirstMonth: company.fiscalYearFirstMonth,
    digitOrder: company.digitOrder,
    numberScheme: company.numberScheme === null ? null : { ...company.numberScheme, parts: [...company.numberScheme.parts] },
    repeatedNames: company.repeatedNames,
    settingsVersion: company.settingsVersion,
    revision: company.revision,
    role,
    retainedEarningsAccountId: books.retainedEarningsId,
    years: years.map((year) => ({
      year: year.year,
      name: year.name,
      firstDay: year.firstDay,
      lastDay: year.lastDay,
      periods: year.periods.map(({ number, firstDay, lastDay }) => ({ number, firstDay, lastDay })),
    })),
    lastEntryDay,
    accounts: books.accounts.length,
    unplaced,
  };
}

export function toCategory({ id, parentId, element, name, position, term, step, contraOf, version }: VersionedCategory): CategoryBody {
  return { id, parentId, element, name, position, term, step, contraOf, version };
}

export function toAccount({ id, number, name, element, normalSide, parentId, active, role, purpose, externalNumber, version }: ChartAccount): AccountBody {
  return { id, number, name, element, normalSide, parentId, active, role, purpose, externalNumber, version };
}

export function toChart(overview: ChartOverview): ChartView {
  const { books, lastUsed, notes } = overview;
  const kept = new Map(books.accounts.map((account) => [account.id, account]));
  const { accounts, categories: _, ...rest } = toPlacement(overview);
  const held = new Set(books.places.map(({ categoryId }) => categoryId));
  return {
    ...rest,
    accounts: accounts.map((account, at) => {
      const { active, purpose, externalNumber, version } = kept.get(account.id) as ChartAccount;
      return {
        ...account,
        depth: books.tree.depth[at] as number,
        active,
        purpose,
        externalNumber,
        version,
        lastUsed: lastUsed.get(account.id) ?? null,
        notes: [...(notes.get(account.id) ?? [])],
      };
    }),
    paths: Object.fromEntries(
      [...held].flatMap((id) => {
        const node = books.categoryTree.nodes.get(id);
        return node ? [[String(id), pathOf(node)]] : [];
      }),
    ),
  };
}

export function toPlacement({ books, span, comparative, balanceComparative, amounts, comparatives }: PlacementOverview): PlacementView {
  const placesOf = placesByAccount(books.places);
  return {
    categories: books.categories.map(toCategory),
    accounts: books.tree.order.map((account, at) => {
      const index = books.cube.indexOf.get(account.id) as number;
      const { id, number, name, element, normalSide, parentId, role } = account;
      return {
        id,
        number,
        name,
        element,
        normalSide,
        parentId,
        role,
        isParent: books.tree.isParent[at] as boolean,
        places: placesOf.get(id) ?? [],
        amount: text(amounts[index] as bigint),
        comparative: text(comparatives[index] as bigint),
      };
    }),
    span: { firstDay: span.firstDay, lastDay: span.lastDay },
    comparative: { firstDay: comparative.firstDay, lastDay: comparative.lastDay },
    balanceComparative,
    revision: books.cube.revision,
  };
}

export function toStatement({ books, kind, compiled, columns, rows, rungs }: Statement): StatementBody {
  return {
    kind,
    title: compiled.layout.title,
    currency: books.company.currency.code,
    exponent: books.company.currency.exponent,
    columns: columns.map((column) =>
      column.kind === 'amount' ? { kind: column.kind, measure: column.measure, firstDay: column.span.firstDay, lastDay: column.span.lastDay } : column,
    ),
    rows: rows.map(({ key, lineKey, accountId, role, caption, depth, opens, open, values }) => ({
      key,
      lineKey,
      accountId,
      role,
      caption,
      depth,
      opens,
      open,
      values: values.map((value) => (value === null ? null : text(value))),
    })),
    rungs,
    revision: books.cube.revision,
  };
}

export function toEvidence({ caption, measure, span, amount, climb, accounts, carried, entryCount }: Evidence): EvidenceBody {
  return {
    caption,
    measure,
    firstDay: span.firstDay,
    lastDay: span.lastDay,
    amount: text(amount),
    climb: climb.map((rung) => ({ ...rung, amount: text(rung.amount) })),
    accounts: accounts.map((account) => ({ ...account, net: text(account.net) })),
    carried: carried.map((item) => ({ ...item, net: text(item.net) })),
    entryCount,
  };
}

export function toProofs(books: Books, proofs: readonly Proof[]): ProofList {
  const byId = new Map(books.accounts.map((account) => [account.id, account]));
  return {
    proofs: proofs.map((proof) => ({
      name: proof.name,
      state: proof.state,
      difference: text(proof.difference),
      figures: proof.figures.map((figure) => ({ name: figure.name, day: figure.day, net: text(figure.net) })),
      accounts: proof.accounts.flatMap(({ account, reason, net }) => {
        const found = byId.get(books.cube.accountIds[account] as number);
        return found ? [{ accountId: found.id, number: found.number, name: found.name, element: found.element, reason, net: text(net) }] : [];
      }),
    })),
    revision: books.cube.revision,
  };
}

export function toTrialBalance({ books, lines, notAllotted }: TrialBalanceView): TrialBalanceViewBody {
  return {
    accounts: books.tree.order.map((account, at) => {
      const line = lines[at] as TrialBalanceView['lines'][number];
      return {
        id: account.id,
        number: account.number,
        name: account.name,
        element: account.element,
        depth: books.tree.depth[at] as number,
        isParent: books.tree.isParent[at] as boolean,
        opening: text(line.opening),
        debit: text(line.debit),
        credit: text(line.credit),
        carried: text(line.carried),
        closing: text(line.closing),
      };
    }),
    notAllotted: text(notAllotted),
    revision: books.cube.revision,
  };
}

export function toEntry(entry: EntryRecord): EntryBody {
  return {
    ...entry,
    postedAt: `${entry.postedAt.replace(' ', 'T')}Z`,
    lines: entry.lines.map((line) => ({ ...line, debit: text(line.debit), credit: text(line.credit) })),
  };
}

export function toAccountLines({ lines, total, next }: { lines: AccountLineRecord[]; total: number; next: string | null }): AccountLines {
  return { lines: lines.map(({ lineNumber: _, ...line }) => ({ ...line, debit: text(line.debit), credit: text(line.credit) })), total, next };
}

export function toRehearsal(fileId: number, rehearsal: Rehearsal): RehearsalBody {
  const { file, reading, books, plan } = rehearsal;
  const named = ({ number, name, amount }: { number: string; name: string; amount: bigint }) => ({ number, name, amount: text(amount) });
  const optional = (amount: bigint | null): string | null => (amount === null ? null : text(amount));
  return {
    fileId,
    fileName: rehearsal.fileName,
    format: { ...rehearsal.format, sheets: [...rehearsal.format.sheets] },
    decimalSign: reading.decimalSign,
    amounts: reading.amounts,
    headingRow: reading.headingRow === null ? 0 : reading.headingRow + 1,
    headings: [...rehearsal.headings],
    columns: { ...reading.columns },
    date: rehearsal.date,
    dateFrom: rehearsal.date === null ? null : rehearsal.date === reading.day ? 'file' : 'answer',
    figures: rehearsal.figures,
    figuresProposed: true,
    retainedEarnings: rehearsal.retainedEarnings,
    retainedEarningsProposed: rehearsal.retainedEarningsProposed,
    rows: rehearsal.rows.map((row) => ({
      row: row.row,
      number: row.number,
      name: row.name,
      element: row.element,
      parentNumber: row.parentNumber,
      categoryPath: [...row.categoryPath],
      isNew: row.isNew,
      placedIn: [...row.placedIn],
      found: row.found,
      elementFrom:
        row.elementFrom === null
          ? null
          : typeof row.elementFrom === 'string'
            ? { from: row.elementFrom }
            : row.elementFrom.from === 'neighbours'
              ? { from: 'neighbours', numbers: [...row.elementFrom.numbers] }
              : row.elementFrom,
      amount: optional(row.amount),
      difference: optional(row.difference),
    })),
    problems: file.problems.map((problem) => ({ ...problem })),
    leftOut: file.leftOut.map((row) => ({ ...row })),
    debits: text(file.debits),
    credits: text(file.credits),
    difference: text(file.debits - file.credits),
    wouldBalance: optional(file.wouldBalance),
    elementsProposed: rehearsal.elementsProposed,
    missing: rehearsal.missing.map(named),
    missingSum: text(rehearsal.missing.reduce((total, { amount }) => total + amount, 0n)),
    adjustments: rehearsal.adjustments.map((adjustment) => ({ ...adjustment, amount: text(adjustment.amount) })),
    entries: rehearsal.entries.map(({ entry, lines }) => ({ day: entry.day, purpose: entry.purpose, closesYear: entry.closesYear, lines: lines.map(named) })),
    newAccounts: rehearsal.rows.filter((row) => row.isNew && row.number !== '').length,
    newCategories: rehearsal.newCategories.map((path) => [...path]),
    placedByFile: rehearsal.placedByFile,
    retainedEarningsMoves: text(rehearsal.retainedEarningsMoves),
    blockers: rehearsal.blockers.map((blocker) => ({ ...blocker })),
    nothingToPost: plan !== null && plan.entries.length === 0 && plan.newAccounts.length === 0 && plan.places.length === 0 && plan.withdraw.length === 0,
    revision: books.cube.revision,
  };
}

const shownOrNone = (amount: bigint | null): string | null => (amount === null ? null : text(amount));

function toEffect(effect: readonly EffectRow[]): StatementEffect {
  return effect.map((row) => ({ ...row, before: shownOrNone(row.before), after: shownOrNone(row.after) }));
}

export function toChartRehearsal({ fileName, comparison, unknownColumns, effect, structureVersion, revision }: ChartRehearsal): ChartRehearsalBody {
  return {
    fileName,
    rows: comparison.rows.map((row) => ({ ...row, changes: row.changes.map((change) => ({ ...change })), faults: row.faults.map((fault) => ({ ...fault })) })),
    missing: comparison.missing.map(({ id, number, name }) => ({ id, number, name })),
    newCategories: comparison.newCategories.map(({ element, path }) => ({ element, path: [...path] })),
    unknownColumns: [...unknownColumns],
    effect: toEffect(effect),
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

export function toMergeRehearsal({ moves, moved, role, effect, structureVersion, revision }: MergeRehearsal): MergeRehearsalBody {
  return {
    moves: moves.map(({ layer, amount }) => ({ layer, amount: text(amount) })),
    moved,
    role,
    effect: toEffect(effect),
    structureVersion,
    revision,
  };
}

export function toPosting(outcome: PostingOutcome): PostingBody {
  return { posted: outcome.posted, entries: outcome.entries.map((entry) => ({ ...entry })), newAccounts: outcome.newAccounts, revision: outcome.revision };
}

export function toBroughtIn(files: readonly BroughtInRecord[]): BroughtInList {
  return {
    files: files.map(({ id, fileName, day, figures, postedAt, postedBy, entries }) => ({
      id,
      fileName,
      date: day,
      figures,
      postedAt: `${postedAt.replace(' ', 'T')}Z`,
      postedBy,
      entries: entries.map((entry) => ({ ...entry })),
    })),
  };
}
