import type {
  AccountClimbBody,
  AccountLedgerBody,
  AccountLines,
  AdjustmentList,
  BroughtInList,
  EntryBody,
  EntryClimb,
  EntryList,
  PostingBody,
  TrialBalanceCheckBody,
  TrialBalanceViewBody,
} from '@ivory-ladder/contract';
import { isOnSide, sideAgainstIn, toldAccount } from '@ivory-ladder/core';
import type { AccountClimb, AccountLinesView, TrialBalanceCheck } from '../application/ledger/index.ts';
import type {
  AccountLedger,
  AdjustmentsView,
  BroughtInRecord,
  EntryRecord,
  ListedEntry,
  PostingOutcome,
  TrialBalanceView,
} from '../application/ports/index.ts';
import type { AccountClimbView } from '../application/statements/index.ts';
import { text, textOrNull } from './amountText.ts';

export function toTrialBalance({ books, lines, notAllotted, comparedTo }: TrialBalanceView): TrialBalanceViewBody {
  return {
    accounts: books.tree.order.map((account, at) => {
      const line = lines[at] as TrialBalanceView['lines'][number];
      return {
        id: account.id,
        ...toldAccount(books, account),
        element: account.element,
        depth: books.tree.depth[at] as number,
        isParent: books.tree.isParent[at] as boolean,
        opening: text(line.opening),
        debit: text(line.debit),
        credit: text(line.credit),
        carried: text(line.carried),
        closing: text(line.closing),
        adjustments: text(line.adjustments),
        isAgainst: isOnSide(line.closing, sideAgainstIn(books, account)),
        comparative: textOrNull(line.comparative),
      };
    }),
    notAllotted: text(notAllotted),
    comparedTo,
    revision: books.cube.revision,
  };
}

export function toEntry(entry: EntryRecord): EntryBody {
  return {
    ...entry,
    postedAt: `${entry.postedAt.replace(' ', 'T')}Z`,
    lines: entry.lines.map((line) => ({
      ...line,
      debit: text(line.debit),
      credit: text(line.credit),
      facets: { ...line.facets },
      foreign: line.foreign && { ...line.foreign, amount: text(line.foreign.amount) },
    })),
  };
}

export function toAccountClimb({ account, label, climbs }: AccountClimbView): AccountClimbBody {
  return {
    accountId: account.id,
    label,
    climbs: climbs.map(({ kind, amount, rungs, ...rest }) => ({
      ...rest,
      kind: ({ balance_sheet: 'balance-sheet', income_statement: 'income-statement', cash_flow: 'cash-flow' } as const)[kind],
      amount: text(amount),
      rungs: rungs.map((rung) => ({ ...rung, amount: text(rung.amount), share: rung.share === null ? null : text(rung.share) })),
    })),
  };
}

export function toEntryClimb(accounts: readonly AccountClimb[]): EntryClimb {
  return {
    accounts: accounts.map(({ kind, rungs, accountId }) => ({
      accountId,
      kind: kind && (kind === 'balance_sheet' ? 'balance-sheet' : 'income-statement'),
      rungs: [...rungs],
    })),
  };
}

export function toAdjustments({ from, entries, earlier }: AdjustmentsView): AdjustmentList {
  return {
    from,
    earlier,
    entries: entries.map(toEntry).map(({ id, date, documentNumber, description, reversesEntryId, lines }) => ({
      id,
      date,
      documentNumber,
      description,
      reversesEntryId,
      lines,
    })),
  };
}

export function toEntryList({ entries, next }: { entries: readonly ListedEntry[]; next: string | null }): EntryList {
  return { entries: entries.map((entry) => ({ ...entry, amount: text(entry.amount) })), next };
}

export function toAccountLines({ lines, ...page }: AccountLinesView): AccountLines {
  return {
    lines: lines.map(({ lineNumber: _, ...line }) => ({
      ...line,
      debit: text(line.debit),
      credit: text(line.credit),
      balance: textOrNull(line.balance),
      facets: { ...line.facets },
    })),
    ...page,
  };
}

