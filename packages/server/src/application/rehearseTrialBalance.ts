import {
  type AccountTraits,
  addDays,
  type Day,
  deriveEntries,
  type FigureKind,
  findCategoryPath,
  isIncomeOrExpense,
  keepLaterBalances,
  type LedgerBefore,
  ledgerBefore,
  type MetLedger,
  makeCalendar,
  naturalSide,
  type Outcome,
  type ProposedEntry,
  pathOf,
  positionAt,
  positionBefore,
  proposeFigureKind,
  proposeRetainedEarnings,
  succeed,
  type TrialBalanceRow,
  yearOf,
} from '@ivory-ladder/core';
import { isWithinReach, yearsToMake } from './companies.ts';
import type { Failure } from './failure.ts';
import { openBooks } from './openBooks.ts';
import type { Books, BroughtInRecord, OpenAdjustment, Ports, TrialBalancePlan } from './ports.ts';
import { type ReadFile, type ReadingAnswers, readTrialBalanceFile } from './readTrialBalanceFile.ts';

export interface RehearsalAnswers extends ReadingAnswers {
  readonly date?: Day | undefined;
  readonly figures?: FigureKind | undefined;
  readonly retainedEarnings?: string | null | undefined;
  readonly confirmElements: boolean;
  readonly missing: 'nil' | 'left_alone';
  readonly withdraw: readonly number[];
}

interface Blocker {
  readonly code: string;
  readonly count: number;
}

interface NamedAmount {
  readonly number: string;
  readonly name: string;
  readonly amount: bigint;
}

export interface Rehearsal extends ReadFile {
  readonly books: Books;
  readonly date: Day | null;
  readonly figures: FigureKind;
  readonly retainedEarnings: string | null;
  readonly retainedEarningsProposed: boolean;
  readonly rows: readonly (TrialBalanceRow & { readonly isNew: boolean; readonly placedIn: readonly string[]; readonly difference: bigint | null })[];
  readonly elementsProposed: number;
  readonly missing: readonly NamedAmount[];
  readonly adjustments: readonly OpenAdjustment[];
  readonly entries: readonly { readonly entry: ProposedEntry; readonly lines: readonly NamedAmount[] }[];
  readonly newCategories: readonly (readonly string[])[];
  readonly placedByFile: number;
  readonly retainedEarningsMoves: bigint;
  readonly blockers: readonly Blocker[];
  readonly plan: TrialBalancePlan | null;
}

/** All accounts the posting may touch: those of the cube, then those the file brings, by one dense numbering. */
interface Field {
  readonly numbers: readonly string[];
  readonly names: readonly string[];
  readonly at: ReadonlyMap<string, number>;
  readonly traits: AccountTraits;
}

