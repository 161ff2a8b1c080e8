import {
  addDays,
  type Day,
  deriveEntries,
  type FigureKind,
  keepLaterBalances,
  type LedgerBefore,
  ledgerBefore,
  type MetLedger,
  makeCalendar,
  type ProposedEntry,
  positionAt,
  positionBefore,
  proposeFigureKind,
  type TrialBalanceRow,
  yearOf,
} from '@ivory-ladder/core';
import type { AccountField, NamedAmount } from '../books/index.ts';
import { yearsToMake } from '../companies/index.ts';
import type { Blockers } from '../placement/index.ts';
import type { Books, BroughtInRecord, OpenAdjustment, Ports } from '../ports/index.ts';
import type { PostingAnswers } from './postingAnswers.ts';

export interface WorkedOut {
  readonly before: LedgerBefore;
  readonly figures: FigureKind;
  readonly entries: readonly ProposedEntry[];
  readonly isDerived: boolean;
  readonly missing: readonly NamedAmount[];
  readonly adjustments: readonly OpenAdjustment[];
  readonly earlier: readonly BroughtInRecord[];
}

/** The entries that make the ledger agree with the figures of a file, and what they leave to be answered. */
export async function workOutPosting(
  ports: Ports,
  books: Books,
  field: AccountField,
  rows: readonly TrialBalanceRow[],
  date: Day,
  answers: PostingAnswers,
  blockers: Blockers,
): Promise<WorkedOut> {
  const { traits } = field;
  const calendar = makeCalendar([...books.calendar.periods, ...yearsToMake(books, date).flatMap((year) => year.periods)]);
  const year = yearOf(calendar, date);
  if (!year) throw new Error(`no fiscal year was made for ${date}`);
  const brought = (await ports.ledger.broughtIn(books.company.id)).filter(({ takenBack }) => takenBack === null);
  const kinds = candidateKinds(brought, calendar.years[0]?.firstDay ?? date, year.firstDay, date, answers.figures);
  const needed = kinds.flatMap((kind) =>
    kind.kind === 'period' ? [positionBefore(books.calendar, kind.firstDay)] : kind.kind === 'cumulative' ? [positionAt(books.calendar, kind.since)] : [],
  );
  const partial = await ports.ledger.linesWithin(books, [positionAt(books.calendar, date), ...needed]);
  const met: MetLedger = { cube: books.cube, calendar, resets: traits.resets, retainedEarnings: traits.retainedEarnings, partial };
  const figures = new BigInt64Array(field.numbers.length);
  for (const { number, amount } of rows) {
    const at = field.at.get(number);
    if (at !== undefined && amount !== null) figures[at] = amount;
  }
  const candidates = kinds.map((kind) => ({ kind, before: ledgerBefore(met, date, kind) }));
  const kind = answers.figures ?? proposeFigureKind(figures, traits, candidates);
  const before = candidates.find((candidate) => candidate.kind === kind || candidate.kind.kind === kind.kind)?.before ?? ledgerBefore(met, date, kind);
  const inFile = new Set(rows.map(({ number }) => number));
  const keepsIncome = kind.kind === 'period' || kind.kind === 'after_closing';
  const absent = field.numbers.map((number, at) => !inFile.has(number) && before.balance[at] !== 0n && !(keepsIncome && traits.resets[at] === 1));
  const leftAlone = Uint8Array.from(absent, (isAbsent) => (isAbsent && answers.missing === 'left_alone' ? 1 : 0));
  const derived = deriveEntries({ day: date, figures, leftAlone, kind }, before, traits);
  const later = new Map(brought.filter((file) => file.day > date).map((file) => [file.day, { day: file.day, kind: file.figures }]));
  if (!derived.ok && derived.failure.code !== 'out_of_balance') blockers.add(derived.failure.code, 1);
  const entries = derived.ok
    ? [
        ...derived.value,
        ...keepLaterBalances(
          derived.value,
          [...later.values()].sort((a, b) => (a.day < b.day ? -1 : 1)),
          calendar,
          traits,
        ),
      ]
    : [];
  const adjustments = await ports.ledger.openAdjustments(books.company.id, date);
  const unknown = answers.withdraw.filter((id) => !adjustments.some(({ entryId }) => entryId === id));
  blockers.add('adjustment_gone', unknown.length);
  return {
    before,
    figures: kind,
    entries,
    isDerived: derived.ok,
    missing: field.numbers.flatMap((number, at) => (absent[at] ? [{ number, name: field.names[at] as string, amount: before.balance[at] as bigint }] : [])),
    adjustments,
    earlier: brought,
  };
}

/** What the figures could be, likeliest last file first: the answer alone where there is one. */
function candidateKinds(brought: readonly BroughtInRecord[], firstDay: Day, yearFirstDay: Day, date: Day, answer: FigureKind | undefined): FigureKind[] {
  if (answer) return [answer];
  const last = brought.findLast((file) => file.day < date && file.day >= yearFirstDay);
  return [
    { kind: 'after_closing' },
    { kind: 'year_to_date' },
    { kind: 'cumulative', since: addDays(firstDay, -1) },
    ...(last ? [{ kind: 'period' as const, firstDay: addDays(last.day, 1) }] : []),
  ];
}