export function toAccountLedger({ books, accounts, leftOut }: AccountLedger): AccountLedgerBody {
  const labelOf = (id: number) => books.labels.get(id) ?? '';
  return {
    accounts: accounts.map(({ account, opening, closing, lines, periods }) => ({
      id: account.id,
      label: labelOf(account.id),
      element: account.element,
      sideAgainst: sideAgainstIn(books, account),
      opening: text(opening),
      closing: text(closing),
      lines: lines.map(({ entryId, date, documentNumber, description, layer, closesYear, debit, credit, balance, facets, counterparts, ...line }) => ({
        entryId,
        date,
        documentNumber,
        text: line.text === '' ? description : line.text,
        layer,
        closesYear,
        debit: text(debit),
        credit: text(credit),
        balance: text(balance),
        facets: { ...facets },
        counterparts: counterparts.map(labelOf),
      })),
      periods: periods.map((period) => ({ ...period, debit: text(period.debit), credit: text(period.credit), closing: text(period.closing) })),
    })),
    leftOut,
  };
}

export function toTrialBalanceCheck(fileId: number, check: TrialBalanceCheck): TrialBalanceCheckBody {
  const { file, reading, books, plan } = check;
  const named = ({ number, name, amount }: { number: string; name: string; amount: bigint }) => ({ number, name, amount: text(amount) });
  return {
    fileId,
    fileName: check.fileName,
    format: { ...check.format, sheets: [...check.format.sheets] },
    decimalSign: reading.decimalSign,
    amounts: reading.amounts,
    headingRow: reading.headingRow === null ? 0 : reading.headingRow + 1,
    headings: [...check.headings],
    columns: { ...reading.columns },
    date: check.date,
    dateFrom: check.date === null ? null : check.date === reading.day ? 'file' : 'answer',
    figures: check.figures,
    figuresProposed: true,
    retainedEarnings: check.retainedEarnings,
    retainedEarningsProposed: check.retainedEarningsProposed,
    rows: check.rows.map((row) => ({
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
      amount: textOrNull(row.amount),
      difference: textOrNull(row.difference),
    })),
    problems: file.problems.map((problem) => ({ ...problem })),
    leftOut: file.leftOut.map((row) => ({ ...row })),
    debits: text(file.debits),
    credits: text(file.credits),
    difference: text(file.debits - file.credits),
    wouldBalance: textOrNull(file.wouldBalance),
    elementsProposed: check.elementsProposed,
    missing: check.missing.map(named),
    missingSum: text(check.missing.reduce((total, { amount }) => total + amount, 0n)),
    adjustments: check.adjustments.map((adjustment) => ({ ...adjustment, amount: text(adjustment.amount) })),
    entries: check.entries.map(({ entry, lines }) => ({ day: entry.day, purpose: entry.purpose, closesYear: entry.closesYear, lines: lines.map(named) })),
    newAccounts: check.rows.filter((row) => row.isNew && row.number !== '').length,
    newCategories: check.newCategories.map((path) => [...path]),
    placedByFile: check.placedByFile,
    unusualDay: check.unusualDay && { ...check.unusualDay },
    begins: check.begins,
    replaces: check.replaces.map(({ fileName, postedAt, postedBy }) => ({ fileName, postedAt: `${postedAt.replace(' ', 'T')}Z`, postedBy })),
    retainedEarningsMoves: text(check.retainedEarningsMoves),
    blockers: check.blockers.map((blocker) => ({ ...blocker })),
    nothingToPost: plan !== null && plan.entries.length === 0 && plan.newAccounts.length === 0 && plan.places.length === 0 && plan.withdraw.length === 0,
    revision: books.cube.revision,
  };
}

export function toPosting(outcome: PostingOutcome): PostingBody {
  return { posted: outcome.posted, entries: outcome.entries.map((entry) => ({ ...entry })), newAccounts: outcome.newAccounts, revision: outcome.revision };
}

export function toBroughtIn(files: readonly BroughtInRecord[]): BroughtInList {
  return {
    files: files.map(({ id, fileName, day, figures, postedAt, postedBy, takenBack, entries }) => ({
      id,
      fileName,
      date: day,
      figures,
      postedAt: `${postedAt.replace(' ', 'T')}Z`,
      postedBy,
      takenBack: takenBack && { at: `${takenBack.at.replace(' ', 'T')}Z`, by: takenBack.by },
      entries: entries.map((entry) => ({ ...entry })),
    })),
  };
}