/** Reads the file and works out everything that posting would do, without changing anything. */
export async function rehearseTrialBalance(ports: Ports, companyId: number, fileId: number, answers: RehearsalAnswers): Promise<Outcome<Rehearsal, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const read = await readTrialBalanceFile(ports, books, fileId, answers);
  if (!read.ok) return read;
  const { file, reading } = read.value;
  const charted = new Map(books.accounts.map((account) => [account.number, account]));
  const retained = chooseRetainedEarnings(books, file.rows, answers.retainedEarnings);
  const date = answers.date ?? reading.day;
  const field = layField(books, file.rows, retained.number);
  const blockers = new Blockers();
  const elementsProposed = answers.confirmElements ? 0 : file.rows.filter(({ elementFrom }) => elementFrom !== null && typeof elementFrom === 'object').length;
  blockers.add('columns_missing', missingColumns(read.value));
  blockers.add('no_rows', file.rows.length === 0 ? 1 : 0);
  blockers.add('rows_with_errors', file.problems.filter((problem) => !problem.warning).length);
  blockers.add('elements_proposed', elementsProposed);
  blockers.add('out_of_balance', file.debits === file.credits ? 0 : 1);
  blockers.add('date_needed', date === null ? 1 : 0);
  if (date !== null && !isWithinReach(books, date)) blockers.add('day_out_of_reach', 1);
  const worked = date === null || !isWithinReach(books, date) ? null : await workOut(ports, books, field, file.rows, date, answers, blockers);
  const places = placesOf(books, file.rows);
  const differences = worked?.entries.find((entry) => entry.purpose === 'differences' && entry.closesYear === null)?.lines;
  const isReadable = blockers.list.every(({ code }) => code !== 'rows_with_errors' && code !== 'out_of_balance' && code !== 'columns_missing');
  const rows = file.rows.map((row) => {
    const account = charted.get(row.number);
    const standing = account ? standingOf(books, account.id) : [];
    const at = field.at.get(row.number);
    const before = at === undefined ? undefined : worked?.before.balance[at];
    const difference =
      at !== undefined && isReadable && worked?.isDerived
        ? (differences?.[at] ?? 0n)
        : row.amount !== null && before !== undefined && worked?.figures.kind === 'year_to_date'
          ? row.amount - before
          : null;
    return { ...row, isNew: !account, placedIn: standing.length > 0 ? standing : row.categoryPath, difference };
  });
  const newCategories = places.flatMap(({ element, path }) => {
    const { found } = findCategoryPath(books.categoryTree, element, path);
    return found < path.length ? [path] : [];
  });
  return succeed({
    ...read.value,
    books,
    date,
    figures: worked?.figures ?? answers.figures ?? { kind: 'year_to_date' },
    retainedEarnings: retained.number,
    retainedEarningsProposed: retained.proposed,
    rows,
    elementsProposed,
    missing: worked?.missing ?? [],
    adjustments: worked?.adjustments ?? [],
    entries: (worked?.entries ?? []).map((entry) => ({ entry, lines: namedLines(field, entry.lines) })),
    newCategories,
    placedByFile: places.reduce((count, { numbers }) => count + numbers.length, 0),
    retainedEarningsMoves: field.traits.retainedEarnings < 0 ? 0n : (differences?.[field.traits.retainedEarnings] ?? 0n),
    blockers: blockers.list,
    plan:
      worked && blockers.list.length === 0 && date !== null
        ? planOf(books, field, file.rows, fileId, date, worked, places, retained.number, answers.withdraw, read.value.fileName)
        : null,
  });
}

class Blockers {
  readonly list: Blocker[] = [];
  add(code: string, count: number): void {
    if (count > 0) this.list.push({ code, count });
  }
}

function missingColumns({ reading: { columns, amounts } }: ReadFile): number {
  const needed = amounts === 'debit_and_credit' ? (['number', 'name', 'debit', 'credit'] as const) : (['number', 'name', 'amount'] as const);
  return needed.filter((meaning) => columns[meaning] === undefined).length;
}

function chooseRetainedEarnings(
  books: Books,
  rows: readonly TrialBalanceRow[],
  answer: string | null | undefined,
): { number: string | null; proposed: boolean } {
  const known = new Map<string, TrialBalanceRow['element']>([
    ...books.accounts.map((account) => [account.number, account.element] as const),
    ...rows.map((row) => [row.number, row.element] as const),
  ]);
  if (answer !== undefined) return { number: answer !== null && known.get(answer) === 'equity' ? answer : null, proposed: false };
  const current = books.accounts.find((account) => account.id === books.retainedEarningsId);
  if (current) return { number: current.number, proposed: false };
  return { number: proposeRetainedEarnings([...rows, ...books.accounts])?.number ?? null, proposed: true };
}

function layField(books: Books, rows: readonly TrialBalanceRow[], retainedEarnings: string | null): Field {
  const byId = new Map(books.accounts.map((account) => [account.id, account]));
  const charted = books.cube.accountIds.map((id) => byId.get(id) as (typeof books.accounts)[number]);
  const known = new Set(charted.map((account) => account.number));
  const brought = [...new Map(rows.filter(({ number }) => number !== '' && !known.has(number)).map((row) => [row.number, row])).values()];
  const all = [...charted, ...brought];
  const at = new Map(all.map(({ number }, index) => [number, index]));
  return {
    numbers: all.map(({ number }) => number),
    names: all.map(({ name }) => name),
    at,
    traits: {
      resets: Uint8Array.from(all, ({ element }) => (element !== null && isIncomeOrExpense(element) ? 1 : 0)),
      retainedEarnings: retainedEarnings === null ? -1 : (at.get(retainedEarnings) ?? -1),
    },
  };
}

interface Worked {
  readonly before: LedgerBefore;
  readonly figures: FigureKind;
  readonly entries: readonly ProposedEntry[];
  readonly isDerived: boolean;
  readonly missing: readonly NamedAmount[];
  readonly adjustments: readonly OpenAdjustment[];
  readonly earlier: readonly BroughtInRecord[];
}

async function workOut(
  ports: Ports,
  books: Books,
  field: Field,
  rows: readonly TrialBalanceRow[],
  date: Day,
  answers: RehearsalAnswers,
  blockers: Blockers,
): Promise<Worked> {
  const { traits } = field;
  const calendar = makeCalendar([...books.calendar.periods, ...yearsToMake(books, date).flatMap((year) => year.periods)]);
  const year = yearOf(calendar, date);
  if (!year) throw new Error(`no fiscal year was made for ${date}`);
  const brought = await ports.ledger.broughtIn(books.company.id);
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

function namedLines(field: Field, lines: BigInt64Array): NamedAmount[] {
  return field.numbers.flatMap((number, at) => (lines[at] === 0n ? [] : [{ number, name: field.names[at] as string, amount: lines[at] as bigint }]));
}

function standingOf(books: Books, accountId: number): string[] {
  const portions = books.portions.get(accountId);
  const node = books.categoryTree.nodes.get(portions?.debit ?? portions?.credit ?? -1);
  return node ? pathOf(node) : [];
}

/** Accounts that the file itself places and that stand nowhere yet, by category path. */
function placesOf(
  books: Books,
  rows: readonly TrialBalanceRow[],
): { element: NonNullable<TrialBalanceRow['element']>; path: readonly string[]; numbers: string[] }[] {
  const charted = new Map(books.accounts.map((account) => [account.number, account.id]));
  const places = new Map<string, { element: NonNullable<TrialBalanceRow['element']>; path: readonly string[]; numbers: string[] }>();
  for (const { number, element, categoryPath } of rows) {
    const id = charted.get(number);
    if (element === null || categoryPath.length === 0 || (id !== undefined && books.portions.has(id))) continue;
    const key = JSON.stringify([element, categoryPath.map((name) => name.toLowerCase())]);
    const place = places.get(key) ?? { element, path: categoryPath, numbers: [] };
    place.numbers.push(number);
    places.set(key, place);
  }
  return [...places.values()];
}

function planOf(
  books: Books,
  field: Field,
  rows: readonly TrialBalanceRow[],
  fileId: number,
  date: Day,
  worked: Worked,
  places: TrialBalancePlan['places'],
  retainedEarnings: string | null,
  withdraw: readonly number[],
  fileName: string,
): TrialBalancePlan {
  const charted = new Set(books.accounts.map((account) => account.number));
  return {
    expectedRevision: books.cube.revision,
    expectedStructure: books.company.structureVersion,
    fileId,
    day: date,
    figures: worked.figures,
    newYears: yearsToMake(books, date),
    newAccounts: rows.flatMap(({ number, name, element, parentNumber, amount }) =>
      element === null || charted.has(number) ? [] : [{ number, name, element, normalSide: normalSideOf(element, name, amount), parentNumber }],
    ),
    retainedEarnings,
    places,
    entries: worked.entries.map((entry) => ({
      date: entry.day,
      closesYear: entry.closesYear,
      description: describe(entry, date, fileName),
      lines: namedLines(field, entry.lines).map(({ number, amount }) => ({ number, net: amount })),
    })),
    withdraw,
    remember: !worked.earlier.some((file) => file.day === date && JSON.stringify(file.figures) === JSON.stringify(worked.figures)),
  };
}

const contraName =
  /accumulated (depreciation|amorti[sz]ation|impairment)|allowance for|provision for (bad|doubtful)|discounts? (allowed|given)|treasury shares|drawings|dividends? (paid|declared)/i;

/** A contra account keeps its element and has the other side; told by its name, and by a balance that agrees. */
function normalSideOf(element: NonNullable<TrialBalanceRow['element']>, name: string, amount: bigint | null): 'debit' | 'credit' {
  const natural = naturalSide(element);
  const isOther = amount !== null && amount !== 0n && amount > 0n !== (natural === 'debit');
  return contraName.test(name) && (isOther || amount === 0n) ? (natural === 'debit' ? 'credit' : 'debit') : natural;
}

function describe(entry: ProposedEntry, date: Day, fileName: string): string {
  switch (entry.purpose) {
    case 'differences':
      return `Trial balance at ${date}: ${fileName}`;
    case 'closing':
      return `Closing of the year, from the trial balance at ${date}: ${fileName}`;
    case 'keeps_later_balance':
      return `Keeps the balances of this day after the trial balance at ${date}: ${fileName}`;
    case 'keeps_later_closing':
      return `Keeps the closing of the year after the trial balance at ${date}: ${fileName}`;
  }
}
